import type { Beyond } from '@kibble/core';
import { useGarden } from '../state/gardenRound.ts';
import { plainDate } from '../words/words.ts';
import { useEnter } from './useEnter.ts';

const figure = (value: number): string => String(Number(value.toPrecision(3)));

/**
 * What of a bed's facts is not taken as it was told: measured beyond what the engine can follow and planned with the
 * nearest figure it can, or not to be computed at all and left out.
 */
export function BeyondNote({
  beyond,
  unread,
}: {
  beyond: readonly Beyond[];
  unread: readonly { id: number; on: string; label: string }[];
}) {
  const { today } = useGarden();
  const { undo } = useEnter();
  if (beyond.length + unread.length === 0) return null;
  return (
    <div className="my-2 border-l-4 border-rule pl-3 text-sm">
      {beyond.map((item) => (
        <p key={item.what}>
          {item.label}:{' '}
          <span className="assumed">
            {figure(item.told)} {item.unit}
          </span>{' '}
          lies beyond what Kibble’s soil physics covers. It plans with {figure(item.taken)} {item.unit}, the
          nearest it can.
        </p>
      ))}
      {unread.map(({ id, on, label }) => (
        <p key={id}>
          {label} of {plainDate(on, today)} cannot be computed and is left out.{' '}
          <button
            type="button"
            className="min-h-9 underline underline-offset-4"
            onClick={() => void undo([id]).catch(() => undefined)}
          >
            Take it back
          </button>
        </p>
      ))}
    </div>
  );
}
