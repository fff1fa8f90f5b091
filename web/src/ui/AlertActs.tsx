import type { AlertView, TickView } from '@kibble/contract';
import { isSeenTo, stateOf, type AlertAct } from '@kibble/core';
import { useState } from 'react';
import { useIsHelper } from '../api/useIsHelper.ts';
import { ACT_WORDS, chanceWords, groundWords, treesWords } from '../words/alertWords.ts';
import { useGarden } from '../state/gardenRound.ts';
import { useUnits } from '../words/units.ts';
import { Refused } from './Refused.tsx';
import { Check } from './Check.tsx';
import { inGarden, useEnter } from './useEnter.ts';

/** What an alert asks for, each act with its tick, and what it rests on. */
export function AlertActs({
  alert,
  ticks,
}: {
  alert: AlertView;
  /** Until it is known what was seen to, nothing can be ticked. */
  ticks: readonly TickView[] | undefined;
}) {
  const garden = useGarden();
  const units = useUnits();
  const isHelper = useIsHelper();
  const { enter, error } = useEnter();
  // What was just ticked is drawn at once; what is on record is drawn with the next picture.
  const [just, setJust] = useState<ReadonlyMap<AlertAct, boolean>>(new Map());
  const state = stateOf(alert);
  const set = (act: AlertAct, done: boolean): void => {
    setJust((before) => new Map(before).set(act, done));
    void enter([inGarden(garden.id, { kind: 'task done', ...state, act, done })])
      .catch(() => undefined)
      .finally(() => setJust((before) => new Map([...before].filter(([other]) => other !== act))));
  };
  return (
    <>
      <ul>
        {alert.acts.map((act) => {
          const done = just.get(act) ?? isSeenTo(ticks ?? [], state, act);
          return (
            <li key={act} className="border-t border-rule">
              <Check
                checked={done}
                disabled={ticks === undefined || isHelper}
                onChange={() => set(act, !done)}
                className="py-1"
              >
                <span className={done ? 'text-quiet line-through' : ''}>
                  {ACT_WORDS[act]}
                  {act === 'look at trees' && alert.trees && alert.trees.length > 0 ? (
                    <span className="block text-sm text-quiet">
                      Without water: {treesWords(alert.trees)}.
                    </span>
                  ) : null}
                </span>
              </Check>
            </li>
          );
        })}
      </ul>
      <Refused error={error} />
      <p className="mt-2 text-sm text-quiet">
        {alert.code === 'dry spell' ? 'Measured' : `By the forecast, ${chanceWords(alert.chance)}`}:{' '}
        {alert.grounds.map((ground) => groundWords(ground, units)).join('; ')}.
      </p>
    </>
  );
}
