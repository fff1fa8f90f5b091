import type { GardenView, LeaveView, StopView } from '@kibble/contract';
import { groupedBy } from '../../words/grouped.ts';

/** A stop of the walk: one bed, or a zone under its own name, led by the bed that could least wait. */
export type WalkStop = StopView & {
  /** The stops of a zone's beds; none of a bed by itself. */
  beds?: StopView[];
};

/** The walk with the beds of each zone as one stop: one valve is opened for all of them. */
export const zonesTogether = (stops: readonly StopView[], { taps }: GardenView): WalkStop[] =>
  groupedBy(stops, ({ zone, bedId }) => (zone ? `zone ${zone.tapId}` : `bed ${bedId}`)).flatMap((beds) => {
    const lead = beds.find(({ bedId, zone }) => zone?.lead === bedId) ?? beds[0];
    const named = taps.find(({ id }) => id === lead?.zone?.tapId);
    if (!lead?.zone || !named) return beds;
    const { litres, handsOnMinutes } = lead.zone.whole;
    return [
      { ...lead, bedName: named.name, tapName: null, run: { ...lead.run, litres }, handsOnMinutes, beds },
    ];
  });

/** What has had its turn today: a bed, or beds that their zone watered at once, under its name. */
export type SettledStop = LeaveView & {
  event: NonNullable<LeaveView['event']>;
  eventIds: number[];
};
export const settledTogether = (
  settled: readonly (LeaveView & { event: NonNullable<LeaveView['event']> })[],
  { taps }: GardenView,
): SettledStop[] =>
  groupedBy(
    settled,
    ({ zone, bedId, event }) => `${zone ?? -bedId} ${event.kind} ${event.minutes ?? event.at}`,
  ).flatMap((those) => {
    const [first] = those;
    const named = those.length > 1 && taps.find(({ id }) => id === first?.zone);
    const eventIds = those.map(({ event }) => event.id);
    return first ? [{ ...first, bedName: named ? named.name : first.bedName, eventIds }] : [];
  });
