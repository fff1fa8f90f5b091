import type { PlaceKinds } from '../places/place.ts';
import type { BedOnRecord } from '../record/place.ts';
import { KIND_WHILE, kindOfBed } from '../record/kindOfBed.ts';
import type { IsoDate } from '../units/dates.ts';
import { OutOfRange } from '../units/guard.ts';
import { ground } from './ground.ts';
import type { DailyKind, KindOfPlace, RoundsKind } from './kind.ts';
import { treeRing } from './treeRing.ts';
import { vessel } from './vessel.ts';

/** Every kind of place, by name. A new one is its own folder and a line here: see docs/adding-a-place.md. */
export const KINDS: Record<string, KindOfPlace> & { vessel: DailyKind } = {
  ground,
  'tree ring': treeRing,
  vessel,
};

/** Kinds that a bed can be chosen to be as it is added. Source: none needed, a table. */
export const bedKinds = (): string[] =>
  Object.entries(KINDS).flatMap(([name, { schedule }]) =>
    schedule === 'rounds' && !KIND_WHILE.some(([, by]) => by === name) ? [name] : [],
  );

/** The kind of a bed. @throws RangeError where no version of Kibble knows its name any more: such a bed cannot be planned. Source: none needed, a table. */
export function roundsKindOf(bed: BedOnRecord, today: IsoDate): RoundsKind {
  const name = kindOfBed(bed, today);
  const kind = Object.hasOwn(KINDS, name) ? KINDS[name] : undefined;
  if (kind?.schedule !== 'rounds') throw new OutOfRange('kind', `be one of ${bedKinds().join(', ')}`, name);
  return kind;
}

/** How each kind is followed through the days, by name. */
export const placeKinds = (): PlaceKinds =>
  Object.fromEntries(Object.entries(KINDS).map(([name, { place }]) => [name, place]));
