import { gardenEnsembleMs } from './gardenEnsemble.ts';
import { layeredStepFigures, singleStoreNs } from './layeredStep.ts';
import { roundMs } from './roundOverHttp.ts';

const table: Record<string, { median: string; 'C twin': string; ratio: string }> = {};
const perSecond = (ns: number): string => `${(1e9 / ns / 1e3).toFixed(0)} k bed-days/s`;
for (const { name, nsPerBedDay, twinNsPerBedDay, ratio } of layeredStepFigures()) {
  table[`Layered step, ${name}`] = {
    median: `${(nsPerBedDay / 1000).toFixed(2)} µs (${perSecond(nsPerBedDay)})`,
    'C twin': twinNsPerBedDay === null ? 'no compiler' : `${(twinNsPerBedDay / 1000).toFixed(2)} µs`,
    ratio: ratio === null ? '' : `${ratio.toFixed(2)} ×`,
  };
}
const plain = (median: string) => ({ median, 'C twin': '', ratio: '' });
table['Single-store step'] = plain(`${singleStoreNs().toFixed(0)} ns`);
const garden = gardenEnsembleMs();
table['Plan of 40 beds × 14 days'] = plain(`${garden.plain.toFixed(0)} ms`);
table['The same with 200 members a bed'] = {
  ...plain(`${garden.ensemble.toFixed(0)} ms`),
  ratio: `${(garden.ensemble / garden.plain).toFixed(1)} × the plain plan`,
};
table['Round of the demo garden, over HTTP'] = plain(`${(await roundMs()).toFixed(0)} ms`);
console.table(table);
