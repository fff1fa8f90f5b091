import { roundMs } from './roundOverHttp.ts';

const rows: [string, string][] = [
  ['Round of the demo garden, over HTTP', `${(await roundMs()).toFixed(0)} ms`],
];
console.table(Object.fromEntries(rows.map(([name, value]) => [name, { median: value }])));
