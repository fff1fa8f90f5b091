import { describe, expect, test } from '@jest/globals';
import type { PlanConstraints } from '../clock/constraints.ts';
import type { PlanBed } from '../follow/types.ts';
import type { ProposedRounds } from '../rounds/types.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
/** A Tuesday. */
const TUESDAY = '2026-07-07';
/** Dry weeks, as warm as is said from a day on. */
const weatherOf = (tMaxOn: (date: string) => number): SourcedDay[] =>
  Array.from({ length: 70 }, (_, i): SourcedDay => {
    const date = addDays('2026-06-01', i);
    const tMaxC = tMaxOn(date);
    return {
      date,
      tMinC: tMaxC - 13,
      tMaxC,
      windMs: 1.8,
      rhMinPct: 35,
      rhMaxPct: 80,
      rainMm: 0,
      rainChance: 0,
      source: 'record',
    };
  });
const WARM = weatherOf(() => 26);
const bed = (id: number, cropId: string, change: Partial<PlanBed['bed']> = {}): PlanBed => ({
  id,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'sandy loam' }] },
    plantings: [{ cropId, plantedOn: '2026-05-15' }],
    ...change,
  },
  delivery: { method: 'hose wand', litresPerMinute: 15, lowQuarterUniformity: 1 },
  irrigations: [{ date: '2026-07-04', netMm: 30 }],
  startOn: '2026-06-01',
  startFullness: 0.9,
});
const BEDS = [bed(1, 'tomato'), bed(2, 'cabbage'), bed(3, 'french-bean')];
const roundsOn = (
  today: string,
  weather: SourcedDay[],
  proposal: ProposedRounds | null,
  { beds = BEDS, ...constraints }: PlanConstraints & { beds?: PlanBed[] } = {},
) =>
  planGarden(
    { site, beds },
    weather,
    { ...constraints, rounds: { proposal: proposal ?? undefined } },
    { today, members: 0 },
  ).rounds;
const sorted = (days: readonly number[]): number[] => [...days].sort((a, b) => a - b);

describe('days that were promised', () => {
  const first = roundsOn(TUESDAY, WARM, null);

  test('stay through the week and over the next Monday, however the forecast wavers', () => {
    let { proposal } = first;
    for (let d = 1; d <= 9; d += 1) {
      // One morning the days ahead look warmer, the next cooler.
      const wavering = weatherOf((date) => (date > TUESDAY ? 26 + (d % 2 ? 3 : -3) : 26));
      const rounds = roundsOn(addDays(TUESDAY, d), wavering, proposal);
      expect(sorted(rounds.weekdays)).toEqual(sorted(first.weekdays));
      proposal = rounds.proposal;
    }
  });
  test('a heat wave adds visits and moves none, and it ends on a Monday', () => {
    const hot = weatherOf((date) => (date >= '2026-07-09' && date < '2026-07-12' ? 38 : 26));
    const thursday = roundsOn('2026-07-09', hot, first.proposal);
    const all = new Set([...thursday.weekdays, ...thursday.between.flatMap(({ weekdays }) => weekdays)]);
    for (const day of first.weekdays) expect(all.has(day)).toBe(true);
    const of = (rounds: typeof first): number =>
      (rounds.proposal?.places ?? []).reduce((sum, { perWeek }) => sum + perWeek, 0);
    expect(of(thursday)).toBeGreaterThan(of(first));
    // The wave is behind; the week stays as it is.
    const sunday = roundsOn('2026-07-12', hot, thursday.proposal);
    expect(of(sunday)).toBe(of(thursday));
    expect(sorted(sunday.weekdays)).toEqual(sorted(thursday.weekdays));
  });
});

describe('days that became more on a Monday', () => {
  // Three rounds a week were asked for; by Monday 13 July it is cool, and fewer would do.
  const cool = weatherOf(() => 15);
  const made = roundsOn(TUESDAY, cool, null).proposal as ProposedRounds;
  const since = (day: string): ProposedRounds => ({
    ...made,
    madeOn: '2026-07-12',
    since: day,
    perWeek: 3,
    places: made.places.map((place) => ({ ...place, perWeek: 3 })),
  });
  test('are not made fewer the week after, but once they have stood for a fortnight', () => {
    const monday = '2026-07-13';
    expect(roundsOn(monday, cool, since('2026-07-06')).weekdays).toHaveLength(3);
    expect(roundsOn(monday, cool, since('2026-06-22')).weekdays.length).toBeLessThan(3);
  });
});

describe('what the gardener changes is proposed anew at once', () => {
  test('a limit that is taken off', () => {
    const bound = roundsOn(TUESDAY, WARM, null, { weekdays: [2] });
    expect(bound.weekdays).toEqual([2]);
    const free = roundsOn(addDays(TUESDAY, 1), WARM, bound.proposal);
    const thirsty = roundsOn(addDays(TUESDAY, 1), WARM, null);
    expect(free.proposal?.places.map(({ perWeek }) => perWeek)).toEqual(
      thirsty.proposal?.places.map(({ perWeek }) => perWeek),
    );
  });
  test('the goal of a bed, and only that bed’s days', () => {
    const first = roundsOn(TUESDAY, WARM, null);
    const beds = [bed(1, 'tomato', { goal: 'alive' }), BEDS[1] as PlanBed, BEDS[2] as PlanBed];
    const next = roundsOn(addDays(TUESDAY, 1), WARM, first.proposal, { beds });
    const per = (rounds: typeof first, id: number) =>
      rounds.proposal?.places.find(({ bedId }) => bedId === id)?.perWeek;
    expect(per(next, 1)).toBeLessThanOrEqual(per(first, 1) ?? 0);
    for (const id of [2, 3]) expect(per(next, id)).toBe(per(first, id));
  });
  test('a bed that is added has its days today, and the others keep theirs', () => {
    const first = roundsOn(TUESDAY, WARM, null);
    const next = roundsOn(addDays(TUESDAY, 1), WARM, first.proposal, { beds: [...BEDS, bed(4, 'onion')] });
    expect(next.proposal?.places).toHaveLength(4);
    expect(sorted(next.weekdays)).toEqual(sorted(first.weekdays));
  });
});
