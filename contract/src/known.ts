import { whatIsKnown, type Finding, type FindingInput, type KnownBed, type ToldBed } from '@kibble/core';
import type { FindingView } from './findings.ts';
import type { BedView } from './garden.ts';

/** A stored finding as the core reads it. */
export const findingOf = (view: FindingView): Finding => ({
  ...view.input,
  id: view.id,
  on: view.on,
  method: view.method ?? undefined,
  ofTap: view.tapId !== null,
});

/** A bed as told, before its findings. */
const toldBed = (bed: BedView): ToldBed => ({
  areaM2: bed.areaM2,
  textureClass: bed.textureClass,
  subsoilClass: bed.subsoilClass,
  underCover: bed.underCover,
  shadeCloth: bed.shadeCloth,
  method: bed.delivery.method,
  litresPerMinute: bed.delivery.litresPerMinute,
  flowMeasured: bed.delivery.measured,
});

/** What is known of a bed, and the readings on record that cannot be computed and were left out. */
export type KnownOfBed = KnownBed & { unread: Finding[] };

/**
 * What is known of a bed on a day; `tried` are readings not yet kept, taken as of that day. A reading on record that
 * cannot be computed is left out and named: it must not take the bed with it.
 * @throws RangeError when what was tried is impossible
 */
export function knownBed(bed: BedView, today: string, tried: readonly FindingInput[] = []): KnownOfBed {
  const told = toldBed(bed);
  const kept = bed.findings.map(findingOf);
  const trial = tried.map((input, i) => ({
    ...input,
    id: Number.MAX_SAFE_INTEGER - tried.length + i,
    on: today,
    method: bed.delivery.method,
  }));
  try {
    return { ...whatIsKnown(told, [...kept, ...trial], today), unread: [] };
  } catch (error) {
    const unread = kept.filter((finding) => !computes(told, finding, today));
    if (unread.length === 0) throw error;
    const sound = kept.filter((finding) => !unread.includes(finding));
    return { ...whatIsKnown(told, [...sound, ...trial], today), unread };
  }
}

function computes(told: ToldBed, finding: Finding, today: string): boolean {
  try {
    whatIsKnown(told, [finding], today);
    return true;
  } catch {
    return false;
  }
}
