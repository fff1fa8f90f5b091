import type { PotView } from '@kibble/contract';
import { isUrgent } from '@kibble/core';
import { useBeginSequenceMutation } from '../api/pots.ts';
import { useGarden } from '../state/gardenRound.ts';
import { taskText } from '../words/potWords.ts';
import { Button } from './Button.tsx';
import { Refused } from './Refused.tsx';
import { onPot, useEnter } from './useEnter.ts';

/** What there is to do besides watering: the same thing of several pots is one line with their names. */
export function PotTasks({ pots }: { pots: readonly PotView[] }) {
  const lines = new Map<
    string,
    { urgent: boolean; rescue: PotView | null; spellDays: number | null; of: { pot: PotView; key: string }[] }
  >();
  for (const pot of pots)
    for (const task of pot.tasks) {
      const text = taskText(task);
      const line = lines.get(text) ?? { urgent: isUrgent(task), rescue: null, spellDays: null, of: [] };
      line.of.push({ pot, key: task.key });
      if (task.code === 'rescue') line.rescue = pot;
      if (task.code === 'dry spell') line.spellDays = task.days;
      lines.set(text, line);
    }
  if (lines.size === 0) return null;
  return (
    <ul className="mt-2 text-sm" aria-label="Besides">
      {[...lines].map(([text, { urgent, rescue, spellDays, of }]) => (
        <li
          key={text}
          className={`flex flex-wrap items-center justify-end gap-x-3 border-t border-rule py-1 ${urgent ? 'border-l-4 border-l-brick pl-2' : ''}`}
        >
          <span className="min-w-0 flex-1">
            <strong>{of.map(({ pot }) => pot.name).join(' · ')}</strong>: {text}
          </span>
          {rescue ? (
            <Rescue pot={rescue} />
          ) : spellDays ? (
            <BeginSpell of={of} days={spellDays} />
          ) : (
            <TaskDone of={of} />
          )}
        </li>
      ))}
    </ul>
  );
}

/** A task of one pot or several, said to be done. */
export function TaskDone({ of }: { of: readonly { pot: Pick<PotView, 'id' | 'name'>; key: string }[] }) {
  const { enterAndSay, isLoading } = useEnter();
  const names = of.map(({ pot }) => pot.name);
  return (
    <>
      {' '}
      <Button
        look="quiet"
        className="no-print px-1"
        disabled={isLoading}
        onClick={() =>
          void enterAndSay(
            of.map(({ pot, key }) => onPot(pot.id, { kind: 'task done', key })),
            names.length === 1
              ? `${names[0] ?? ''}: that is done.`
              : `That is done for ${names.length} pots.`,
          ).catch(() => undefined)
        }
      >
        Done<span className="sr-only">: {names.join(', ')}</span>
      </Button>
    </>
  );
}

/** A dry spell of one pot or several, begun. */
export function BeginSpell({
  of,
  days,
}: {
  of: readonly { pot: Pick<PotView, 'id' | 'name'> }[];
  days: number;
}) {
  const { enterAndSay, isLoading } = useEnter();
  const names = of.map(({ pot }) => pot.name).join(', ');
  return (
    <Button
      look="quiet"
      className="no-print px-1"
      disabled={isLoading}
      onClick={() =>
        void enterAndSay(
          of.map(({ pot }) => onPot(pot.id, { kind: 'dry spell', what: 'start', days })),
          `${names}: a dry spell of ${days} days begins.`,
        ).catch(() => undefined)
      }
    >
      Begin it<span className="sr-only">: {names}</span>
    </Button>
  );
}

function Rescue({ pot }: { pot: PotView }) {
  const garden = useGarden();
  const [begin, { isLoading, error }] = useBeginSequenceMutation();
  return (
    <>
      {' '}
      <Button
        look="quiet"
        className="px-1"
        disabled={isLoading}
        onClick={() => void begin({ gardenId: garden.id, body: { kind: 'rescue', potIds: [pot.id] } })}
      >
        Start its clock
      </Button>
      <Refused error={error} inline />
    </>
  );
}
