export * from './error.ts';
export * from './events.ts';
export * from './garden.ts';
export * from './limits.ts';
export * from './round.ts';
export * from './station.ts';
export * from './weatherCsv.ts';
