import { describe, expect, test } from '@jest/globals';
import { quantile as quantileOf } from 'simple-statistics';
import { seattle, seattleSite } from '../../tests/seattle.ts';
import { actsOf } from '../care/alertActs.ts';
import { isSeenTo, stateOf, type Tick } from '../care/seenTo.ts';
import { addDays } from '../units/dates.ts';
import { alertGrounds, weatherAlerts, type WeatherAlert } from './alerts.ts';
import { alertsAhead } from './alertsAhead.ts';
import type { SourcedDay } from './completeWeather.ts';
import { BURST_C, drainDate } from './drainDate.ts';
import { forecastEnsemble } from './forecastEnsemble.ts';
import { referenceEt } from './referenceEt.ts';
import { weatherFan } from './weatherFan.ts';
import { yearsCompared } from './yearsCompared.ts';

const TODAY = '2026-07-14';
const site = { latitudeDeg: 46.9, elevationM: 112 };
const series = (count: number, change: (i: number) => Partial<SourcedDay> = () => ({}), from = TODAY) =>
  Array.from({ length: count }, (_, i): SourcedDay => ({
    date: addDays(from, i),
    tMinC: 14,
    tMaxC: 26,
    rainMm: 0,
    rainChance: 0.05,
    windMs: 2,
    rhMinPct: 40,
    source: 'forecast',
    ...change(i),
  }));

describe('how likely an alert is', () => {
  const heat = (tMaxC: number) => series(8, (i) => (i >= 2 && i < 6 ? { tMaxC } : {}));
  const chanceOf = (tMaxC: number): number | undefined =>
    alertsAhead(heat(tMaxC), TODAY, site).find(({ code }) => code === 'heat wave')?.chance;
  test('fierce heat is as good as certain, heat on the edge is not, and what is not forecast is not told', () => {
    expect(chanceOf(38)).toBeGreaterThan(0.95);
    expect(chanceOf(32.2)).toBeGreaterThan(0.2);
    expect(chanceOf(32.2)).toBeLessThan(0.85);
    expect(chanceOf(29)).toBeUndefined();
  });
  test('days nobody forecast raise nothing', () => {
    const made = heat(38).map((day) => ({ ...day, source: 'own record' as const }));
    expect(alertsAhead(made, TODAY, site)).toEqual([]);
  });
  test('a rain of an even chance is told at about that chance', () => {
    const rain = series(5, (i) => (i === 2 ? { rainMm: 35, rainChance: 0.5 } : {}));
    const [alert] = alertsAhead(rain, TODAY, site);
    expect(alert?.code).toBe('soaking rain');
    expect(alert?.chance).toBeGreaterThan(0.3);
    expect(alert?.chance).toBeLessThan(0.65);
  });
  test('a drying day is told in usual days of the month behind', () => {
    const behind = series(30, () => ({ source: 'record' }), addDays(TODAY, -30));
    const fierce = { tMaxC: 38, tMinC: 20, rhMinPct: 15, windMs: 7 };
    const ahead = series(3, (i) => (i === 1 ? fierce : {}));
    const alert = alertsAhead([...behind, ...ahead], TODAY, site).find(({ code }) => code === 'hot dry wind');
    const usual = referenceEt(behind[15] as SourcedDay, site).mm;
    expect(alert?.usualDays).toBeCloseTo(referenceEt(ahead[1] as SourcedDay, site).mm / usual, 1);
    expect(alert?.usualDays).toBeGreaterThan(1.5);
  });
});

describe('what an alert rests on', () => {
  test('each figure stands beside its limit', () => {
    const days = series(4, () => ({ tMaxC: 38, rhMinPct: 18, windMs: 6 }));
    const alert = weatherAlerts(days).find(({ code }) => code === 'hot dry wind') as WeatherAlert;
    expect(alertGrounds(alert, days)).toEqual([
      { figure: 'highest', side: 'at least', limit: 37, days: [{ date: TODAY, value: 38 }] },
      { figure: 'lowest humidity', side: 'at most', limit: 20, days: [{ date: TODAY, value: 18 }] },
      { figure: 'mean wind', side: 'at least', limit: 5, days: [{ date: TODAY, value: 6 }] },
    ]);
  });
  test('a warm dry wind is an alert of its own, a cold, a wet or an unmeasured one is not', () => {
    const codes = (change: Partial<SourcedDay>) => weatherAlerts(series(1, () => change)).map((a) => a.code);
    expect(codes({ windMs: 7 })).toEqual(['drying wind']);
    expect(codes({ windMs: 7, tMaxC: 12 })).toEqual([]);
    expect(codes({ windMs: 7, rainMm: 4 })).toEqual([]);
    expect(codes({ windMs: undefined })).toEqual([]);
  });
});

