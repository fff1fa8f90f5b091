import type { BedView } from '@kibble/contract';
import type { Units } from '../../words/units.ts';
import { typedFrom, type TypedBed } from './Fields.tsx';
import { mostOf } from './mostOf.ts';

/** What a new bed is likely to share with those around it. */
const SHARED = [
  'textureClass',
  'subsoilClass',
  'form',
  'underCover',
  'mulch',
  'mulchMaterial',
  'method',
  'timer',
] as const satisfies readonly (keyof TypedBed)[];

/**
 * What most beds have of what a new one is likely to share with them, as it would be typed.
 * @param place the part of the garden the new bed is in; where it has no beds, all are asked
 */
export function likeMost(beds: readonly BedView[], place: string, units: Units): Partial<TypedBed> {
  const standing = beds.filter(({ archived }) => !archived);
  const ofPart = standing.filter((bed) => (bed.place ?? '').toLowerCase() === place.trim().toLowerCase());
  const around = ofPart.length > 0 ? ofPart : standing;
  const typed = new Map(around.map((bed) => [bed.id, typedFrom(bed, units)]));
  return Object.fromEntries(
    SHARED.flatMap((field) => {
      const most = mostOf(around, (bed) => typed.get(bed.id)?.[field] ?? null);
      return most === undefined ? [] : [[field, most]];
    }),
  );
}
