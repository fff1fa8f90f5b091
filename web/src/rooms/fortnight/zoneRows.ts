import type { FortnightBed, GardenView } from '@kibble/contract';
import { groupedBy } from '../../words/grouped.ts';

/** A row of the fortnight: one bed, or a zone by the bed of it that loses most. */
export type FortnightRow = FortnightBed & {
  /** The beds of a zone; none of a bed by itself. */
  beds?: FortnightBed[];
};

/** The rows with the beds of each zone as one: they are watered on the same days, for the same time. */
export const zoneRows = (beds: readonly FortnightBed[], { taps }: GardenView): FortnightRow[] =>
  groupedBy(beds, ({ zone, bedId }) => (zone === null ? `bed ${bedId}` : `zone ${zone}`)).map((those) => {
    const worst = those.reduce((a, b) => (b.costs.lostShare > a.costs.lostShare ? b : a));
    const zone = taps.find(({ id }) => id === worst.zone);
    if (!zone || those.length === 1) return worst;
    return {
      ...worst,
      bedName: zone.name,
      stress: worst.stress.map((_, day) => Math.min(...those.map(({ stress }) => stress[day] ?? 1))),
      beds: those,
    };
  });

/** The bed that a row stands for: what is asked of the row is asked of it, and moves its zone. */
export const bedOfRow = ({ beds, ...row }: FortnightRow): FortnightBed =>
  beds?.find(({ bedId }) => bedId === row.bedId) ?? row;
