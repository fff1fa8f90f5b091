import { describe, expect, test } from '@jest/globals';
import { addDays } from '../units/dates.ts';
import { balanceStart } from '../follow/balanceStart.ts';
import { completeWeather } from './completeWeather.ts';
import type { ForecastDay } from './types.ts';
import { explainManualForecast } from './explainManualForecast.ts';
import { forecastEnsemble } from './forecastEnsemble.ts';
import { ordinaryDay } from './ordinaryDay.ts';
import { dryGaps, rainAgainstUse } from './rainAgainstUse.ts';
import { referenceEt } from './referenceEt.ts';
import { HEATS, saidOfPast, manualForecastDay, SKIES, type ManualForecast } from './manualForecastDay.ts';
import { terrainOf, TERRAIN_M, TERRAINS } from './terrain.ts';
import type { Site } from './types.ts';

const site: Site = { latitudeDeg: 47, elevationM: 100 };
const today = '2026-07-14';
const usual = ordinaryDay(today, site);
const et0 = (said: ManualForecast, of: Site = site, date = today): number =>
  referenceEt(manualForecastDay(said, ordinaryDay(date, of), of), of).mm;

describe('a day said in words', () => {
  test('hotter words are hotter, and take more; a greyer sky takes less', () => {
    const highs = HEATS.map((heat) => manualForecastDay({ heat }, usual, site).tMaxC);
    expect(highs).toEqual([...highs].sort((a, b) => b - a));
    expect(new Set(highs).size).toBe(4);
    const uses = HEATS.map((heat) => et0({ heat, sky: 'mixed' }));
    expect(uses).toEqual([...uses].sort((a, b) => b - a));
    const skies = SKIES.map((sky) => et0({ heat: 'warm', sky }));
    expect(skies).toEqual([...skies].sort((a, b) => b - a));
  });
  // FAO-56 table 2 (from memory): temperate regions at over 25 °C take 4–7 mm humid and 6–9 arid; at about 10–15 °C 1–3.
  test('what the words come to lies where FAO-56’s table has it', () => {
    expect(et0({ heat: 'hot', sky: 'sun', wind: 'breeze' })).toBeGreaterThan(5.5);
    expect(et0({ heat: 'hot', sky: 'sun', wind: 'windy' })).toBeLessThan(9.5);
    expect(et0({ heat: 'cool', sky: 'grey', wind: 'still' })).toBeGreaterThan(0.8);
    expect(et0({ heat: 'cool', sky: 'grey', wind: 'still' })).toBeLessThan(3);
  });
  test('a word means what it does there and then: hot in January is no summer’s day, hot in a desert no spring one', () => {
    const winter = manualForecastDay({ heat: 'hot' }, ordinaryDay('2026-01-14', site), site);
    expect(winter.tMaxC).toBeLessThan(25);
    const desert: Site = { latitudeDeg: 33.4, elevationM: 340, summers: 'hot', air: 'dry' };
    expect(manualForecastDay({ heat: 'hot' }, ordinaryDay(today, desert), desert).tMaxC).toBeGreaterThan(41);
  });
  test('figures stand before words, and never is the night warmer than the day', () => {
    expect(manualForecastDay({ heat: 'hot', tMaxC: 36 }, usual, site).tMaxC).toBe(36);
    for (const said of [{ tMinC: 30 }, { tMaxC: 5 }, { tMinC: 30, heat: 'cool' as const }])
      for (const { tMinC, tMaxC } of [manualForecastDay(said, usual, site)])
        expect(tMinC).toBeLessThanOrEqual(tMaxC);
  });
  test('what is not said is as it would be: rain of the forecast, wind of the season', () => {
    const day = manualForecastDay({ heat: 'warm' }, { ...usual, rainMm: 7, rainChance: 0.4 }, site);
    expect(day).toMatchObject({ rainMm: 7, rainChance: 0.4, windMs: usual.windMs, rhMinPct: usual.rhMinPct });
  });
  test('of a measured day a thermometer counts, words do not, and low and high keep their order', () => {
    const record = { date: today, tMinC: 12, tMaxC: 24, rainMm: 1 };
    expect(saidOfPast({ heat: 'hot', rain: 'soaking' }, record)).toEqual(record);
    expect(saidOfPast({ tMaxC: 31 }, record)).toEqual({ ...record, tMaxC: 31 });
    expect(saidOfPast({ tMaxC: 9 }, record)).toEqual({ ...record, tMinC: 9, tMaxC: 9 });
    expect(saidOfPast({ tMinC: 26 }, record)).toEqual({ ...record, tMinC: 26, tMaxC: 26 });
  });
});

