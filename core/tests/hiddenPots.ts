import { simulateVessel } from '../src/places/vessel/simulateVessel.ts';
import type { VesselInput } from '../src/places/vessel/vesselModel.ts';
import { addDays, daysBetween } from '../src/units/dates.ts';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Site, WeatherDay } from '../src/weather/types.ts';
import { weatherSeries } from '../src/weather/weatherSeries.ts';
import type { DatedPotEntry } from '../src/pots/entries.ts';
import { followPot } from '../src/pots/followPot.ts';

const KINDS: readonly VesselInput[] = [
  {
    volumeL: 3,
    mix: 'standard',
    material: 'plastic',
    plantings: [{ cropId: 'basil', plantedOn: '2026-04-20' }],
  },
  {
    volumeL: 9,
    mix: 'peat-free',
    material: 'terracotta',
    plantings: [{ cropId: 'sweet-pepper', plantedOn: '2026-05-01' }],
  },
  {
    volumeL: 4.5,
    mix: 'rich',
    material: 'glazed',
    indoors: true,
    plantings: [{ cropId: 'peace-lily', plantedOn: '2024-03-01' }],
  },
  {
    volumeL: 19,
    mix: 'standard',
    material: 'fabric',
    plantings: [{ cropId: 'citrus', plantedOn: '2022-05-01' }],
  },
];

/**
 * Pots whose true use nobody knows: each filled, weighed, and weighed again a day or two later; then dried down five times. How far
 * off the next dry-downs are reckoned, as a share, before and after that one weighing.
 * @param count pots; `seed` of the truth; `weather` at least 50 days, from the first three dry ones on; a kitchen scale right to 5 g, and a day’s use 8 % off the model’s
 */
export function hiddenPots(options: {
  count: number;
  seed: number;
  weather: readonly WeatherDay[];
  site: Site;
}): {
  before: number;
  after: number;
} {
  const { count, site } = options;
  // Nobody weighs in the rain.
  const dry = options.weather.findIndex((_, i, all) =>
    all.slice(i, i + 3).every(({ rainMm }) => rainMm === 0),
  );
  const weather = options.weather.slice(Math.max(0, dry));
  const random = xoroshiro128plus(options.seed);
  for (let i = 0; i < 32; i += 1) uniformFloat64(random);
  const normal = (): number =>
    Math.sqrt(-2 * Math.log(1 - uniformFloat64(random))) * Math.cos(2 * Math.PI * uniformFloat64(random));
  const startOn = (weather[0] as WeatherDay).date;
  const series = weatherSeries(weather, site);
  const errors = { before: [] as number[], after: [] as number[] };
  for (let n = 0; n < count; n += 1) {
    const vessel = KINDS[n % KINDS.length] as VesselInput;
    const truth = Math.exp(0.3 * normal());
    /** What it truly loses from full on a day, mL; the day's own luck is in the factor. */
    const dries = (from: number, days: number): number => {
      let lost = 0;
      const span = weather.slice(from, from + days);
      const run = (useFactor: number): number[] =>
        simulateVessel({ ...vessel, useFactor }, span, [], { site }).days.map(({ usedMl }) => usedMl);
      for (const used of run(truth)) lost += used * Math.exp(0.08 * normal());
      return lost;
    };
    const weighed = 1 + (n % 2);
    const lostMl = dries(0, weighed);
    const scale = (): number => 0.003 * normal();
    const fullKg = 5 + scale();
    const entries: DatedPotEntry[] = [
      { date: startOn, hour: 0, entry: { kind: 'weighed', kg: fullKg, full: true } },
      {
        date: addDays(startOn, weighed),
        hour: 0,
        entry: { kind: 'weighed', kg: 5 - lostMl / 1000 + scale() },
      },
    ];
    const today = addDays(startOn, weighed + 1);
    const weatherFrom = { from: startOn, series, latitudeDeg: site.latitudeDeg };
    const of = (told: DatedPotEntry[]): number =>
      followPot(
        { id: n, vessel, startOn, startFullness: 1, way: 'drench', entries: told },
        weatherFrom,
        today,
        1,
      ).useFactor;
    const factors = { before: of([]), after: of(entries) };
    for (let down = 0; down < 5; down += 1) {
      const from = daysBetween(startOn, today) + down * 7;
      const days = 2;
      const real = dries(from, days);
      for (const when of ['before', 'after'] as const) {
        const reckoned = simulateVessel(
          { ...vessel, useFactor: factors[when] },
          weather.slice(from, from + days),
          [],
          {
            site,
          },
        ).days.reduce((sum, { usedMl }) => sum + usedMl, 0);
        errors[when].push(Math.abs(reckoned - real) / real);
      }
    }
  }
  const median = (of: number[]): number => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0;
  return { before: median(errors.before), after: median(errors.after) };
}
