import type { ChangedView, RoundView } from '@kibble/contract';
import type { Place, Places } from '../places.ts';

/** What the rooms show of a place. */
const shown = ({ stop, leave, tasks }: Place): string => JSON.stringify([stop, leave, tasks]);

/** What of a round is another than it was before a change. */
export function changedOf(before: Places, round: RoundView, now: Places): ChangedView {
  const was = new Map(before.places.map((place) => [place.bed.id, place]));
  const is = new Set(now.places.map(({ bed }) => bed.id));
  const differs = (place: Place): boolean => {
    const old = was.get(place.bed.id);
    return old !== place && (!old || shown(old) !== shown(place));
  };
  const beds = new Set([
    ...[...was.keys()].filter((id) => !is.has(id)),
    ...now.places.filter(differs).map(({ bed }) => bed.id),
  ]);
  const { date, totals, rounds, putOff, unplanned } = round;
  return {
    date,
    beds: [...beds],
    order: round.stops.map(({ bedId }) => bedId),
    planned: now.places.map(({ bed }) => bed.id),
    stops: round.stops.filter(({ bedId }) => beds.has(bedId)),
    leaveAlone: round.leaveAlone.filter(({ bedId }) => beds.has(bedId)),
    tasks: round.tasks.filter(({ bedId }) => beds.has(bedId)),
    totals,
    rounds,
    putOff,
    unplanned,
  };
}
