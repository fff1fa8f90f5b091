import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite as site } from '../../tests/seattle.ts';
import { METHODS } from '../delivery/methods.ts';
import { planGarden } from '../plan/planGarden.ts';
import { SCHOOLS } from '../schools/schools.ts';
import { addDays } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { findWorking, leaves, type Working } from '../working/types.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import type { PlanBed, PlannedWatering } from './types.ts';

// Each reason for a watering is held against its own working: the tree that the decision returned must end in the
// amount that is given, and its parts must follow from one another by the formula beside them.
const today = '2015-07-08';
const weather = completeWeather({
  record: seattle.filter((day) => day.date < today),
  forecast: [],
  site,
  from: '2015-05-01',
  to: addDays(today, 13),
  today,
});
const bed = (change: Partial<PlanBed> = {}): PlanBed => ({
  id: 1,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'sweetcorn', plantedOn: '2015-05-08' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: '2015-05-08',
  startFullness: 1,
  ...change,
});
const plan = (change: Partial<PlanBed>, constraints: PlanConstraints = {}) =>
  planGarden({ site, beds: [bed(change)] }, weather, constraints, { today, members: 0, reasons: 'all' });
const first = (change: Partial<PlanBed>, constraints: PlanConstraints = {}): PlannedWatering => {
  const [watering] = plan(change, constraints).waterings;
  if (!watering) throw new Error('something must be given');
  return watering;
};
const because = ({ because: tree }: PlannedWatering): Working => {
  if (!tree) throw new Error('a decision must carry its reasons');
  return tree;
};
const label = (tree: Working, name: string): number => {
  const all = (node: Working): Working[] => [node, ...node.inputs.flatMap(all)];
  const found = all(tree).find((node) => node.label === name);
  if (!found) throw new Error(`no ${name} in the working`);
  return found.value;
};
const part = (tree: Working, of: string): Working => {
  const found = findWorking(tree, of);
  if (!found) throw new Error(`no ${of} in the working`);
  return found;
};

describe('every reason carries its own working', () => {
  const wet = { irrigations: [{ date: '2015-07-07', netMm: 60 }] };
  test.each<[PlannedWatering['reason']['code'], Partial<PlanBed>, PlanConstraints]>([
    ['growth', {}, {}],
    [
      'floor',
      {
        bed: {
          ...bed().bed,
          goal: 'alive',
          plantings: [{ cropId: 'lettuce', plantedOn: '2015-07-02' }],
        },
        startOn: '2015-07-02',
      },
      { rounds: { weekdays: [3, 5, 0] } },
    ],
    ['refill line', { school: 'hold to the first wilt' }, {}],
    ['wilting', { ...wet, wilting: true }, {}],
    ['set by hand', { fixed: [{ date: today, localMm: 5, litres: 51 }] }, {}],
    ['fixed week', { school: 'fixed week' }, {}],
    [
      'planting drench',
      { bed: { ...bed().bed, plantings: [{ cropId: 'lettuce', plantedOn: today }] }, startOn: today },
      {},
    ],
  ])('%s', (code, change, constraints) => {
    const watering = plan(change, constraints).waterings.find((w) => w.reason.code === code);
    if (!watering) throw new Error(`nothing was given for ${code}`);
    const tree = because(watering);
    expect(tree.value).toBeCloseTo(watering.run.minutes, 9);
    expect(part(tree, 'litres').value).toBeCloseTo(watering.run.litres, 9);
    const depth = part(tree, 'depth');
    expect(depth.value).toBeCloseTo(watering.run.localMm, 9);
    for (const leaf of leaves(tree)) expect(Number.isFinite(leaf.value)).toBe(true);
    if (depth.label === 'Depth to fill the root zone')
      expect(label(depth, 'Gone this morning')).toBeCloseTo(watering.reason.depletionMm, 9);
    if (code === 'growth' || code === 'floor') {
      const { waiting } = watering.reason;
      expect(part(tree, 'waiting').value).toBe(waiting?.lostShare);
      expect(label(tree, 'What its goal lets it lose')).toBe(waiting?.allowedShare);
    }
  });

  test('5 mm set by hand are explained by what was set, not by what is gone', () => {
    const watering = first({ fixed: [{ date: today, localMm: 5, litres: 51 }] });
    const depth = part(because(watering), 'depth');
    expect(depth.value).toBe(5);
    expect(depth.formula).toMatch(/set by hand/);
    expect(depth.inputs[0]).toMatchObject({ label: 'Set by hand', value: 51, unit: 'L' });
    expect(watering.reason.depletionMm).not.toBeCloseTo(5, 1);
  });

  test('the flat week is explained by its own rule and the rain it counted', () => {
    const depth = part(because(first({ school: 'fixed week' })), 'depth');
    expect(depth.value).toBeCloseTo(
      label(depth, 'The flat rule gives') - label(depth, 'Rain of the week'),
      9,
    );
    expect(depth.formula).not.toMatch(/gone/);
  });

  test('a drench is the larger of what is gone and what settles the soil', () => {
    const lettuce = {
      bed: { ...bed().bed, plantings: [{ cropId: 'lettuce', plantedOn: today }] },
      startOn: today,
    };
    const depth = part(because(first(lettuce)), 'depth');
    expect(depth.value).toBe(Math.max(label(depth, 'Gone this morning'), label(depth, 'Settles the soil')));
  });

  test('the share that may go is the table’s, moved by the day’s use (FAO-56 table 22: sweetcorn 0.50)', () => {
    const tree = because(first({ bed: { ...bed().bed, goal: 'show' } }));
    expect(label(tree, 'The crop’s share')).toBeCloseTo(0.5, 9);
    const moved = label(tree, 'Its use today');
    expect(label(tree, 'Share that may go')).toBeCloseTo(
      Math.min(0.8, Math.max(0.1, 0.5 + 0.04 * (5 - moved))),
      9,
    );
  });

  test('the line is the school’s own', () => {
    const wilt = part(because(first({ school: 'hold to the first wilt' })), 'line');
    const held = label(wilt, 'It can hold');
    expect(wilt.value).toBeCloseTo((part(wilt, 'spare').value + held) / 2, 9);
  });

  test('what a day’s limits leave is told as the part that fits', () => {
    const watering = first({}, { litresPerDay: 60 });
    const depth = part(because(watering), 'depth');
    expect(depth.label).toBe('Part of it that fits today');
    expect(depth.value).toBeCloseTo(watering.run.localMm, 9);
    expect(depth.inputs[0]?.value).toBeCloseTo(watering.reason.wantedMm, 9);
  });

  test('days in hand rest on what is gone and what can be spared', () => {
    const full = ['2015-06-05', '2015-06-20', '2015-07-01', '2015-07-07'];
    const { beds } = plan({ irrigations: full.map((date) => ({ date, netMm: 60 })) });
    const leave = beds[0]?.leave;
    if (leave?.code !== 'enough in store' || !leave.because) throw new Error('it must have enough');
    expect(label(leave.because, 'Gone this morning')).toBeCloseTo(leave.depletionMm, 9);
    expect(label(leave.because, 'The root zone can spare')).toBeCloseTo(leave.readilyMm, 9);
  });
});

test('whatever the school and the method, a working ends in the minutes that are planned', () => {
  for (const school of SCHOOLS)
    for (const method of METHODS)
      for (const watering of plan({ school, delivery: { method, litresPerMinute: 9 } }).waterings) {
        expect(because(watering).value).toBeCloseTo(watering.run.minutes, 9);
        expect(part(because(watering), 'depth').value).toBeCloseTo(watering.run.localMm, 9);
      }
});
