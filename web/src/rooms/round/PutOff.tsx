import type { RoundView } from '@kibble/contract';
import { minutesText } from '../../words/units.ts';
import { capWords } from '../../words/capWords.ts';
import { dayMonth } from '../../words/words.ts';

/** Due today, but today has no room for it: why, and when its turn comes. */
export function PutOff({ items }: { items: RoundView['putOff'] }) {
  if (items.length === 0) return null;
  return (
    <section className="mb-8 border-l-4 border-brick pl-3" aria-labelledby="put-off">
      <h2 id="put-off" className="mb-1 text-2xl">
        Put off
      </h2>
      <ul>
        {items.map((item) => (
          <li key={item.bedId} className="py-1">
            <strong>{item.bedName}</strong>, {minutesText(item.minutes)}: {capWords(item.why)}{' '}
            {item.until ? `Its turn is ${dayMonth(item.until)}.` : 'No day of the fortnight has room for it.'}
          </li>
        ))}
      </ul>
    </section>
  );
}
