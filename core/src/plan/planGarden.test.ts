import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite as site, seattleTomatoes as tomatoes } from '../../tests/seattle.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { weekdayOf } from '../units/weekdays.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import type { ForecastDay } from '../weather/types.ts';
import { followSeason } from '../compare/followSeason.ts';
import { planGarden } from './planGarden.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import type { PlanBed } from '../follow/types.ts';
import { rootDoubt } from '../follow/waysOfRoots.ts';

const planOn = (
  today: string,
  beds: PlanBed[],
  forecast: ForecastDay[] = [],
  constraints: PlanConstraints = {},
) =>
  planGarden(
    { site, beds },
    completeWeather({
      record: seattle,
      forecast,
      site,
      from: '2015-05-15',
      to: addDays(today, 13),
      today: addDays(today, -1),
    }),
    constraints,
    { today },
  );

/** The whole summer with the plan followed every day. */
const season = followSeason({
  site,
  bed: tomatoes,
  weather: seattle
    .filter((day) => day.date >= '2015-05-15' && day.date <= '2015-09-30')
    .map((day) => ({ ...day, source: 'record' as const, rainChance: 1 })),
  to: '2015-09-30',
});

describe('tomatoes on loam in the real summer of 2015', () => {
  test('a plan followed all season waters the dry months and not after the soaking rains', () => {
    const months = season.map((w) => w.date.slice(0, 7));
    expect(months.filter((m) => m === '2015-07').length).toBeGreaterThanOrEqual(3);
    // 38 mm fell on 12–14 August, 43 mm on 29–30 August.
    for (const [from, to] of [
      ['2015-08-13', '2015-08-18'],
      ['2015-08-29', '2015-09-03'],
    ]) {
      expect(season.filter((w) => w.date >= String(from) && w.date <= String(to))).toEqual([]);
    }
  });

  test('once the roots are down, every watering reaches as deep as a good test probe goes (common practice: 200 mm)', () => {
    const grown = season.filter((w) => w.date >= '2015-07-01');
    for (const watering of grown) expect(watering.reachesMm).toBeGreaterThanOrEqual(200);
  });

  test('litres, depth and minutes are one thing: 1 mm on 1 m² is 1 L', () => {
    for (const { run } of season) {
      // A wand: 92 % reaches the soil, at an evenness of 0.87 (scheduling multiplier 1 ÷ (0.4 + 0.6 DU)).
      expect(run.litres * 0.92 * (0.4 + 0.6 * 0.87)).toBeCloseTo(run.bedMm * 10, 6);
      expect(run.litres * 0.92).toBeCloseTo(run.arrivesMm * 10, 6);
      expect(run.minutes * 20).toBeCloseTo(run.litres, 6);
    }
  });
});

describe('roots as a belief', () => {
  const tended = ['2015-06-10', '2015-06-20', '2015-06-28'].map((date) => ({ date, netMm: 45 }));
  const bed = { ...tomatoes, irrigations: tended };
  const roots = (rootBelief?: PlanBed['rootBelief']) =>
    planOn('2015-07-08', [{ ...bed, rootBelief }]).beds[0];
  test('the deeper they go, the more it can spare; the plan counts on one of them', () => {
    const ways = roots()?.roots ?? [];
    expect(ways.map(({ depth }) => depth)).toEqual(['shallow', 'middle', 'deep']);
    expect(ways.map(({ counted }) => counted)).toEqual([false, true, false]);
    const spare = ways.map(({ readilyMm }) => readilyMm);
    expect(spare).toEqual([...spare].sort((a, b) => a - b));
    const doubt = rootDoubt(ways);
    expect(doubt?.countedMm).toBeLessThan(doubt?.upToMm ?? 0);
    expect(doubt?.leftIfDeepMm).toBeCloseTo((ways[2]?.readilyMm ?? 0) - (ways[2]?.depletionMm ?? 0), 12);
    expect(rootDoubt(ways.slice(0, 1))).toBeNull();
  });
  test('the window is as wide as the roots are in doubt, and a dig narrows it', () => {
    const late = (rootBelief?: PlanBed['rootBelief']): string => roots(rootBelief)?.window?.late ?? '9';
    expect(late({ shallow: 0.96, middle: 0.02, deep: 0.02 }) < late()).toBe(true);
    const deep = roots({ shallow: 0.01, middle: 0.04, deep: 0.95 });
    expect(deep?.roots.find(({ counted }) => counted)?.depth).toBe('deep');
    expect((deep?.next?.date ?? '9') >= (roots()?.next?.date ?? '')).toBe(true);
  });
});

