import { describe, expect, test } from '@jest/globals';
import { VESSEL_KINDS } from '../places/vessel/vesselKinds.ts';
import type { VesselInput } from '../places/vessel/vesselModel.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { weatherSeries } from '../weather/weatherSeries.ts';
import type { DatedPotEntry } from './entries.ts';
import { planPot, type PotPlan } from './planPot.ts';
import type { Pot } from './pots.ts';
import { potTasks } from './potTasks.ts';
import { usualWay } from './ways.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };

/** Days of one kind of weather: night, day, humidity by day and by night, wind. */
const WEATHERS = {
  mild: [10, 20, 50, 85, 2],
  hot: [18, 34, 25, 75, 2.5],
  extreme: [26, 45, 12, 50, 4],
  frosty: [-8, -2, 60, 90, 2],
  arctic: [-30, -20, 60, 90, 2],
} as const;
type Kind = keyof typeof WEATHERS;
const dayOf = (date: IsoDate, kind: Kind): SourcedDay => {
  const [tMinC, tMaxC, rhMinPct, rhMaxPct, windMs] = WEATHERS[kind];
  return {
    date,
    tMinC,
    tMaxC,
    rhMinPct,
    rhMaxPct,
    windMs,
    rainMm: 0,
    rainChance: 0,
    source: 'record',
  };
};

interface Options {
  from?: IsoDate;
  entries?: DatedPotEntry[];
  seedlings?: boolean;
  before?: Kind;
  earlier?: Pot['earlier'];
}
const DAYS = 28;
/** A pot full on a morning, and four weeks of one kind of weather ahead. */
function plan(vessel: VesselInput, kind: Kind, options: Options = {}): { plan: PotPlan; pot: Pot } {
  const { from = '2026-07-01', entries = [], seedlings = false, before = kind, earlier } = options;
  const begins = addDays(from, -30);
  const weather = Array.from({ length: 30 + DAYS }, (_, i) => {
    const date = addDays(begins, i);
    return dayOf(date, date < from ? before : kind);
  });
  const pot: Pot = {
    id: 1,
    seedlings,
    vessel,
    earlier,
    startOn: earlier ? begins : from,
    startFullness: 1,
    way: usualWay(vessel, seedlings).way,
    entries,
  };
  const made = planPot(pot, {
    today: from,
    days: DAYS,
    weather: { from: begins, series: weatherSeries(weather, site), latitudeDeg: site.latitudeDeg },
    sourced: weather.filter(({ date }) => date >= from),
    ensemble: null,
    nights: weather.filter(({ date }) => date < from),
  });
  return { plan: made, pot };
}
/** Days on which it stays full enough, from a full pot on; the horizon where none comes. */
const daysBetweenWaterings = (vessel: VesselInput, kind: Kind, options: Options = {}): number => {
  const { givings } = plan(vessel, kind, options).plan;
  const dates = givings.map(({ date }) => daysBetween('2026-07-01', date));
  return dates.length < 2 ? (dates[0] ?? DAYS) : ((dates.at(-1) ?? 0) - (dates[0] ?? 0)) / (dates.length - 1);
};
const of = (cropId: string, plantedOn = '2026-05-20') => [{ cropId, plantedOn, method: 'pot' as const }];
const vessel = (change: Partial<VesselInput> & Pick<VesselInput, 'plantings'>): VesselInput => ({
  mix: 'standard',
  material: 'plastic',
  ...change,
});
const tomato = vessel({ volumeL: 20, plantings: of('tomato') });
const cactus = (volumeL: number): VesselInput =>
  vessel({ volumeL, mix: 'gritty', material: 'terracotta', plantings: of('globe-cactus', '2020-05-01') });
const rose = (roots: VesselInput['roots']): VesselInput =>
  vessel({ volumeL: 10, roots, plantings: of('rose', '2026-04-01') });

