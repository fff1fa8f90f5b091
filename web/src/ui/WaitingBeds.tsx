import type { FortnightView } from '@kibble/contract';
import { capWords } from '../words/capWords.ts';
import { groupedBy } from '../words/grouped.ts';
import { minutesText, useUnits } from '../words/units.ts';
import { dayMonth } from '../words/words.ts';

type Waiting = Omit<FortnightView['leftOut'][number], 'date'> & { date?: string };

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What found no room: each reason once, as a sentence, and under it the beds by when their turn comes. */
export function WaitingBeds({ items }: { items: readonly Waiting[] }) {
  const units = useUnits();
  return (
    <ul>
      {groupedBy(items, ({ why }) => why).map((alike) => (
        <li key={alike[0]?.why} className="py-1">
          <p>{capital(capWords((alike[0] as Waiting).why))}</p>
          <ul>
            {groupedBy(alike, ({ date, until }) => `${date ?? ''} ${until ?? ''}`).map((group) => {
              const [{ date, until } = { date: undefined, until: null }] = group;
              return (
                <li key={`${date ?? ''} ${until ?? ''}`} className="text-quiet">
                  {date ? `${dayMonth(date)}: ` : ''}
                  {group.map(({ bedId, bedName, minutes, litres }, i) => (
                    <span key={bedId}>
                      {i > 0 ? ', ' : ''}
                      <strong className="text-ink">{bedName}</strong>{' '}
                      <span className="whitespace-nowrap">
                        ({minutesText(minutes)}, {units.text('volume', litres)})
                      </span>
                    </span>
                  ))}
                  {'. '}
                  {until
                    ? `${group.length === 1 ? 'Its turn is' : 'Their turn is'} ${dayMonth(until)}.`
                    : 'No day of the fortnight has room.'}
                </li>
              );
            })}
          </ul>
        </li>
      ))}
    </ul>
  );
}
