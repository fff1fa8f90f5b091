import { at, item } from '../units/at.ts';
import type { ClockDay, MustWater, SoakNow } from '../places/place.ts';
import { plantsOn } from './plantsOn.ts';
import type { PlaceNow } from './run.ts';
import type { PlanBed } from './types.ts';

/** A day of a place as its clock reads it. @param day reference demand and rain of it, mm */
export const clockDay = (
  input: PlanBed,
  now: PlaceNow,
  d: number,
  { et0Mm, rainMm }: { et0Mm: number; rainMm: number },
): ClockDay => ({
  date: item(now.days, d).date,
  et0Mm,
  rainMm: now.place.underCover(d) ? 0 : rainMm,
  leafless: plantsOn(now, input, d).stage === 'past',
});

/** The same of every day of the span, by the demand and the rain that are expected. */
export const expectedDays =
  (input: PlanBed, now: PlaceNow) =>
  (k: number): ClockDay =>
    clockDay(input, now, k, { et0Mm: at(now.series.et0, k), rainMm: at(now.rain, k) });

/** A clock after another day. @param day what the place lacked that morning and the rain, mm, and litres that reached it */
export const clockAfter = (
  must: MustWater,
  clock: unknown,
  { input, now, d }: { input: PlanBed; now: PlaceNow; d: number },
  day: { et0Mm: number; rainMm: number; givenL: number; lacksMm: number },
): unknown =>
  must.after(clock, {
    ...clockDay(input, now, d, day),
    lacksMm: day.lacksMm,
    givenMm: day.givenL / now.place.litresPerMm(d),
  });

/** The clock of a place as it stands this morning, from its record; null where nothing forces a watering there. */
export function clockOf(input: PlanBed, now: PlaceNow): unknown {
  const { must } = now;
  if (!must) return null;
  let clock = must.start(input.startFullness);
  for (let d = 0; d < now.todayIndex; d += 1)
    clock = clockAfter(
      must,
      clock,
      { input, now, d },
      {
        et0Mm: at(now.series.et0, d),
        rainMm: at(now.rain, d),
        givenL: at(now.givenL, d),
        lacksMm: at(now.pastLacksMm, d),
      },
    );
  return clock;
}

/** How long a place has stood, with what it was given today, and the day on which it has stood too long; null past the plan, and where no clock runs. */
export function soakOutlook(
  morning: unknown,
  input: PlanBed,
  now: PlaceNow,
): (SoakNow & { limitOn: string | null }) | null {
  const { must, todayIndex: d } = now;
  if (!must || morning === null) return null;
  const perMm = now.place.litresPerMm(d);
  const clock = must.withToday(morning, at(now.givenL, d) / perMm, now.place.depletionL(now.state) / perMm);
  const stands = must.now(clock);
  if (!stands) return null;
  const limit = must.limit(clock, { d, dayCount: now.days.length }, expectedDays(input, now));
  return { ...stands, limitOn: limit === null ? null : item(now.days, limit).date };
}
