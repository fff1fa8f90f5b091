import type { LeaveView } from '@kibble/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../../words/units.ts';
import { Sentence } from '../../ui/Opens.tsx';
import { later } from '../../ui/later.tsx';
import { useEnter } from '../../ui/useEnter.ts';

const AnywaySheet = later(async () => (await import('./AnywaySheet.tsx')).AnywaySheet);
import { leaveHead, leaveSentence, waitingWords } from '../../words/words.ts';

/** What not to water today, and why: most harm is done by a little every day. */
export function LeaveList({ items }: { items: LeaveView[] }) {
  const units = useUnits();
  const { undo } = useEnter();
  const [anyway, setAnyway] = useState<number | null>(null);
  const asked = items.find((item) => item.bedId === anyway);
  if (items.length === 0) return null;
  return (
    <section aria-labelledby="why-leave">
      <h3 id="why-leave" className="mb-1 text-xl">
        Why each is left alone
      </h3>
      <ul>
        {items.map((item) => (
          <li key={item.bedId} className="border-t border-rule py-2">
            <Link
              to={`../beds/${item.bedId}`}
              className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
            >
              {item.bedName}
            </Link>{' '}
            <span className={item.reason.code === 'too wet' ? 'font-semibold text-brick' : 'font-semibold'}>
              {leaveHead(item.reason, item.nextDate)}.
            </span>{' '}
            <span className="text-quiet">
              <Sentence
                bedId={item.bedId}
                bedName={item.bedName}
                pieces={leaveSentence(item.reason, units, item.event)}
              />{' '}
              {item.waiting ? (
                <Sentence bedId={item.bedId} bedName={item.bedName} pieces={waitingWords(item.waiting)} />
              ) : null}
            </span>{' '}
            {!item.event && item.reason.code !== 'nothing growing' ? (
              <button
                type="button"
                className="no-print underline underline-offset-4"
                aria-label={`Watered anyway: ${item.bedName}`}
                onClick={() => setAnyway(item.bedId)}
              >
                Watered anyway
              </button>
            ) : null}
            {item.event ? (
              <button
                type="button"
                className="no-print underline underline-offset-4"
                onClick={() => void undo([item.event?.id ?? 0]).catch(() => undefined)}
              >
                Take it back
              </button>
            ) : null}
          </li>
        ))}
      </ul>
      {asked ? <AnywaySheet item={asked} open onClose={() => setAnyway(null)} /> : null}
    </section>
  );
}
