export { forecastOn, weatherOn, type Climate } from './climate.ts';
export { stationApp } from './station.ts';