describe('days closed to watering: plan and window go by one rule', () => {
  const tended = ['2015-06-10', '2015-06-20', '2015-06-28', '2015-07-05'].map((date) => ({
    date,
    netMm: 45,
  }));
  const bed = { ...tomatoes, irrigations: tended };
  const weather = completeWeather({
    record: seattle,
    forecast: [],
    site,
    from: '2015-05-15',
    to: '2015-07-21',
    today: '2015-07-07',
  });
  const sandy: PlanBed = {
    ...bed,
    bed: {
      ...bed.bed,
      ground: { horizons: [{ textureClass: 'sand' }] },
      plantings: [{ cropId: 'onion', plantedOn: '2015-05-15' }],
    },
  };
  const on = (weekdays: number[], roots?: PlanBed['rootBelief'], of: PlanBed = bed) =>
    planGarden(
      { site, beds: [{ ...of, rootBelief: roots }] },
      weather,
      { weekdays },
      { today: '2015-07-08' },
    );
  test('a garden open on one day a week is watered on that day alone, and told what the closed ones cost it', () => {
    const costs = [0, 1, 2, 3, 4, 5, 6].map((open) => {
      const { waterings, givenUp } = on([open], undefined, sandy);
      for (const { date } of waterings) expect(weekdayOf(date)).toBe(open);
      for (const cost of givenUp) expect(cost).toMatchObject({ bedId: 1, by: 'closed days' });
      return givenUp[0]?.lostShare ?? 0;
    });
    expect(Math.max(...costs)).toBeGreaterThan(0.02);
    expect(on([0, 1, 2, 3, 4, 5, 6], undefined, sandy).givenUp).toEqual([]);
  });
  test('no date of the window lies on a closed day, and the plan’s lies in it', () => {
    const { beds, waterings } = on([2, 5], { shallow: 1, middle: 0, deep: 0 });
    const window = beds[0]?.window;
    for (const date of [window?.early, window?.likely, window?.late])
      if (date) expect([2, 5]).toContain(new Date(`${date}T12:00:00Z`).getUTCDay());
    const first = waterings[0]?.date ?? '';
    expect(first >= (window?.early ?? '9') && first <= (window?.late ?? '9')).toBe(true);
    // Asked only when, it says the same.
    const { early, likely, late, onDays } = window ?? {};
    expect(beds[0]?.dates).toEqual({ early, likely, late, onDays });
  });
});

describe('the end of a crop', () => {
  const lettuce: PlanBed = {
    ...tomatoes,
    bed: { ...tomatoes.bed, plantings: [{ cropId: 'lettuce', plantedOn: '2015-05-15' }] },
  };
  test('an annual past ripening asks for nothing, says why, and has what is set by hand', () => {
    const { waterings, beds } = planOn('2015-09-10', [lettuce]);
    expect(waterings).toEqual([]);
    expect(beds[0]?.leave).toEqual({ code: 'ripened', on: '2015-07-29' });
    expect(beds[0]?.missedL).toBe(0);
    const fixed = [{ date: '2015-09-12', localMm: 10 }];
    expect(planOn('2015-09-10', [{ ...lettuce, fixed }]).waterings.map(({ date }) => date)).toEqual([
      '2015-09-12',
    ]);
  });
  test('killed by frost while it grew, or ripened before there was any', () => {
    const night = (date: string, tMinC: number) => ({ date, tMinC, tMaxC: 12, rainMm: 0 });
    const leaveOn = (cropId: string, plantedOn: string) =>
      planGarden(
        {
          site,
          beds: [
            { ...lettuce, startOn: plantedOn, bed: { ...lettuce.bed, plantings: [{ cropId, plantedOn }] } },
          ],
        },
        completeWeather({
          record: Array.from({ length: 40 }, (_, i) => night(addDays('2015-09-20', i), i === 20 ? -3 : 6)),
          forecast: [],
          site,
          from: plantedOn,
          to: '2015-11-12',
          today: '2015-10-29',
        }),
        {},
        { today: '2015-10-30', members: 0 },
      ).beds[0]?.leave;
    expect(leaveOn('courgette', '2015-05-20')).toEqual({ code: 'killed by frost', on: '2015-10-10' });
    expect(leaveOn('sweetcorn', '2015-05-20')).toMatchObject({ code: 'ripened' });
  });
  test('seen in full leaf, it goes on', () => {
    const plantings = lettuce.bed.plantings.map((p) => ({
      ...p,
      seen: [{ stage: 'in full leaf' as const, on: '2015-09-09' }],
    }));
    const { waterings } = planOn('2015-09-10', [{ ...lettuce, bed: { ...lettuce.bed, plantings } }]);
    expect(waterings.length).toBeGreaterThan(0);
  });
});

