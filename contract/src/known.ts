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

/** What is known of a bed on a day; `tried` are readings not yet kept, taken as of that day. */
export const knownBed = (bed: BedView, today: string, tried: readonly FindingInput[] = []): KnownBed =>
  whatIsKnown(
    toldBed(bed),
    [
      ...bed.findings.map(findingOf),
      ...tried.map((input, i) => ({
        ...input,
        id: Number.MAX_SAFE_INTEGER - tried.length + i,
        on: today,
        method: bed.delivery.method,
      })),
    ],
    today,
  );
