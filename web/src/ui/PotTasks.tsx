import type { PotView } from '@kibble/contract';
import { isUrgent } from '@kibble/core';
import { useBeginSequenceMutation } from '../app/potsApi.ts';
import { useGarden } from '../app/gardenRound.ts';
import { taskText } from '../app/potWords.ts';
import { Button } from './Button.tsx';
import { Refused } from './Refused.tsx';

/** What there is to do besides watering: the same thing of several pots is one line with their names. */
export function PotTasks({ pots }: { pots: readonly PotView[] }) {
  const lines = new Map<string, { names: string[]; urgent: boolean; rescue: PotView | null }>();
  for (const pot of pots)
    for (const task of pot.tasks) {
      const text = taskText(task);
      const line = lines.get(text) ?? { names: [], urgent: isUrgent(task), rescue: null };
      line.names.push(pot.name);
      if (task.code === 'rescue') line.rescue = pot;
      lines.set(text, line);
    }
  if (lines.size === 0) return null;
  return (
    <ul className="mt-2 text-sm" aria-label="Besides">
      {[...lines].map(([text, { names, urgent, rescue }]) => (
        <li
          key={text}
          className={`border-t border-rule py-1 ${urgent ? 'border-l-4 border-l-brick pl-2' : ''}`}
        >
          <strong>{names.join(' · ')}</strong>: {text}
          {rescue ? <Rescue pot={rescue} /> : null}
        </li>
      ))}
    </ul>
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
