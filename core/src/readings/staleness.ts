import type { StaleReason } from '../working/types.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { Method } from '../delivery/methods.ts';
import { FINDING_FACTS, type Finding } from './findings.ts';

/**
 * Why a finding should be made again, or null while it holds.
 * Source: common practice as to what spoils it; the ages are judgements in `FINDING_FACTS`.
 */
export function staleReason(finding: Finding, all: readonly Finding[], today: IsoDate): StaleReason | null {
  const facts = FINDING_FACTS[finding.kind];
  const later = (kind: Finding['kind']): boolean =>
    all.some((other) => other.kind === kind && isLater(other, finding) && other.on <= today);
  if (facts.spoiledByAmendment && later('amended')) return 'ground amended since';
  if (facts.spoiledByChange && later('changed')) return 'nozzle, pressure or line changed since';
  if (facts.goodForDays !== undefined && daysBetween(finding.on, today) > facts.goodForDays) return 'old';
  return null;
}

/** Later by day, and within a day by the order they were written down. */
export const isLater = (a: Finding, b: Finding): boolean =>
  a.on > b.on || (a.on === b.on && (a.id ?? 0) > (b.id ?? 0));

/** Whether a finding says anything about the way a bed is watered now. */
export const fitsMethod = (finding: Finding, method: Method): boolean =>
  !FINDING_FACTS[finding.kind].ofMethod || finding.method === undefined || finding.method === method;
