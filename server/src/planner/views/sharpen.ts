import { type BedView, type SharpenView } from '@kibble/contract';
import { assumedOf, nextBestTest, knownBed } from '@kibble/core';
import type { Context } from '../context.ts';

/** Beds asked about what measurement would tell most: those that will take most water. */
const ASKED_BEDS = 5;

/** The short measurement that would narrow a bed's fortnight most, or null when nothing telling is assumed. */
export function sharpenBed(bed: BedView, context: Context): SharpenView | null {
  const known = knownBed(bed, context.today);
  const planned = context.planBeds.find(({ id }) => id === bed.id);
  if (!planned) return null;
  const best = contained(
    () =>
      nextBestTest({
        bed: planned,
        assumed: assumedOf(known.delivery, known.known),
        site: context.site,
        weather: context.weather.filter((day) => day.date >= planned.startOn),
        today: context.today,
      }),
    context,
    bed,
  );
  const first = best?.ranking[0];
  if (!best || !first || best.litres <= 0 || narrowing(best) <= 0) return null;
  return {
    bedId: bed.id,
    bedName: bed.name,
    test: first.test,
    minutes: first.minutes,
    now: best.now,
    after: best.after,
  };
}

/** A search that meets an impossible figure on its way finds nothing, and takes nothing with it. */
function contained<T>(search: () => T, { faults }: Context, bed: BedView): T | null {
  try {
    return search();
  } catch (error) {
    faults.push({
      facts: { bedId: bed.id, error: String(error) },
      words: 'the search for the next best test met its end',
    });
    return null;
  }
}

const narrowing = (range: Pick<SharpenView, 'now' | 'after'>): number =>
  range.now.high - range.now.low - (range.after.high - range.after.low);

/** Over the thirstiest beds, the measurement that would narrow most litres. */
export function sharpenOf(context: Context): SharpenView | null {
  const planned = new Set(context.plan.beds.map((b) => b.bedId));
  const thirst = (id: number): number =>
    context.plan.beds.find((b) => b.bedId === id)?.window?.litres.middle ?? 0;
  return context.beds
    .filter((bed) => planned.has(bed.id))
    .sort((a, b) => thirst(b.id) - thirst(a.id))
    .slice(0, ASKED_BEDS)
    .flatMap((bed) => sharpenBed(bed, context) ?? [])
    .reduce<SharpenView | null>((best, s) => (best && narrowing(best) >= narrowing(s) ? best : s), null);
}