describe('how often pots of all sizes are watered', () => {
  /*
   * Ranges in days from container guides of extension services and nurseries, from memory: small pots daily and twice in great
   * heat; pots of 10 to 20 L every second to fourth day in mild weather and daily in heat; large tubs every few days to weekly;
   * succulents one to three weeks apart, half of that in great heat in unglazed clay; houseplants about weekly.
   */
  test.each<[string, VesselInput, Kind, low: number, high: number]>([
    ['a cell of 0.2 L', vessel({ volumeL: 0.2, plantings: of('lettuce') }), 'mild', 1, 1.5],
    ['basil in 1.5 L', vessel({ volumeL: 1.5, plantings: of('basil') }), 'mild', 1, 3],
    ['pepper in 10 L', vessel({ volumeL: 10, plantings: of('sweet-pepper') }), 'mild', 2, 4],
    ['the same in heat', vessel({ volumeL: 10, plantings: of('sweet-pepper') }), 'hot', 1, 2],
    ['tomato in 20 L', tomato, 'mild', 2, 5],
    ['the same in heat', tomato, 'hot', 1, 2],
    ['the same at 45 °C', tomato, 'extreme', 1, 1],
    ['tomato in a fabric sack', { ...tomato, material: 'fabric' }, 'hot', 1, 1.5],
    [
      'lettuce in a 100 L trough',
      vessel({ volumeL: 100, material: 'wood', plantings: of('lettuce') }),
      'mild',
      4,
      8,
    ],
    ['the same in heat', vessel({ volumeL: 100, material: 'wood', plantings: of('lettuce') }), 'hot', 2, 4],
    [
      'an apple in 1,000 L',
      vessel({ volumeL: 1000, mix: 'soil-based', plantings: of('apple', '2018-05-01') }),
      'mild',
      7,
      21,
    ],
    ['a cactus in 0.5 L of clay', cactus(0.5), 'mild', 4, 10],
    ['a cactus in 2.5 L of clay', cactus(2.5), 'mild', 7, 21],
    ['the same in heat', cactus(2.5), 'hot', 3.5, 10],
    [
      'a spider plant in a room',
      vessel({ volumeL: 2, indoors: true, plantings: of('spider-plant', '2024-01-01') }),
      'mild',
      5,
      12,
    ],
  ])('%s, %#: within the range of container guides (from memory)', (_name, pot, kind, low, high) => {
    const days = daysBetweenWaterings(pot, kind);
    expect(days).toBeGreaterThanOrEqual(low);
    expect(days).toBeLessThanOrEqual(high);
  });

  test('unglazed clay and fabric dry faster than plastic, but not twice as fast (common practice)', () => {
    const basil = (material: VesselInput['material']) =>
      plan(vessel({ volumeL: 1.5, material, plantings: of('basil') }), 'hot').plan.dayUseMl;
    for (const material of ['terracotta', 'fabric'] as const) {
      expect(basil(material)).toBeGreaterThan(1.1 * basil('plastic'));
      expect(basil(material)).toBeLessThan(2 * basil('plastic'));
    }
  });

  test('a pot with a new plant lasts at least half as long again as a root-bound one (common practice)', () => {
    // Days that what goes easily lasts, without the whole days of a plan.
    const days = (roots: VesselInput['roots'], kind: Kind): number => {
      const { easyMl, dayUseMl } = plan(rose(roots), kind).plan;
      return easyMl / dayUseMl;
    };
    for (const kind of ['mild', 'hot'] as const)
      expect(days('young', kind)).toBeGreaterThanOrEqual(1.5 * days('root-bound', kind));
  });

  test('a hanging basket wants one to two litres or so a time in heat, and twice a day when it is extreme (common practice)', () => {
    const declared = vessel({ topM: 0.35, heightM: 0.18, material: 'fabric', plantings: of('petunia') });
    const basket = VESSEL_KINDS.basket?.asBuilt?.(declared) ?? declared;
    const [first] = plan(basket, 'hot').plan.givings;
    expect(first?.date).toBe('2026-07-02');
    expect(first?.millilitres).toBeGreaterThan(1000);
    expect(first?.millilitres).toBeLessThan(2600);
    expect(plan(basket, 'extreme').plan.givings.every(({ again }) => again !== null)).toBe(true);
    // The same pot on the ground drinks less.
    expect(plan(basket, 'hot').plan.dayUseMl).toBeGreaterThan(1.2 * plan(declared, 'hot').plan.dayUseMl);
  });
});

