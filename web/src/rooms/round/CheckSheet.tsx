import type { StopView } from '@kibble/contract';
import type { LookState } from '@kibble/core';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';

const STATES: readonly (readonly [LookState, string])[] = [
  ['dry', 'Dry: it crumbles or runs'],
  ['damp', 'Damp: it holds together'],
  ['wet', 'Wet: it sticks or shines'],
];

/** Look before watering: what was found decides whether the stop stays. */
export function CheckSheet({
  stop,
  depthMm,
  open,
  onClose,
}: {
  stop: StopView;
  depthMm: number;
  open: boolean;
  onClose: () => void;
}) {
  const units = useUnits();
  const { enterAndSay, isLoading, error } = useEnter();
  const found = async (state: LookState): Promise<void> => {
    const look = onBed(stop.bedId, {
      kind: 'look',
      tool: 'trowel',
      depthMm: Math.round(depthMm),
      state,
      mulchMoved: true,
    });
    if (state === 'dry') await enterAndSay([look], `${stop.bedName}: dry, so water it as planned.`);
    else
      await enterAndSay(
        [look, onBed(stop.bedId, { kind: 'skip', reason: 'feels moist' })],
        `${stop.bedName}: ${state}, so it is left alone until tomorrow.`,
      );
    onClose();
  };
  return (
    <Sheet open={open} onClose={onClose} title={`Look first: ${stop.bedName}`}>
      <p className="mb-4">
        Move the mulch aside and dig or push a trowel {units.text('depth', depthMm)} down, in two places
        between the plants. What is the ground like down there? A pale dry surface says nothing.
      </p>
      <div className="flex flex-col items-stretch gap-2">
        {STATES.map(([state, words]) => (
          <Button key={state} disabled={isLoading} onClick={() => void found(state).catch(() => undefined)}>
            {words}
          </Button>
        ))}
        <Refused error={error} />
        <Button look="quiet" onClick={onClose}>
          Back to the round
        </Button>
      </div>
    </Sheet>
  );
}