describe('today', () => {
  test('a bed that cannot wait is watered, with the reason in figures', () => {
    const plan = planOn('2015-07-08', [tomatoes]);
    const [first] = plan.waterings;
    expect(first?.date).toBe('2015-07-08');
    const { waiting } = first?.reason ?? {};
    expect(waiting?.due).not.toBeNull();
    const over = (waiting?.missedShare ?? 0) > (waiting?.allowedShare ?? 1);
    const under = (waiting?.lowestKs ?? 1) < (waiting?.floor ?? 0);
    expect(over || under).toBe(true);
  });

  test('once watered it is left alone, and the next date lies days ahead', () => {
    const netMm = planOn('2015-07-08', [tomatoes]).waterings[0]?.reason.depletionMm ?? 0;
    const watered = { ...tomatoes, irrigations: [{ date: '2015-07-08', netMm }], settledToday: true };
    const outlook = planOn('2015-07-08', [watered]).beds[0];
    expect(outlook?.leave?.code).toBe('settled today');
    // Common practice: after a proper soak 2 days to a week go by.
    expect(daysBetween('2015-07-08', outlook?.next?.date ?? '')).toBeGreaterThanOrEqual(2);
  });

  test('likely soaking rain before the next round is waited for; the same rain at a low chance is not', () => {
    // 8 July 2015 was a Wednesday; the next round is on Saturday.
    const rounds = { weekdays: [3, 6] };
    const today = '2015-07-08';
    const dry = { date: today, tMinC: 15, tMaxC: 27, rainMm: 0, rainChance: 0 };
    const rain = (rainMm: number, rainChance: number): ForecastDay[] => [
      dry,
      { ...dry, date: addDays(today, 1), rainMm, rainChance },
      { ...dry, date: addDays(today, 2) },
    ];
    const on = (startFullness: number, forecast: ForecastDay[]) =>
      planOn(today, [{ ...tomatoes, startOn: '2015-07-06', startFullness }], forecast, { rounds });
    const isDue = (plan: ReturnType<typeof on>): boolean => plan.waterings[0]?.date === today;
    /** The fullest bed that cannot wait until Saturday when no rain comes. */
    const full = Array.from({ length: 60 }, (_, i) => 0.9 - i / 100).find((f) => isDue(on(f, rain(0, 0))));
    expect(isDue(on(full ?? 0, rain(0, 0)))).toBe(true);
    const { leave } = on(full ?? 0, rain(40, 0.9)).beds[0] ?? {};
    expect(leave).toMatchObject({ code: 'rain coming', on: addDays(today, 1), chance: 0.9 });
    expect(isDue(on((full ?? 0) - 0.05, rain(40, 0.1)))).toBe(true);
    // Rain expected on the day itself is the reason told, not a store that is not there.
    const now = [{ ...dry, rainMm: 40, rainChance: 0.9 }, ...rain(0, 0).slice(1)];
    expect(on(full ?? 0, now).beds[0]?.leave).toMatchObject({ code: 'rain coming', on: today });
  });

  test('a limit on a person’s minutes leaves out what does not fit, and says so', () => {
    const dry = { ...tomatoes, startOn: '2015-07-01', startFullness: 0.2 };
    const beds = [1, 2, 3].map((id) => ({ ...dry, id }));
    const weather = completeWeather({
      record: seattle,
      forecast: [],
      site,
      from: '2015-05-15',
      to: '2015-07-21',
      today: '2015-07-07',
    });
    const on = (minutesPerDay?: number) =>
      planGarden({ site, beds }, weather, { minutesPerDay }, { today: '2015-07-08' });
    const today = (plan: ReturnType<typeof on>) => plan.waterings.filter((w) => w.date === '2015-07-08');
    const each = today(on())[0]?.handsOnMinutes ?? 0;
    expect(today(on())).toHaveLength(3);
    const some = on(2.5 * each);
    expect(today(some)).toHaveLength(2);
    expect(some.leftOut.filter(({ date }) => date === '2015-07-08')).toHaveLength(1);
  });

  test('refuses a horizon of 40 days and weather that stops short', () => {
    const weather = completeWeather({
      record: seattle,
      forecast: [],
      site,
      from: '2015-05-15',
      to: '2015-07-10',
      today: '2015-07-07',
    });
    expect(() =>
      planGarden({ site, beds: [tomatoes] }, weather, {}, { today: '2015-07-08', horizonDays: 40 }),
    ).toThrow(/horizonDays .*1 to 28 days; got 40/);
    expect(() => planGarden({ site, beds: [tomatoes] }, weather, {}, { today: '2015-07-08' })).toThrow(
      /weather must reach 2015-07-21/,
    );
  });
});