describe('pots without a hole', () => {
  const noHole = vessel({ volumeL: 10, noHole: true, plantings: of('basil') });
  test('what is planned never stands in it: the exact dose, and nothing runs through (common practice)', () => {
    expect(usualWay(noHole).way).toBe('exact dose');
    const { plan: made } = plan(noHole, 'hot');
    for (const { millilitres } of made.givings) expect(millilitres).toBeLessThan(made.holdsMl);
    expect(made.standsMl).toBe(0);
  });
  test('rain that cannot run out stands in it, and the task says to tip it out; with a hole it is gone', () => {
    const wet = (pot: VesselInput) => {
      const entries: DatedPotEntry[] = [
        {
          date: '2026-07-01',
          hour: 7,
          entry: { kind: 'given', millilitres: 6000, how: 'poured' },
        },
      ];
      return plan(pot, 'mild', { entries });
    };
    const { plan: made, pot } = wet(noHole);
    expect(made.standsMl).toBeGreaterThan(500);
    const codes = (at: ReturnType<typeof wet>): string[] =>
      potTasks({
        pot: at.pot,
        plan: at.plan,
        today: '2026-07-01',
        latitudeDeg: site.latitudeDeg,
        weather: [],
        changedOn: null,
      }).map(({ code }) => code);
    expect(codes({ plan: made, pot })).toContain('tip out');
    expect(codes(wet({ ...noHole, noHole: undefined }))).not.toContain('tip out');
  });
});

describe('pots in the cold', () => {
  const winter = { from: '2026-12-16' } as const;

  test('nothing is asked of a frozen pot outdoors; one in a room or under glass goes on', () => {
    const olive = vessel({ volumeL: 40, plantings: of('olive', '2020-05-01') });
    for (const kind of ['frosty', 'arctic'] as const)
      expect(plan(olive, kind, winter).plan).toMatchObject({
        give: null,
        leave: { code: 'frozen' },
        givings: [],
      });
    const indoors = plan({ ...olive, indoors: true }, 'frosty', winter).plan;
    expect(indoors.leave?.code).not.toBe('frozen');
  });

  test('frost kills an annual outdoors: it is asked for nothing more, in a thaw neither, and no task is left', () => {
    const { plan: made, pot } = plan(tomato, 'mild', { ...winter, before: 'frosty' });
    expect(made).toMatchObject({
      give: null,
      givings: [],
      leave: { code: 'killed by frost', on: '2026-11-16' },
      lastsUntil: null,
    });
    const tasks = potTasks({ pot, plan: made, ...where, weather: [], changedOn: null });
    expect(tasks).toEqual([]);
  });
  const where = { today: '2026-12-16', latitudeDeg: site.latitudeDeg };

  test('what stood in a room through the frost lives, and so does what somebody saw recover', () => {
    const inside: VesselInput = { ...tomato, indoors: true };
    const moved = plan(tomato, 'mild', {
      ...winter,
      before: 'frosty',
      earlier: [{ until: '2026-12-16', vessel: inside }],
    });
    expect(moved.plan.leave?.code).not.toBe('killed by frost');
    const seen = plan(tomato, 'mild', {
      ...winter,
      before: 'frosty',
      entries: [{ date: '2026-12-16', hour: 8, entry: { kind: 'seen', sign: 'recovered' } }],
    });
    expect(seen.plan.leave?.code).not.toBe('killed by frost');
  });

  test('cold roots drink less: a pot at 3 °C takes under half of what the same demand takes in the warm', () => {
    const olive = vessel({ volumeL: 40, plantings: of('olive', '2020-05-01') });
    const [cold, warm] = [
      { ...dayOf('2026-11-01', 'mild'), tMinC: 0, tMaxC: 4 },
      dayOf('2026-11-01', 'mild'),
    ];
    const series = weatherSeries(
      [cold, { ...cold, date: '2026-11-02' }, { ...cold, date: '2026-11-03' }],
      site,
    );
    // Two fifths of the way from freezing to 5 °C.
    expect(series.potWarmth[2]).toBeCloseTo(2 / 5, 9);
    expect(weatherSeries([warm], site).potWarmth[0]).toBe(1);
    expect(plan(olive, 'frosty', winter).plan.dayUseMl).toBeLessThan(
      plan(olive, 'mild', winter).plan.dayUseMl,
    );
  });
});