describe('what is asked, and what was seen to', () => {
  const facts = { bedsToReady: 0, overhead: false, timers: false, woody: false };
  test('only what bites in this garden is asked', () => {
    expect(actsOf('soaking rain', facts)).toEqual(['ready the barrels']);
    expect(actsOf('soaking rain', { ...facts, timers: true })).toContain('stop the timers');
    expect(actsOf('drying wind', { ...facts, overhead: true })).toContain('no sprinkler');
  });
  const heat: WeatherAlert = {
    code: 'heat wave',
    from: '2026-07-16',
    until: '2026-07-19',
    days: 4,
    highestC: 35,
  };
  const ticks: Tick[] = [{ ...stateOf(heat), act: 'shade pots and trays' }];
  const seen = (change: Partial<typeof heat>): boolean =>
    isSeenTo(ticks, stateOf({ ...heat, ...change }), 'shade pots and trays');
  test('the forecast may move by a day or two; another heat wave, or a much worse one, is asked about anew', () => {
    expect(seen({})).toBe(true);
    expect(seen({ from: '2026-07-17', until: '2026-07-21' })).toBe(true);
    expect(seen({ from: '2026-07-28', until: '2026-07-31' })).toBe(false);
    expect(seen({ highestC: 37 })).toBe(true);
    expect(seen({ highestC: 39 })).toBe(false);
    expect(isSeenTo(ticks, stateOf(heat), 'ready the beds')).toBe(false);
  });
});

describe('the day to drain', () => {
  const dates = [0, 1, 2, 3, 4].map((i) => addDays('2026-11-10', i));
  // Ten ways: dawn by dawn, how many of them are how cold. Today's is past.
  const lows = Array.from({ length: 10 }, (_, m) => [
    -12,
    m < 1 ? -2 : 1,
    m < 3 ? -5 : 0,
    m < 4 ? -8 : -1,
    m < 6 ? -10 : -3,
  ]).flat();
  test('each household drains on the day before its own night, and is told what waiting risks', () => {
    expect(drainDate(dates, lows, 'early')).toMatchObject({
      drainOn: '2026-11-10',
      night: { date: '2026-11-11', chance: 0.1 },
      burstBefore: 0,
    });
    expect(drainDate(dates, lows, 'usual')).toMatchObject({
      drainOn: '2026-11-11',
      night: { date: '2026-11-12', chance: 0.3 },
    });
    const late = drainDate(dates, lows, 'late');
    expect(late).toMatchObject({ drainOn: '2026-11-13', night: { date: '2026-11-14', chance: 0.6 } });
    // Four of ten ways pass the bursting point in the night before.
    expect(late.burstBefore).toBeCloseTo(0.4, 9);
    expect(late.burstUndrained).toBeCloseTo(0.6, 9);
  });
  test('20 °F is where lines burst; without such a night there is no day', () => {
    expect(BURST_C).toBeCloseTo(((20 - 32) * 5) / 9, 1);
    expect(drainDate(dates, new Float64Array(50).fill(4), 'early')).toEqual({
      drainOn: null,
      night: null,
      burstBefore: 0,
      burstUndrained: 0,
    });
  });
});

describe('the fan', () => {
  const days = series(10, (i) => (i === 6 ? { rainMm: 12, rainChance: 0.6 } : {}));
  const ensemble = forecastEnsemble({ days, site, members: 200, seed: 5 });
  const fan = weatherFan(days, ensemble);
  test('bands are what a textbook’s quantiles of the members are, and widen', () => {
    const highs = (d: number): number[] =>
      Array.from({ length: 200 }, (_, m) => ensemble.tMax[m * 10 + d] as number);
    for (const d of [0, 4, 9]) {
      expect(fan[d]?.highC[0]).toBeCloseTo(quantileOf(highs(d), 0.1), 0);
      expect(fan[d]?.highC[2]).toBeCloseTo(quantileOf(highs(d), 0.9), 0);
    }
    const wide = (d: number): number => (fan[d]?.highC[2] ?? 0) - (fan[d]?.highC[0] ?? 0);
    expect(wide(9)).toBeGreaterThan(2 * wide(0));
  });
  test('rain comes at its chance, and what is lacking adds up', () => {
    expect(fan[6]?.wetChance).toBeGreaterThan(0.5);
    expect(fan[6]?.wetChance).toBeLessThan(0.7);
    expect(fan[2]?.wetChance).toBeLessThan(0.15);
    const use = days.map((day) => referenceEt(day, site).mm);
    // Until the rain the middle of the fan is what a usual day uses, day after day.
    expect(fan[5]?.lackMm[1]).toBeCloseTo(
      use.slice(0, 6).reduce((a, b) => a + b, 0),
      -0.5,
    );
  });
});

describe('this year among the years', () => {
  const record = seattle.map((day) => ({ ...day, et0Mm: referenceEt(day, seattleSite).mm }));
  const until = (today: string) => record.filter(({ date }) => date < today);
  // Washington declared a drought in May 2015 and its spring and early summer were the driest of these years (state climatologist).
  test('Seattle’s drought of 2015 stands out by the end of July', () => {
    const years = yearsCompared(until('2015-08-01'), '2015-08-01', 47.45);
    expect(years?.from).toBe('2015-03-01');
    expect(years?.before.map(({ year }) => year)).toEqual([2012, 2013, 2014]);
    expect(years?.stands).toMatchObject({ drierThan: 3, of: 3 });
    expect(years?.stands?.lackMm).toBeGreaterThan((years?.stands?.usualMm ?? 0) + 50);
  });
  test('in the south a season runs over the turn of the year; with too many gaps there is none', () => {
    const south = yearsCompared(until('2015-02-01'), '2015-02-01', -38);
    expect(south?.from).toBe('2014-09-01');
    expect(south?.before.map(({ year }) => year)).toEqual([2012, 2013]);
    expect(
      yearsCompared(
        until('2015-08-01').filter((_, i) => i % 3 > 0),
        '2015-08-01',
        47.45,
      ),
    ).toBeNull();
    expect(yearsCompared([], '2015-08-01', 47.45)).toBeNull();
  });
});
