import { depthCheck } from '../delivery/depthCheck.ts';
import type { Delivery } from '../delivery/runPlan.ts';
import type { GroundInput } from '../soil/soilProfile.ts';
import type { IsoDate } from '../units/dates.ts';
import type { Beyond } from '../units/edges.ts';
import { placeFactors } from '../weather/placeFactors.ts';
import type { Known } from '../working/known.ts';
import type { Provenance, StaleReason } from '../working/types.ts';
import { isLater, type Found, type Read, type ReadingKind, type WaterPath } from './entries.ts';
import { isReading } from './facts.ts';
import { READINGS, READING_KINDS } from './kinds/index.ts';
import { IN_PATCHES, KnownDraft, type DeclaredBed } from './knownDraft.ts';
import type { ReadingRule } from './reading.ts';
import { fitsMethod, staleReason } from './staleness.ts';

/** A bed as the engine takes it, with the source of everything that is better known than a usual figure. */
export interface KnownBed {
  areaM2: number;
  ground: GroundInput;
  place: { demandFactor: number; underCover: boolean };
  delivery: Delivery;
  known: Known;
  /** What the bed's tap gives when it was measured, L/min. */
  supplyLitresPerMinute?: number;
  /** How deep roots were seen, and when. */
  rootsSeen?: { on: IsoDate; depthMm: number };
  /** Water that goes down one channel, or leaves patches dry, wants a light wetting first. */
  path: WaterPath | typeof IN_PATCHES | null;
  /** The latest entry of each kind, and why it should be made again. */
  tests: { finding: Found; stale: StaleReason | null }[];
  /** What lies beyond the engine's range and is planned at its edge. */
  beyond: Beyond[];
}

/**
 * Puts what was read in the place of what was declared or assumed. The latest reading of a kind counts; of several
 * kinds that tell the same, the latest, but a jar outweighs fingers until it is stale. A reading of another
 * way of watering is left aside; a stale one still counts, and says so.
 * @param declared the bed as described; `found` in any order, those after `today` left out
 */
export function whatIsKnown(declared: DeclaredBed, found: readonly Found[], today: IsoDate): KnownBed {
  const until = found.filter((f) => f.on <= today);
  const stale = (f: Found): StaleReason | null => staleReason(f, until, today);
  const draft = new KnownDraft(declared, (reading): Provenance => {
    const why = stale(reading as Found);
    return why ? { kind: 'measured', on: reading.on, stale: why } : { kind: 'measured', on: reading.on };
  });
  const counted = latestOfEach(until.filter((f) => isReading(f) && fitsMethod(f, declared.method)));
  for (const kind of READING_KINDS) {
    const rule = READINGS[kind] as unknown as ReadingRule<ReadingKind>;
    for (const reading of counted) if (reading.kind === kind) rule.tell(reading, draft);
  }
  // One place tells nothing of the others.
  const [probed] = latestOfEach(
    until.filter((f) => f.kind === 'depth' && f.pointsMm.length > 1 && fitsMethod(f, declared.method)),
  );
  if (probed?.kind === 'depth')
    draft.claim('path', probed, depthCheck(probed).verdict === 'patchy' ? IN_PATCHES : 'evenly down');
  draft.noteEdges();
  return {
    areaM2: draft.areaM2,
    ground: draft.ground(),
    place: { ...placeFactors(draft.place), underCover: declared.underCover ?? false },
    delivery: draft.delivery,
    known: draft.sources(),
    supplyLitresPerMinute: draft.supplyLitresPerMinute,
    rootsSeen: draft.rootsSeen,
    path: draft.of('path')?.value ?? null,
    beyond: draft.beyond,
    tests: latestOfEach(until).map((finding) => ({ finding, stale: stale(finding) })),
  };
}

/** The part of a bed an entry is of, where there are several of its kind. */
function partOf(found: Found): string {
  const rule = isReading(found) ? (READINGS[found.kind] as unknown as ReadingRule<ReadingKind>) : null;
  return rule?.part?.(found as Read) ?? '';
}

/** The latest entry of each kind and part, newest first. */
function latestOfEach(found: readonly Found[]): Found[] {
  const best = new Map<string, Found>();
  for (const one of found) {
    const key = `${one.kind} ${partOf(one)} ${one.tap === undefined ? '' : 'tap'}`;
    const known = best.get(key);
    if (!known || isLater(one, known)) best.set(key, one);
  }
  return [...best.values()].sort((a, b) => (isLater(a, b) ? -1 : 1));
}
