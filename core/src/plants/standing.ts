import type { IsoDate } from '../units/dates.ts';

interface Standing {
  plantedOn: IsoDate;
  endedOn?: IsoDate | null;
  share?: number;
}

/** Whether a planting stands on a day: planted by then and not yet cleared. */
export const stands = ({ plantedOn, endedOn }: Standing, date: IsoDate): boolean =>
  plantedOn <= date && (endedOn === undefined || endedOn === null || endedOn > date);

/** What stands on a bed on a day: of several the one with most room, of equals the first; null when nothing does. */
export function standingOn<P extends Standing>(plantings: readonly P[], date: IsoDate): P | null {
  return plantings
    .filter((p) => stands(p, date))
    .reduce<P | null>((best, p) => (best && (best.share ?? 1) >= (p.share ?? 1) ? best : p), null);
}
