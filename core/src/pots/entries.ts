import type { IsoDate } from '../units/dates.ts';

export const FELT = ['light', 'medium', 'heavy'] as const;
export type Felt = (typeof FELT)[number];
export const FOUND = ['dry', 'damp', 'wet'] as const;
export const METERS = ['cheap probe', 'good probe'] as const;
export type Meter = (typeof METERS)[number];
/** What is seen of a pot or tray. */
export const SIGNS = [
  'shrunk from the side',
  'droops',
  'wholly dry',
  'roots through the base',
  'roots in the upper half only',
  'recovered',
  'not recovered',
  'surface dark and moist',
] as const;
export type Sign = (typeof SIGNS)[number];
export const GIVEN_HOW = ['poured', 'twice', 'from below', 'reservoir'] as const;
export type GivenHow = (typeof GIVEN_HOW)[number];

/** What is written down about a pot: given, measured or seen. mL, kg, % by volume. */
export type PotEntry =
  | { kind: 'given'; millilitres: number; how: GivenHow }
  | { kind: 'weighed'; kg: number; full?: boolean }
  | { kind: 'heft'; felt: Felt; by: 'hand' | 'foot' }
  | { kind: 'meter'; pct: number; meter: Meter }
  | { kind: 'finger'; found: (typeof FOUND)[number] }
  | { kind: 'seen'; sign: Sign }
  /** Held dry on purpose for so many days, or not any more. */
  | { kind: 'dry spell'; what: 'start' | 'end'; days: number }
  | { kind: 'left' };
export type PotEntryKind = PotEntry['kind'];

/** An entry on its day, at an hour of the garden's clock, 0–24. */
export interface DatedPotEntry {
  date: IsoDate;
  hour: number;
  entry: PotEntry;
}
