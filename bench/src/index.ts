import { besideLarge } from './besideLarge.ts';
import { demoPlanMs } from './demoPlan.ts';
import { drags } from './drags.ts';
import { gardenEnsembleMs } from './gardenEnsemble.ts';
import { layeredStepFigures, singleStoreNs } from './layeredStep.ts';
import { largeFigures, roundFigures, type RoundFigures } from './roundOverHttp.ts';
import { shelfMs, weighedOnce } from './shelf.ts';
import { sectionFrames } from './sectionFrames.ts';
import { weatherFileMs } from './weatherFile.ts';
import { writersMs } from './writers.ts';

const table: Record<string, { median: string; 'C twin': string; ratio: string }> = {};
/** What it was before each garden had one plan, on the same machine: of two cores, quiet. */
const before = (ms: string): string => `before: ${ms}`;
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
table['Shelf of 40 pots, a season and a fortnight'] = plain(`${shelfMs().toFixed(0)} ms`);
const weighing = weighedOnce();
table['Next dry-downs of 200 pots, off by (median)'] = {
  ...plain(`${(100 * weighing.after).toFixed(1)} % after one weighing`),
  ratio: `${(100 * weighing.before).toFixed(1)} % before`,
};
const demoPlan = await demoPlanMs();
table['Demo: its plan, from nothing'] = plain(`${demoPlan.plain.toFixed(0)} ms`);
table['The same with every bed’s window'] = {
  ...plain(`${demoPlan.withWindows.toFixed(0)} ms`),
  ratio: before('96 ms'),
};
const ms = (value: number): string => `${value.toFixed(0)} ms`;
function rooms(name: string, made: RoundFigures, was: Readonly<Record<keyof RoundFigures, string>>): void {
  const row = (what: string, key: keyof RoundFigures): void => {
    table[`${name}: ${what}`] = { ...plain(ms(made[key])), ratio: before(was[key]) };
  };
  row('round, first', 'first');
  row('round, nothing changed', 'again');
  row('Done, to what changed', 'done');
  row('Done, to the round fetched anew', 'doneThenRound');
  row('section', 'section');
  row('longest stall of the event loop', 'stallMs');
}
rooms('Demo', await roundFigures(), {
  first: '167 ms',
  again: '167 ms',
  done: '–',
  doneThenRound: '190 ms',
  section: '60 ms',
  stallMs: '100 ms',
});
const file = weatherFileMs();
table['A hundred thousand hours of weather, taken apart'] = plain(ms(file.apart));
table['The same, read, beside the event loop'] = {
  ...plain(ms(file.read)),
  ratio: `${(file.read / file.apart).toFixed(1)} × taking it apart`,
};
const writers = await writersMs();
table['Change of a bed, alone'] = plain(`${writers.alone.toFixed(0)} ms`);
table['Twenty of them at once, the slowest'] = {
  ...plain(`${writers.slowest.toFixed(0)} ms`),
  ratio: `${(writers.slowest / writers.alone).toFixed(1)} × one alone`,
};
rooms('500 beds', await largeFigures(), {
  first: '4.0 s',
  again: '4.0 s',
  done: '–',
  doneThenRound: '4.1 s',
  section: '1.9 s',
  stallMs: '3.8 s (200 beds)',
});
const beside = await besideLarge();
table['401 places of another garden, planned'] = plain(ms(beside.largeMs));
table['Meanwhile: a saved round, the slowest'] = {
  ...plain(ms(beside.roundMs)),
  ratio: 'asked: under 300 ms',
};
table['Meanwhile: Done to what changed, the slowest'] = {
  ...plain(ms(beside.doneMs)),
  ratio: 'asked: under 1 s; before: 4 s',
};
table['Memory with both'] = plain(`${beside.rssMb.toFixed(0)} MB`);
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
