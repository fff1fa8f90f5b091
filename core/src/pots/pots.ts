import type { VesselInput } from '../places/vessel/vesselModel.ts';
import type { IsoDate } from '../units/dates.ts';
import type { DatedPotEntry } from './entries.ts';
import type { PotWay } from './ways.ts';

/** A pot as its plan takes it. */
export interface Pot {
  id: number;
  /** It holds seedlings: asked by what is seen, not by a date, and rather dry in winter. */
  seedlings?: boolean;
  vessel: VesselInput;
  /** How it was before, oldest first: each up to and without a day on which it was moved, repotted or changed. */
  earlier?: { until: IsoDate; vessel: VesselInput }[];
  /** First day of its balance, and the share of its available water on that morning, 0–1. */
  startOn: IsoDate;
  startFullness: number;
  way: PotWay;
  entries: readonly DatedPotEntry[];
}
