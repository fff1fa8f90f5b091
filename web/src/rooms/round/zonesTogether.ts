import type { GardenView, LeaveView, StopView } from '@kibble/contract';
import { groupedBy } from '../../words/grouped.ts';

/** A stop of the walk: one bed, or a zone under its own name, led by the bed that could least wait. */
export type WalkStop = StopView & {
  /** The stops of a zone's beds; none of a bed by itself. */
  beds?: StopView[];
};

const sum = (stops: readonly StopView[], of: (stop: StopView) => number): number =>
  stops.reduce((total, stop) => total + of(stop), 0);

/** The walk with the beds of each zone as one stop: one valve is opened for all of them. */
export const zonesTogether = (stops: readonly StopView[], { taps }: GardenView): WalkStop[] =>
  groupedBy(stops, ({ zone, bedId }) => (zone ? `zone ${zone.tapId}` : `bed ${bedId}`)).flatMap((beds) => {
    const lead = beds.find(({ bedId, zone }) => zone?.lead === bedId) ?? beds[0];
    const zone = taps.find(({ id }) => id === lead?.zone?.tapId);
    if (!lead || !zone) return beds;
    const run = { ...lead.run, litres: sum(beds, (bed) => bed.run.litres) };
    const handsOnMinutes = sum(beds, (bed) => bed.handsOnMinutes);
    return [{ ...lead, bedName: zone.name, tapName: null, run, handsOnMinutes, beds }];
  });

/** Beds that were watered together by their zone, as one: under its name, with all that they had. */
export type SettledStop = LeaveView & { event: NonNullable<LeaveView['event']>; eventIds: number[] };
export const settledTogether = (
  settled: readonly (LeaveView & { event: NonNullable<LeaveView['event']> })[],
  { beds, taps }: GardenView,
): SettledStop[] => {
  const zoneOf = (bedId: number) => {
    const tapId = beds.find(({ id }) => id === bedId)?.tapId;
    return taps.find(({ id, together }) => together && id === tapId);
  };
  return groupedBy(
    settled,
    ({ bedId, event }) => `${zoneOf(bedId)?.id ?? -bedId} ${event.kind} ${event.minutes ?? event.at}`,
  ).flatMap((those) => {
    const [first] = those;
    if (!first) return [];
    const zone = zoneOf(first.bedId);
    const litres = those.reduce((total, { event }) => total + (event.litres ?? 0), 0);
    return [
      {
        ...first,
        bedName: zone && those.length > 1 ? zone.name : first.bedName,
        event: { ...first.event, litres },
        eventIds: those.map(({ event }) => event.id),
      },
    ];
  });
};
