import { localDepth, type Delivery } from '../delivery/runPlan.ts';
import { cropOf, stageDates } from '../plants/plantOnDay.ts';
import { stands } from '../plants/standing.ts';
import type { PlantingInput } from '../plants/types.ts';
import { isLater, type Found } from '../readings/entries.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { PlanBed } from './types.ts';

/** No plan reaches further ahead than this, days: what was moved beyond it is out of sight all the same. */
const FARTHEST_DAYS = 28;

/** What the gardener settled or saw that the plan keeps to. */
export type ByHand = Pick<PlanBed, 'drySpell' | 'wilting' | 'wiltedOn' | 'foundDry' | 'fixed' | 'blocked'>;

/**
 * A dry spell under way, plants that hang today, and waterings moved, resized or left out.
 * @param found a bed's entries in any order; `areaM2` and `delivery` turn litres set by hand into a depth; `plantings`, since the
 *   first flower ends a spell
 * Source: that wilting and the first flower end a dry spell at once is common practice.
 */
export function byHand(
  found: readonly Found[],
  today: IsoDate,
  areaM2: number,
  delivery: Delivery,
  plantings: readonly PlantingInput[] = [],
): ByHand {
  const newestFirst = [...found].sort((a, b) => (isLater(a, b) ? -1 : 1));
  const wiltedOn = thirstyDays(newestFirst, today, plantings);
  return { wiltedOn, ...held(newestFirst, today, plantings), ...moved(newestFirst, today, areaM2, delivery) };
}

function held(
  newestFirst: readonly Found[],
  today: IsoDate,
  plantings: readonly PlantingInput[],
): Pick<PlanBed, 'drySpell' | 'wilting' | 'foundDry'> {
  const wilted = newestFirst.find((f) => f.kind === 'wilt' && !f.recovers);
  const now = wilted?.kind === 'wilt' && wilted.on === today ? wilted : null;
  const wilting = now !== null;
  // Wet ground that hangs has drowned roots: no water helps it.
  const foundDry = now?.soil === undefined ? undefined : now.soil === 'dry';
  const spell = newestFirst.find((f) => f.kind === 'toughen');
  if (spell?.kind !== 'toughen' || spell.what === 'end') return { wilting, foundDry };
  if (wilted && wilted.on >= spell.on) return { wilting, foundDry };
  const flower = firstFlower(plantings, today);
  const endsBy = flower !== null && flower > spell.on ? flower : undefined;
  return { wilting, foundDry, drySpell: { on: spell.on, days: spell.days, endsBy } };
}

/** Days on which what stands there now wilted, and nobody found the ground moist. */
const thirstyDays = (
  found: readonly Found[],
  today: IsoDate,
  plantings: readonly PlantingInput[],
): IsoDate[] | undefined => {
  const days = found.flatMap((f) =>
    f.kind === 'wilt' &&
    !f.recovers &&
    (f.soil ?? 'dry') === 'dry' &&
    plantings.some((planting) => planting.plantedOn <= f.on && stands(planting, today))
      ? [f.on]
      : [],
  );
  return days.length > 0 ? days : undefined;
};

/** The day on which what is over its spell by flowering comes into flower; null where nothing is. */
const firstFlower = (plantings: readonly PlantingInput[], today: IsoDate): IsoDate | null =>
  plantings
    .filter((planting) => stands(planting, today) && cropOf(planting).toughening === 'legume')
    .flatMap((planting) => stageDates(planting, today))
    .filter(({ stage }) => stage === 'in full leaf')
    .map(({ from }) => from)
    .sort()[0] ?? null;

/** Waterings moved, resized or left out by hand, from today on; the latest word for a day counts. */
function moved(
  newestFirst: readonly Found[],
  today: IsoDate,
  areaM2: number,
  delivery: Delivery,
): Pick<PlanBed, 'fixed' | 'blocked'> {
  const blocked = new Set<IsoDate>();
  const fixed = new Map<IsoDate, number | undefined>();
  const last = addDays(today, FARTHEST_DAYS);
  for (const entry of [...newestFirst].reverse()) {
    if (entry.kind !== 'plan' || (entry.to ?? entry.date) < today || entry.date > last) continue;
    const { what, date, litres } = entry;
    const to = entry.to !== undefined && entry.to > last ? last : (entry.to ?? date);
    fixed.delete(date);
    if (what === 'leave out') blocked.add(date);
    else {
      for (let day = date < today ? today : date; day < to; day = addDays(day, 1)) blocked.add(day);
      blocked.delete(to);
      fixed.set(to, litres);
    }
  }
  return {
    fixed: [...fixed]
      .filter(([date]) => date >= today)
      .map(([date, litres]) => ({
        date,
        litres,
        localMm: litres === undefined ? undefined : localDepth(litres, areaM2, delivery),
      })),
    blocked: [...blocked].filter((date) => date >= today),
  };
}
