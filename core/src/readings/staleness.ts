import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { StaleReason } from '../working/types.ts';
import { isLater, type Found } from './entries.ts';
import { FINDING_FACTS } from './facts.ts';
import type { Method } from '../delivery/methods.ts';

/**
 * Why a reading should be made again, or null while it holds.
 * Source: common practice as to what spoils it; the ages are judgements in each kind's facts.
 */
export function staleReason(found: Found, all: readonly Found[], today: IsoDate): StaleReason | null {
  const facts = FINDING_FACTS[found.kind];
  const later = (kind: Found['kind']): boolean =>
    all.some((other) => other.kind === kind && isLater(other, found) && other.on <= today);
  if (facts.spoiledByAmendment && later('amended')) return 'ground amended since';
  if (facts.spoiledByChange && later('changed')) return 'nozzle, pressure or line changed since';
  if (facts.goodForDays !== undefined && daysBetween(found.on, today) > facts.goodForDays) return 'old';
  return null;
}

/** Whether a reading says anything about the way a bed is watered now. */
export const fitsMethod = (found: Found, method: Method): boolean =>
  !FINDING_FACTS[found.kind].ofMethod || found.method === undefined || found.method === method;
