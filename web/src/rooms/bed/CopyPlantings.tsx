import type { BedView } from '@kibble/contract';
import { useState } from 'react';
import { useChangeBedsMutation } from '../../api/beds.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { plainDate } from '../../words/words.ts';

/** What stands on a bed and what is to come there, planted on other beds on the same days. */
export function CopyPlantings({ bed, onClose }: { bed: BedView; onClose: () => void }) {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const [change, { isLoading, error }] = useChangeBedsMutation();
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const others = garden.beds.filter(({ id, archived }) => id !== bed.id && !archived);
  const lasting = bed.plantings.filter(({ endedOn }) => endedOn === null || endedOn > garden.today);
  const copy = async (): Promise<void> => {
    const plantings = lasting.map(({ cropId, plantedOn, method, share, endedOn }) => ({
      cropId,
      plantedOn,
      method,
      share,
      endedOn,
    }));
    const body = { ids: [...chosen], change: { what: 'crop' as const, plantings } };
    const changed = await change({ gardenId: garden.id, body }).unwrap();
    dispatch(
      noticeShown({
        text: `The plantings of ${bed.name} are copied to ${chosen.length === 1 ? 'one bed' : `${chosen.length} beds`}.`,
        undo: [{ to: 'undoChangeOfBeds', at: { id: garden.id }, body: changed }],
      }),
    );
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`Copy the plantings of ${bed.name}`}>
      <ul className="mb-3">
        {lasting.map((p) => (
          <li key={p.id}>
            {p.cropName}, {plainDate(p.plantedOn, garden.today)}
            {p.endedOn ? ` to ${plainDate(p.endedOn, garden.today)}` : ''}
          </li>
        ))}
      </ul>
      <p className="text-quiet">
        They are planted on the same days. What stands on the other beds on the first of these days is
        cleared.
      </p>
      <fieldset className="my-3">
        <legend className="font-semibold">To which beds?</legend>
        <div className="grid max-h-72 grid-cols-2 gap-x-4 overflow-auto">
          {others.map(({ id, name }) => (
            <Check
              key={id}
              checked={chosen.includes(id)}
              onChange={({ target }) =>
                setChosen(target.checked ? [...chosen, id] : chosen.filter((other) => other !== id))
              }
            >
              {name}
            </Check>
          ))}
        </div>
      </fieldset>
      <Refused error={error} />
      <div className="flex gap-2">
        <Button
          disabled={isLoading || chosen.length === 0}
          onClick={() => void copy().catch(() => undefined)}
        >
          Copy them
        </Button>
        <Button look="quiet" onClick={onClose}>
          Not now
        </Button>
      </div>
    </Sheet>
  );
}
