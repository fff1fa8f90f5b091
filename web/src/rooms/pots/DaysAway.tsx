import type { PotsView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import { useState } from 'react';
import { useGarden } from '../../state/gardenRound.ts';
import { isOver } from '../../words/potWords.ts';
import { dayMonth } from '../../words/words.ts';
import { Field } from '../../ui/Field.tsx';

const USUAL_DAYS = 5;
/** As far as the plan looks. */
const MOST_DAYS = 13;

/** Going away: which pots last, which do in the shade with water under them, and which want somebody. */
export function DaysAway({ view }: { view: PotsView }) {
  const { limits } = useGarden();
  const set = limits.away?.find(({ until }) => until >= view.date);
  const [until, setUntil] = useState(set?.until ?? addDays(view.date, USUAL_DAYS));
  const pots = view.spots.flatMap(({ pots: of }) => of).filter((pot) => !pot.resting && !isOver(pot));
  const hang = pots.filter(({ lastsUntil }) => lastsUntil !== null && lastsUntil <= until);
  const even = hang.filter(({ lastsShaded }) => lastsShaded !== null && lastsShaded <= until);
  const saved = hang.filter((pot) => !even.includes(pot));
  if (pots.length === 0) return null;
  const names = (of: typeof pots): string => of.map(({ name }) => name).join(' · ');
  return (
    <section aria-label="Days away" className="mt-8 border-t-2 border-ink pt-2">
      <h2 className="text-2xl">Days away</h2>
      <div className="grid gap-x-10 gap-y-2 lg:grid-cols-[14rem_minmax(0,1fr)]">
        <Field
          label="Back on"
          type="date"
          min={view.date}
          max={addDays(view.date, MOST_DAYS)}
          value={until}
          onChange={(e) => setUntil(e.target.value || addDays(view.date, USUAL_DAYS))}
        />
        <div>
          {hang.length === 0 ? (
            <p>
              All {pots.length} last until {dayMonth(until)} when they are filled before you leave.
            </p>
          ) : (
            <>
              <p>
                Before you leave: fill every pot twice, weed and pick, and stand these close together in the
                shade, each in a saucer full of water:{' '}
                <strong>{saved.length > 0 ? names(saved) : 'none that this would save'}</strong>.
              </p>
              {even.length > 0 ? (
                <p className="mt-1">
                  Even so these hang before {dayMonth(until)} and want somebody, or a tank:{' '}
                  <strong>{names(even)}</strong>.
                </p>
              ) : null}
            </>
          )}
        </div>
      </div>
    </section>
  );
}
