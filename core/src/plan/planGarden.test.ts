import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite as site, seattleTomatoes as tomatoes } from '../../tests/seattle.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { completeWeather, type ForecastDay } from '../weather/completeWeather.ts';
import { followSeason } from '../compare/followSeason.ts';
import { planGarden } from './planGarden.ts';
import type { PlanBed } from '../follow/types.ts';
import { rootDoubt } from '../follow/waysOfRoots.ts';

const planOn = (today: string, beds: PlanBed[], forecast: ForecastDay[] = []) =>
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
    {},
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
    expect(ways.map(({ counted }) => counted)).toEqual([true, false, false]);
    const spare = ways.map(({ readilyMm }) => readilyMm);
    expect(spare).toEqual([...spare].sort((a, b) => a - b));
    const doubt = rootDoubt(ways);
    expect(doubt?.countedMm).toBeLessThan(doubt?.upToMm ?? 0);
    expect(doubt?.leftIfDeepMm).toBeCloseTo((ways[2]?.readilyMm ?? 0) - (ways[2]?.goneMm ?? 0), 12);
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
  const on = (weekdays: number[], roots?: PlanBed['rootBelief']) =>
    planGarden(
      { site, beds: [{ ...bed, rootBelief: roots }] },
      weather,
      { weekdays },
      { today: '2015-07-08' },
    );
  const free = on([0, 1, 2, 3, 4, 5, 6]).waterings[0]?.date ?? '';

  test('one closed day that costs the plants next to nothing brings no watering forward', () => {
    const weekday = new Date(`${free}T12:00:00Z`).getUTCDay();
    const others = [0, 1, 2, 3, 4, 5, 6].filter((day) => day !== weekday);
    const first = on(others).waterings[0];
    expect(first?.date).toBe(addDays(free, 1));
    expect(first?.reason.code).toBe('refill line');
  });
  test('a closed week that would cost them is filled before', () => {
    const weekday = new Date(`${addDays(free, -1)}T12:00:00Z`).getUTCDay();
    const first = on([weekday]).waterings[0];
    expect(first?.date).toBe(addDays(free, -1));
    expect(first?.reason.code).toBe('before closed days');
  });
  test('no date of the window lies on a closed day, and the plan’s lies in it', () => {
    const { beds, waterings } = on([2, 5], { shallow: 1, middle: 0, deep: 0 });
    const window = beds[0]?.window;
    for (const date of [window?.early, window?.likely, window?.late])
      if (date) expect([2, 5]).toContain(new Date(`${date}T12:00:00Z`).getUTCDay());
    const first = waterings[0]?.date ?? '';
    expect(first >= (window?.early ?? '9') && first <= (window?.late ?? '9')).toBe(true);
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
  test('a bed that would pass its line today is watered, with the reason in figures', () => {
    const plan = planOn('2015-07-08', [tomatoes]);
    const [first] = plan.waterings;
    expect(first?.date).toBe('2015-07-08');
    const reason = first?.reason;
    expect((reason?.depletionMm ?? 0) + (reason?.useTodayMm ?? 0)).toBeGreaterThan(reason?.readilyMm ?? 0);
  });

  test('once watered it is left alone, and the next date lies days ahead', () => {
    const netMm = planOn('2015-07-08', [tomatoes]).waterings[0]?.reason.depletionMm ?? 0;
    const watered = { ...tomatoes, irrigations: [{ date: '2015-07-08', netMm }], settledToday: true };
    const outlook = planOn('2015-07-08', [watered]).beds[0];
    expect(outlook?.leave?.code).toBe('settled today');
    // Common practice: after a proper soak 2 days to a week go by.
    expect(daysBetween('2015-07-08', outlook?.next?.date ?? '')).toBeGreaterThanOrEqual(2);
  });

  test('likely soaking rain tomorrow is waited for; the same rain at a low chance is not', () => {
    const before = (date: string): PlanBed => ({
      ...tomatoes,
      irrigations: season.filter((w) => w.date < date).map((w) => ({ date: w.date, netMm: w.run.bedMm })),
    });
    const rain = (date: string, rainChance: number): ForecastDay[] => [
      { date, tMinC: 13, tMaxC: 22, rainMm: 0, rainChance: 0 },
      { date: addDays(date, 1), tMinC: 13, tMaxC: 20, rainMm: 40, rainChance },
    ];
    const asks = (date: string, forecast: ForecastDay[]): boolean =>
      planOn(date, [before(date)], forecast).waterings[0]?.date === date;
    // A morning on which the bed is just at its line, whether usual weather or a mild day is to come.
    const today =
      season.slice(4).find(({ date }) => asks(date, []) && asks(date, rain(date, 0)))?.date ?? 'none';
    const atLine = before(today);
    expect(planOn(today, [atLine]).waterings[0]?.date).toBe(today);
    expect(planOn(today, [atLine], rain(today, 0.8)).beds[0]?.leave?.code).toBe('rain coming');
    expect(planOn(today, [atLine], rain(today, 0.2)).beds[0]?.leave?.code).not.toBe('rain coming');
    // Rain expected on the day itself is the reason told, not a store that is not there.
    const now: ForecastDay[] = [{ date: today, tMinC: 13, tMaxC: 22, rainMm: 40, rainChance: 0.9 }];
    expect(planOn(today, [atLine], now).beds[0]?.leave).toMatchObject({ code: 'rain coming', on: today });
  });

  test('a limit on minutes leaves out what does not fit, and says so', () => {
    const tended = ['2015-06-10', '2015-06-20', '2015-06-28'].map((date) => ({ date, netMm: 45 }));
    const beds = [1, 2, 3].map((id) => ({ ...tomatoes, irrigations: tended, id }));
    const weather = completeWeather({
      record: seattle,
      forecast: [],
      site,
      from: '2015-05-15',
      to: '2015-07-21',
      today: '2015-07-07',
    });
    const all = planGarden({ site, beds }, weather, {}, { today: '2015-07-08' });
    const minutes = all.waterings[0]?.run.minutes ?? 0;
    const some = planGarden(
      { site, beds },
      weather,
      { minutesPerDay: 2.5 * minutes },
      { today: '2015-07-08' },
    );
    expect(some.waterings.filter((w) => w.date === '2015-07-08')).toHaveLength(2);
    expect(some.leftOut).toHaveLength(1);
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
