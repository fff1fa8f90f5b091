import type { FortnightView } from '@kibble/contract';
import { minutesText, useUnits } from '../../words/units.ts';
import { capWords } from '../../words/capWords.ts';
import { dayMonth } from '../../words/words.ts';

/** What did not fit, and what it waits for. */
export function LeftOut({ view }: { view: FortnightView }) {
  const units = useUnits();
  const shown = view.leftOut.slice(0, 4);
  return (
    <section aria-labelledby="left-out" className="mt-2 border-l-4 border-brick pl-3">
      <h2 id="left-out" className="text-lg">
        Does not fit
      </h2>
      <ul>
        {shown.map((l) => (
          <li key={`${l.bedId}-${l.date}`}>
            <strong>{l.bedName}</strong> on {dayMonth(l.date)}: {minutesText(l.minutes)},{' '}
            {units.text('volume', l.litres)}: {capWords(l.why)}{' '}
            {l.until ? `Its turn is ${dayMonth(l.until)}.` : 'No day of the fortnight has room for it.'}
          </li>
        ))}
      </ul>
      {view.leftOut.length > shown.length ? (
        <p className="text-sm text-quiet">and {view.leftOut.length - shown.length} more</p>
      ) : null}
    </section>
  );
}
