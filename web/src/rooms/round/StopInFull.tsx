import type { StopView } from '@kibble/contract';
import { minutesText, useUnits } from '../../words/units.ts';
import { waterSentence } from '../../words/words.ts';
import { Opens, Sentence } from '../../ui/Opens.tsx';
import { Term } from '../../ui/Term.tsx';
import { StopDetails } from './StopDetails.tsx';
import { howText } from './howText.ts';

/** Why a stop is on the round, and how it is watered, in full. */
export function StopInFull({ stop }: { stop: StopView }) {
  const units = useUnits();
  const bed = { bedId: stop.bedId, bedName: stop.bedName };
  return (
    <>
      <p>
        <Sentence {...bed} pieces={waterSentence(stop.reason, stop.reachesMm, units, stop.run.localMm)} />
      </p>
      <p className="mt-1">{howText(stop)}</p>
      <p className="mt-1">
        <Opens {...bed} of="depth">
          {units.text('depth', stop.run.localMm)}
        </Opens>{' '}
        {stop.run.bedMm < stop.run.localMm - 0.05 ? (
          <Term of="where it falls">where it falls</Term>
        ) : (
          'over the bed'
        )}
        ; {minutesText(stop.handsOnMinutes)} of your own time.
      </p>
      <StopDetails stop={stop} />
    </>
  );
}
