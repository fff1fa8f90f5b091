import type { EventView, LeaveView, RoundView, StopView } from '@kibble/contract';
import { byWalk } from '@kibble/core';

/** An entry that is on its way bears the moment as its number until home, or this device, has given it one. */
const MOMENTS = 1e12;
export const isUnderWay = ({ id }: Pick<EventView, 'id'>): boolean => id < -MOMENTS;

/** A stop that was ticked, as it stands until home has answered. */
const leaveOf = (stop: StopView, event: EventView): LeaveView => ({
  bedId: stop.bedId,
  bedName: stop.bedName,
  zone: stop.zone?.tapId ?? null,
  depletionMm: 0,
  room: { ...stop.room, depletionMm: 0 },
  nextDate: null,
  soak: null,
  waiting: null,
  reason: { code: 'settled today' },
  event,
});

/** A round in which a place has had its turn; as it was where it is no stop of it. */
export function settled(round: RoundView, event: EventView): RoundView {
  const stop = round.stops.find(({ bedId }) => bedId === event.bedId);
  if (!stop || event.date !== round.date) return round;
  return {
    ...round,
    stops: round.stops.filter((other) => other !== stop),
    leaveAlone: [...round.leaveAlone, leaveOf(stop, event)],
  };
}

/** The same with its stop back where it was in the walk. */
export function unsettled(round: RoundView, eventId: number, stop: StopView): RoundView {
  if (round.stops.some(({ bedId }) => bedId === stop.bedId)) return round;
  return {
    ...round,
    stops: [...round.stops, stop].sort(byWalk),
    leaveAlone: round.leaveAlone.filter(({ event }) => event?.id !== eventId),
  };
}