describe('the series with what was said in it', () => {
  const series = (said: Map<string, ManualForecast>, forecast: ForecastDay[] = []) =>
    completeWeather({
      record: [],
      forecast,
      said,
      site,
      from: addDays(today, -3),
      to: addDays(today, 5),
      today,
    });
  test('a day that was said says so; of a day behind it is known whether it rained', () => {
    const days = series(
      new Map([
        [addDays(today, -2), { rain: 'showers' }],
        [addDays(today, 1), { rain: 'showers' }],
      ]),
    );
    expect(days[1]).toMatchObject({ source: 'said', rainMm: 5, rainChance: 1 });
    expect(days[4]).toMatchObject({ source: 'said', rainMm: 5, rainChance: 0.6 });
    expect(days[2]?.source).toBe('ordinary day');
  });
  test('its rain comes in as many of the ways as its chance, and its heat has a doubt', () => {
    const days = series(new Map([[today, { heat: 'hot', rain: 'soaking' }]])).slice(3);
    const members = 1000;
    const { rain, et0: use } = forecastEnsemble({ days, site, members, seed: 3 });
    const wet = Array.from({ length: members }, (_, m) => rain[m * days.length] ?? 0);
    const share = wet.filter((mm) => mm > 0).length / members;
    expect(share).toBeGreaterThan(0.75);
    expect(share).toBeLessThan(0.85);
    const uses = Array.from({ length: members }, (_, m) => use[m * days.length] ?? 0).sort((a, b) => a - b);
    expect((uses[900] ?? 0) - (uses[100] ?? 0)).toBeGreaterThan(0.5);
  });
});

describe('where a balance begins', () => {
  test('on the day of which the ground was told, not on an older planting', () => {
    expect(balanceStart('2026-05-15', 'drying', today, today)).toEqual({
      startOn: today,
      startFullness: 0.65,
      startDoubt: 0.15,
    });
    expect(balanceStart('2012-04-01', 'soaked', today, addDays(today, -2))).toEqual({
      startOn: addDays(today, -2),
      startFullness: 1,
      startDoubt: 0.05,
    });
    // After three weeks of rain, waterings and drainage the word matters no more.
    expect(balanceStart(addDays(today, -30), 'moist', today)).not.toHaveProperty('startDoubt');
  });
  test('a planting after it, a day to come or no day told: with the planting', () => {
    for (const on of ['2026-04-01', addDays(today, 3), null])
      expect(balanceStart('2026-05-15', 'moist', today, on).startOn).toBe('2026-05-15');
  });
  test('wetter words are wetter', () => {
    const full = ['dry', 'drying', 'moist', 'soaked'].map(
      (word) => balanceStart(today, word, today).startFullness,
    );
    expect(full).toEqual([...full].sort((a, b) => a - b));
  });
});

