import type { BedView } from '@kibble/contract';
import { useState } from 'react';
import { useArchiveBedsMutation } from '../../api/beds.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { Button } from '../../ui/Button.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { ChangeBedsSheet } from './ChangeBedsSheet.tsx';
import { bedsCounted } from './table/words.ts';

interface Props {
  beds: readonly BedView[];
  chosen: ReadonlySet<number>;
  onChosen: (ids: Iterable<number>) => void;
  onDone: () => void;
}

/** Chooses beds, all, those of a part, or one by one in the table below, and changes them together. */
export function ChooseBeds({ beds, chosen, onChosen, onDone }: Props) {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const [changing, setChanging] = useState(false);
  const [archive, { error }] = useArchiveBedsMutation();
  const parts = [...new Set(beds.flatMap(({ place }) => (place ? [place] : [])))];
  const these = beds.filter(({ id }) => chosen.has(id));
  const putAway = async (): Promise<void> => {
    const ids = these.map(({ id }) => id);
    await archive({ gardenId: garden.id, ids }).unwrap();
    dispatch(
      noticeShown({
        text: `${bedsCounted(ids.length)} put away, with what is written about them.`,
        undo: [{ to: 'archiveBeds', at: { id: garden.id }, body: { ids, restore: true } }],
      }),
    );
    onDone();
  };
  return (
    <div
      role="group"
      aria-label="Beds chosen"
      className="sticky top-0 z-10 mb-2 border-y border-ink bg-paper py-1"
    >
      <p className="flex flex-wrap items-center gap-x-1">
        <span role="status" className="mr-3 font-semibold">
          {these.length === 0 ? 'Choose beds in the table' : `${bedsCounted(these.length)} chosen`}
        </span>
        <Button look="quiet" className="px-2" onClick={() => onChosen(beds.map(({ id }) => id))}>
          All
        </Button>
        {parts.map((part) => (
          <Button
            key={part}
            look="quiet"
            className="px-2"
            onClick={() =>
              onChosen([...chosen, ...beds.filter(({ place }) => place === part).map(({ id }) => id)])
            }
          >
            {part}
          </Button>
        ))}
        {these.length > 0 ? (
          <Button look="quiet" className="px-2" onClick={() => onChosen([])}>
            None
          </Button>
        ) : null}
      </p>
      <p className="flex flex-wrap items-center gap-2">
        <Button disabled={these.length === 0} onClick={() => setChanging(true)}>
          Change them
        </Button>
        <Button
          look="quiet"
          disabled={these.length === 0}
          onClick={() => void putAway().catch(() => undefined)}
        >
          Put them away
        </Button>
        <Button look="quiet" onClick={onDone}>
          Done choosing
        </Button>
      </p>
      <Refused error={error} />
      {changing ? <ChangeBedsSheet beds={these} onClose={() => setChanging(false)} /> : null}
    </div>
  );
}