describe('trays that were sown', () => {
  const tray = (plantedOn: string): VesselInput =>
    vessel({
      trough: true,
      topM: 0.36,
      baseM: 0.22,
      heightM: 0.05,
      mix: 'seed',
      plantings: [{ cropId: 'lettuce', plantedOn }],
    });
  const tasks = (plantedOn: string, change: Partial<VesselInput> = {}) => {
    const today = '2026-03-20';
    const { plan: made, pot } = plan({ ...tray(plantedOn), ...change }, 'frosty', {
      from: today,
      seedlings: true,
    });
    const cold = [dayOf(today, 'frosty'), dayOf(addDays(today, 1), 'frosty')];
    return potTasks({
      pot,
      plan: { ...made, leave: null, heldMl: made.holdsMl },
      today,
      latitudeDeg: site.latitudeDeg,
      weather: cold,
      changedOn: null,
    }).map(({ code }) => code);
  };
  test('before they are up they are kept moist and not told to dry; in a room no cold night is told of', () => {
    expect(tasks('2026-03-19')).toContain('keep moist');
    expect(tasks('2026-03-19')).not.toContain('damping off');
    expect(tasks('2026-03-05')).toContain('damping off');
    expect(tasks('2026-03-05', { indoors: true })).not.toContain('damping off');
  });
  test('they are to be pricked out for some weeks, not for months', () => {
    expect(tasks('2026-02-20')).toContain('prick out');
    expect(tasks('2025-10-20')).not.toContain('prick out');
  });
});

describe('a dry spell of a potted potato', () => {
  const sack = vessel({ volumeL: 40, material: 'fabric', plantings: of('potato', '2026-05-25') });
  const began = (days = 6): DatedPotEntry => ({
    date: '2026-07-01',
    hour: 8,
    entry: { kind: 'dry spell', what: 'start', days },
  });
  const codes = (pot: Pot, made: PotPlan): string[] =>
    potTasks({ pot, plan: made, today: '2026-07-01', latitudeDeg: 46.9, weather: [], changedOn: null }).map(
      ({ code }) => code,
    );

  test('is offered once it is tall enough, and only once (common practice: at about 15 cm)', () => {
    const { plan: made, pot } = plan(sack, 'mild');
    expect(codes(pot, made)).toContain('dry spell');
    const young = plan({ ...sack, plantings: of('potato', '2026-06-28') }, 'mild');
    expect(codes(young.pot, young.plan)).not.toContain('dry spell');
    const held = plan(sack, 'mild', { entries: [began()] });
    expect(codes(held.pot, held.plan)).not.toContain('dry spell');
  });
  test('is not begun in heat', () => {
    const { plan: made, pot } = plan(sack, 'hot');
    const tasks = potTasks({
      pot,
      plan: made,
      today: '2026-07-01',
      latitudeDeg: 46.9,
      weather: [dayOf('2026-07-01', 'hot')],
      changedOn: null,
    });
    expect(tasks.map(({ code }) => code)).not.toContain('dry spell');
  });
  test('holds its water back for six days, and droop or a word ends it at once', () => {
    const held = plan(sack, 'hot', { entries: [began()] }).plan;
    expect(held.leave).toEqual({ code: 'held dry', until: '2026-07-07' });
    expect(held.givings[0]?.date).toBe('2026-07-07');
    const hung: DatedPotEntry = { date: '2026-07-01', hour: 14, entry: { kind: 'seen', sign: 'droops' } };
    expect(plan(sack, 'hot', { entries: [began(), hung] }).plan.leave?.code).not.toBe('held dry');
    const ended: DatedPotEntry = {
      date: '2026-07-01',
      hour: 14,
      entry: { kind: 'dry spell', what: 'end', days: 1 },
    };
    expect(plan(sack, 'hot', { entries: [began(), ended] }).plan.leave?.code).not.toBe('held dry');
  });
});