describe('rain against use', () => {
  const day = (i: number, rainMm: number) => ({ date: addDays('2026-06-01', i), rainMm, et0Mm: 4 });
  test('is added up from a day on', () => {
    const days = [5, 0, 2, 0].map((mm, i) => day(i, mm));
    expect(rainAgainstUse(days, '2026-06-02')).toEqual([
      { date: '2026-06-02', rainMm: 0, useMm: 4 },
      { date: '2026-06-03', rainMm: 2, useMm: 8 },
      { date: '2026-06-04', rainMm: 2, useMm: 12 },
    ]);
  });
  test('dry gaps end with a wet day and with a day not on record; a drizzle ends none', () => {
    const days = [day(0, 0), day(1, 0.4), day(2, 0), day(3, 3), day(4, 0), day(6, 0), day(7, 0)];
    expect(dryGaps(days, 1)).toEqual([
      { from: '2026-06-01', days: 3 },
      { from: '2026-06-05', days: 1 },
      { from: '2026-06-07', days: 2 },
    ]);
    expect(dryGaps(days, 3)).toHaveLength(1);
  });
});

describe('usual days of twelve cities on five continents', () => {
  // FAO-56 table 2, mm/day by climate (from memory); summers and air as somebody who lives there would say.
  test.each<[string, number, Site['summers'], Site['air'], string, number, number]>([
    ['London', 51.5, 'mild', 'humid', '07-15', 2, 5],
    ['Madrid', 40.4, 'hot', 'dry', '07-15', 6, 9],
    ['Tromsø', 69.6, 'cool', 'humid', '07-15', 1, 3.5],
    ['Las Vegas', 36.2, 'hot', 'dry', '07-15', 6, 9.5],
    ['Chicago', 41.9, 'warm', 'average', '07-15', 4, 7],
    ['São Paulo', -23.5, 'warm', 'humid', '02-15', 3, 7],
    ['Santiago', -33.4, 'warm', 'dry', '01-15', 5, 8],
    ['Nairobi', -1.3, 'warm', 'average', '03-01', 3, 7],
    ['Cairo', 30, 'hot', 'dry', '07-15', 6, 9.5],
    ['Delhi', 28.6, 'hot', 'average', '06-10', 5, 9],
    ['Singapore', 1.3, 'warm', 'humid', '05-15', 3, 6],
    ['Bendigo', -36.8, 'warm', 'dry', '01-20', 5, 8],
  ])('%s', (_city, latitudeDeg, summers, air, warmest, least, most) => {
    const there: Site = { latitudeDeg, elevationM: 100, summers, air };
    const mm = referenceEt(ordinaryDay(`2026-${warmest}`, there), there).mm;
    expect(mm).toBeGreaterThanOrEqual(least);
    expect(mm).toBeLessThanOrEqual(most);
  });
});

test('a word for a height, and back', () => {
  for (const terrain of TERRAINS) expect(terrainOf(TERRAIN_M[terrain])).toBe(terrain);
});

describe('how words were read', () => {
  const usual = {
    date: '2026-07-14',
    tMinC: 14,
    tMaxC: 26,
    rainMm: 0,
    rainChance: 0.1,
    windMs: 2,
    source: 'forecast' as const,
  };
  const figure = (said: ManualForecast, label: string) =>
    explainManualForecast(said, usual, site).inputs.find((input) => input.label === label);
  test('each figure names its word and what it would be otherwise, and is the one the plan takes', () => {
    const said: ManualForecast = { heat: 'hot', rain: 'showers' };
    const day = manualForecastDay(said, usual, site);
    expect(figure(said, 'Highest temperature')).toMatchObject({
      value: day.tMaxC,
      formula: 'from “hot”',
      inputs: [{ value: 26, provenance: { kind: 'assumed', why: 'as it is forecast' } }],
    });
    expect(figure(said, 'Rain, when it comes')).toMatchObject({
      value: day.rainMm,
      formula: 'from “showers”',
    });
    expect(figure(said, 'Wind')).toMatchObject({ value: 2, inputs: [] });
  });
  test('a figure that was read off stands as told', () => {
    expect(figure({ tMaxC: 31 }, 'Highest temperature')).toMatchObject({
      value: 31,
      provenance: { kind: 'told' },
    });
  });
});
