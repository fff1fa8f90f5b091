export { beds, bookFrom, bookName, stationSeed, taps, threePoplars } from './threePoplars.ts';
