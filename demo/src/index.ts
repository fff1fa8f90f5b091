export { beds, bookFrom, bookName, stationSeed, taps, threePoplars } from './threePoplars.ts';
export { ph, pots, type DemoPot } from './pots.ts';
