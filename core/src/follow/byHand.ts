import { localDepth, type Delivery } from '../delivery/runPlan.ts';
import { isLater, type Found } from '../readings/entries.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { PlanBed } from './types.ts';

/** No plan reaches further ahead than this, days: what was moved beyond it is out of sight all the same. */
const FARTHEST_DAYS = 28;

/** What the gardener settled or saw that the plan keeps to. */
export type ByHand = Pick<PlanBed, 'holdUntil' | 'wilting' | 'fixed' | 'blocked'>;

/**
 * A dry spell under way, plants that hang today, and waterings moved, resized or left out.
 * @param found a bed's entries in any order; `areaM2` and `delivery` turn litres set by hand into a depth
 * Source: that wilting ends a dry spell at once is common practice.
 */
export function byHand(found: readonly Found[], today: IsoDate, areaM2: number, delivery: Delivery): ByHand {
  const newestFirst = [...found].sort((a, b) => (isLater(a, b) ? -1 : 1));
  return { ...held(newestFirst, today), ...moved(newestFirst, today, areaM2, delivery) };
}

function held(newestFirst: readonly Found[], today: IsoDate): Pick<PlanBed, 'holdUntil' | 'wilting'> {
  const wilted = newestFirst.find((f) => f.kind === 'wilt' && !f.recovers);
  const wilting = wilted?.on === today;
  const spell = newestFirst.find((f) => f.kind === 'toughen');
  if (spell?.kind !== 'toughen' || spell.what === 'end') return { wilting };
  if (wilted && wilted.on >= spell.on) return { wilting };
  const until = addDays(spell.on, spell.days);
  return { wilting, holdUntil: until > today ? until : undefined };
}

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
