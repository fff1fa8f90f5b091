import { ground } from './ground/ground.ts';
import { vessel } from './vessel/vessel.ts';
import type { PlaceInput, PlaceKind } from './place.ts';

/** Every kind of growing place. A new one is its own folder and a line here: see docs/adding-a-place.md. */
export const PLACE_KINDS = { ground, vessel } as const;
export type PlaceKindId = keyof typeof PLACE_KINDS;

/** Kinds as the plan takes them: what each counts in inside is its own. */
export type PlaceKinds = Readonly<Record<string, PlaceKind<PlaceInput, unknown>>>;

export const USUAL_KINDS = PLACE_KINDS as unknown as PlaceKinds;
