import { describe, expect, test } from '@jest/globals';
import { completeWeather } from '../weather/completeWeather.ts';
import { addDays } from '../units/dates.ts';
import { groundByLately, LOOKED_BACK_DAYS, type Lately } from './groundByLately.ts';

const SITE = { latitudeDeg: 41.6, elevationM: 200, summers: 'hot' as const, air: 'dry' as const };
const JULY = '2026-07-15';
const JANUARY = '2026-01-15';
const bed = {
  areaM2: 5,
  ground: { horizons: [{ textureClass: 'sandy loam' as const }] },
  plantings: [{ cropId: 'tomato', plantedOn: '2026-05-01', latitudeDeg: 41.6 }],
};
const weather = (today: string) =>
  completeWeather({
    record: [],
    forecast: [],
    site: SITE,
    from: addDays(today, -LOOKED_BACK_DAYS),
    to: addDays(today, 1),
    today,
  });
const USUAL: Lately = { rain: 'as usual', heat: 'as usual', watered: 'every week', last: 'in the last week' };
const of = (lately: Partial<Lately>, today = JULY) =>
  groundByLately(bed, weather(today), { ...USUAL, ...lately }, { site: SITE, today });

describe('what is remembered of the last month', () => {
  test('tomatoes in July that nobody watered, with hardly any rain, stand dry', () => {
    // Common practice: sandy ground under tomatoes lasts a week or so without rain in July.
    expect(of({ rain: 'hardly any', watered: 'not at all', last: 'longer ago' }).word).toBe('dry');
  });
  test('watered every few days and yesterday, they stand moist or better', () => {
    expect(['moist', 'soaked']).toContain(of({ watered: 'every few days', last: 'today or yesterday' }).word);
  });
  test('more rain, cooler days, more and later watering never make it drier', () => {
    const rising = <T>(words: readonly T[], fullness: (word: T) => number): void => {
      for (let i = 1; i < words.length; i += 1)
        expect(fullness(words[i] as T)).toBeGreaterThanOrEqual(fullness(words[i - 1] as T) - 0.005);
    };
    rising(
      ['hardly any', 'less than usual', 'as usual', 'more than usual'] as const,
      (rain) => of({ rain }).fullness,
    );
    rising(['hotter than usual', 'as usual', 'cooler than usual'] as const, (heat) => of({ heat }).fullness);
    rising(['not at all', 'now and then', 'every week'] as const, (watered) => of({ watered }).fullness);
    rising(
      ['longer ago', 'in the last week', 'today or yesterday'] as const,
      (last) => of({ last }).fullness,
    );
  });
  test('in January bare ground under usual rain stands full however little it was watered', () => {
    const wet = { latitudeDeg: 52, elevationM: 5 };
    const bare = { ...bed, plantings: [] };
    const days = completeWeather({
      record: [],
      forecast: [],
      site: wet,
      from: addDays(JANUARY, -LOOKED_BACK_DAYS),
      to: addDays(JANUARY, 1),
      today: JANUARY,
    }).map((day, i) => ({ ...day, rainMm: i % 3 === 0 ? 6 : 0 }));
    const { fullness } = groundByLately(
      bare,
      days,
      { ...USUAL, watered: 'not at all', last: 'longer ago' },
      { site: wet, today: JANUARY },
    );
    expect(fullness).toBeGreaterThan(0.85);
  });
  test('bare ground keeps below what roots would have taken (FAO-56 ch. 7: bare soil dries its top 100 to 150 mm only)', () => {
    const dry = { ...USUAL, rain: 'hardly any', watered: 'not at all', last: 'longer ago' } as const;
    const bare = groundByLately({ ...bed, plantings: [] }, weather(JULY), dry, { site: SITE, today: JULY });
    expect(bare.fullness).toBeGreaterThan(of(dry).fullness + 0.1);
  });
  test('days that were measured are believed as measured', () => {
    const soaked = weather(JULY).map((day) =>
      day.date === addDays(JULY, -1) ? { ...day, rainMm: 60, source: 'record' as const } : day,
    );
    const dry = { ...USUAL, rain: 'hardly any', watered: 'not at all', last: 'longer ago' } as const;
    const { fullness } = groundByLately(bed, soaked, dry, { site: SITE, today: JULY });
    expect(fullness).toBeGreaterThan(of(dry).fullness + 0.3);
  });
  test('too short a weather is refused by name', () => {
    expect(() => groundByLately(bed, weather(JULY).slice(-20), USUAL, { site: SITE, today: JULY })).toThrow(
      /weather must be/,
    );
  });
});
