import type { StopView } from '@kibble/contract';
import { Link } from 'react-router';
import { useUnits } from '../../words/units.ts';
import { BeyondNote } from '../../ui/BeyondNote.tsx';
import { hourWords, sprayWords } from '../../words/words.ts';

/** The small print of a stop: what is assumed, how many fills, and the best hour. */
export function StopDetails({ stop }: { stop: StopView }) {
  const units = useUnits();
  return (
    <>
      {!stop.flowMeasured ? (
        <p className="mt-1 text-sm text-quiet">
          <span className="assumed">{units.text('flow', stop.litresPerMinute)}</span> is assumed;{' '}
          <Link className="underline underline-offset-4" to={`../ground/bed/${stop.bedId}`}>
            measure it
          </Link>{' '}
          to be sure of the minutes.
        </p>
      ) : null}
      <BeyondNote beyond={stop.beyond} unread={stop.unread} />
      <p className="mt-1 text-sm text-quiet">
        {stop.fills
          ? `${stop.fills.count} ${stop.fills.count === 1 ? 'fill' : 'fills'} of ${units.text('volume', stop.fills.litresEach)}. `
          : ''}
        {stop.byHand && stop.byHand.passes > 1
          ? 'The first turn only makes the ground take the second: do the whole circuit, then again. '
          : ''}
        {hourWords(stop.hour, units)}
        {stop.spray ? ` ${sprayWords(stop.spray, units)}` : ''}
      </p>
    </>
  );
}
