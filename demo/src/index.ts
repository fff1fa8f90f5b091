export { beds, recordFrom, stationSeed, threePoplars } from './threePoplars.ts';
