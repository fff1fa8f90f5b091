import type { ChangedView, RoundView } from '@kibble/contract';

/**
 * A round with what changed put in its place: of the beds that differ what is told of them now, of the others what was,
 * and today's stops in the order of the clock.
 */
export function withChanged(round: RoundView, changed: ChangedView): RoundView {
  if (changed.date !== round.date) return round;
  const differs = new Set(changed.beds);
  const kept = <T extends { bedId: number }>(was: readonly T[], now: readonly T[]): T[] => [
    ...was.filter(({ bedId }) => !differs.has(bedId)),
    ...now,
  ];
  const stops = kept(round.stops, changed.stops);
  const place = new Map(changed.order.map((bedId, i) => [bedId, i]));
  const last = changed.order.length;
  const bedOrder = new Map(changed.planned.map((id, i) => [id, i]));
  const byBed = (a: { bedId: number }, b: { bedId: number }): number =>
    (bedOrder.get(a.bedId) ?? 0) - (bedOrder.get(b.bedId) ?? 0);
  const { totals, rounds, putOff, unplanned } = changed;
  return {
    ...round,
    stops: stops.sort((a, b) => (place.get(a.bedId) ?? last) - (place.get(b.bedId) ?? last)),
    leaveAlone: kept(round.leaveAlone, changed.leaveAlone).sort(byBed),
    tasks: kept(round.tasks, changed.tasks).sort(byBed),
    totals,
    rounds,
    putOff,
    unplanned,
  };
}
