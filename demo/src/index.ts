export { beds, taps, recordFrom, stationSeed, threePoplars } from './threePoplars.ts';
