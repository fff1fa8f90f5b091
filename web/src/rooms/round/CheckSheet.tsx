import type { StopView } from '@kibble/contract';
import type { LookState } from '@kibble/core';
import { useLogFindingMutation, useLogSkipMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { useUnits } from '../../app/units.ts';
import { useGarden } from '../../app/gardenRound.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';

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
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [log, { isLoading, error }] = useLogFindingMutation();
  const [skip, { error: notSkipped }] = useLogSkipMutation();
  const found = async (state: LookState): Promise<void> => {
    const finding = await log({
      gardenId: garden.id,
      body: {
        bedId: stop.bedId,
        input: { kind: 'look', tool: 'trowel', depthMm: Math.round(depthMm), state, mulchMoved: true },
      },
    }).unwrap();
    if (state === 'dry') {
      dispatch(
        noticeShown({ text: `${stop.bedName}: dry, so water it as planned.`, undoFindingIds: [finding.id] }),
      );
    } else {
      const event = await skip({ bedId: stop.bedId, body: { reason: 'feels moist' } }).unwrap();
      dispatch(
        noticeShown({
          text: `${stop.bedName}: ${state}, so it is left alone until tomorrow.`,
          undoFindingIds: [finding.id],
          undoEventId: event.id,
        }),
      );
    }
    onClose();
  };
  const refused = error ?? notSkipped;
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
        <Refused error={refused} />
        <Button look="quiet" onClick={onClose}>
          Back to the round
        </Button>
      </div>
    </Sheet>
  );
}
