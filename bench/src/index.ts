import { drags } from './drags.ts';
import { gardenEnsembleMs } from './gardenEnsemble.ts';
import { layeredStepFigures, singleStoreNs } from './layeredStep.ts';
import { largeGardenMs, roundMs } from './roundOverHttp.ts';
import { sectionFrames } from './sectionFrames.ts';
import { writersMs } from './writers.ts';

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
const writers = await writersMs();
table['Change of a bed, alone'] = plain(`${writers.alone.toFixed(0)} ms`);
table['Twenty of them at once, the slowest'] = {
  ...plain(`${writers.slowest.toFixed(0)} ms`),
  ratio: `${(writers.slowest / writers.alone).toFixed(1)} × one alone`,
};
const large = await largeGardenMs();
table['Round of 500 beds, over HTTP'] = plain(`${large.round.toFixed(0)} ms`);
table['Section of 500 beds, a page of 60, over HTTP'] = plain(`${large.section.toFixed(0)} ms`);
const frames = await sectionFrames();
if (frames) {
  table[`Section of ${frames.beds} beds, answer to first frame`] = plain(
    `${frames.firstPaintMs.toFixed(0)} ms`,
  );
  table['The same, drawn along the weather'] = plain(
    `${frames.framesPerSecond.toFixed(0)} frames a second, slowest ${frames.slowestMs.toFixed(0)} ms`,
  );
  table['The same, layout shift'] = plain(frames.layoutShift.toFixed(3));
  table['JavaScript of the first screen'] = plain(`${frames.roundKb.toFixed(0)} kB`);
}
const dragged = await drags();
if (dragged) {
  table['A watering dragged, letting go to the question'] = plain(
    `${dragged.feedbackMs.toFixed(0)} ms, worst of 50 ${dragged.worstMs.toFixed(0)} ms`,
  );
  table['The same, to what it costs'] = plain(`${dragged.costMs.toFixed(0)} ms`);
}
console.table(table);
