import type { StopView } from '@kibble/contract';
import { Link } from 'react-router';
import { useUnits } from '../../app/units.ts';
import { BeyondNote } from '../../ui/BeyondNote.tsx';
import { AIM_WORDS, byHandWords, hourWords, sprayWords } from '../../app/words.ts';

/** The small print of a stop: what is assumed, where to aim, how many fills and seconds, and the best hour. */
export function StopDetails({ stop }: { stop: StopView }) {
  const units = useUnits();
  return (
    <>
      {!stop.flowMeasured ? (
        <p className="text-sm text-quiet">
          <span className="assumed">{units.text('flow', stop.litresPerMinute)}</span> is assumed;{' '}
          <Link className="underline underline-offset-4" to={`../ground/bed/${stop.bedId}`}>
            measure it
          </Link>{' '}
          to be sure of the minutes.
        </p>
      ) : null}
      <BeyondNote beyond={stop.beyond} unread={stop.unread} />
      <p className="text-sm text-quiet">
        {stop.aim ? `${AIM_WORDS[stop.aim]} ` : ''}
        {stop.fills
          ? `${stop.fills.count} ${stop.fills.count === 1 ? 'fill' : 'fills'} of ${units.text('volume', stop.fills.litresEach)}. `
          : ''}
        {stop.byHand ? `${byHandWords(stop.byHand)} ` : ''}
        {hourWords(stop.hour, units)}
        {stop.spray ? ` ${sprayWords(stop.spray, units)}` : ''}
      </p>
    </>
  );
}
