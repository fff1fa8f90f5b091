import { Link } from 'react-router';
import { useFortnightQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { timerChanges, timerRows } from './timerRows.ts';
import { useTimer } from './useTimer.ts';

/** On the round: the timer holds settings the plan has left behind. */
export function TimerStale() {
  const garden = useGarden();
  const { typed } = useTimer(garden.id);
  const { data } = useFortnightQuery(garden.id, { skip: !typed });
  if (!typed || !data) return null;
  const changes = timerChanges(typed, timerRows(data, garden.taps), garden.today);
  const soon = changes.filter((c) => c.row.date === garden.today);
  if (changes.length === 0) return null;
  return (
    <p className="mb-8 border-l-4 border-brick pl-3">
      <strong>
        The timer holds {changes.length === 1 ? 'a setting' : `${changes.length} settings`} the plan has
        changed{soon.length > 0 ? ', for today too' : ''}.
      </strong>{' '}
      <Link className="underline underline-offset-4" to="../fortnight#timer">
        What to change
      </Link>
    </p>
  );
}
