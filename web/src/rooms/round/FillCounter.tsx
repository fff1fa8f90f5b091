import type { StopView } from '@kibble/contract';
import { useDraftsQuery, useDropDraftMutation, useKeepDraftMutation } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { Button } from '../../ui/Button.tsx';

/** Fills poured at a bed today, kept at home: a reload or a phone call loses none. */
function useFills(bedId: number) {
  const garden = useGarden();
  const { data } = useDraftsQuery(garden.id);
  const [keep, { isLoading }] = useKeepDraftMutation();
  const [drop] = useDropDraftMutation();
  const key = `fills-${bedId}`;
  const body = data?.find((draft) => draft.key === key)?.body;
  return {
    isLoading,
    poured: body?.on === garden.today && typeof body.count === 'number' ? body.count : 0,
    pour: (count: number) => keep({ gardenId: garden.id, key, body: { on: garden.today, count } }).unwrap(),
    clear: () => drop({ gardenId: garden.id, key }).unwrap(),
  };
}

/** What is filled and carried is counted, not timed: one touch a fill, and the last one writes it down. */
export function FillCounter({ stop, onLast }: { stop: StopView; onLast: () => Promise<void> }) {
  const { poured, pour, clear, isLoading } = useFills(stop.bedId);
  const count = stop.fills?.count ?? 1;
  const next = async (): Promise<void> => {
    if (poured + 1 < count) await pour(poured + 1);
    else {
      await onLast();
      await clear();
    }
  };
  return (
    <div className="flex items-stretch">
      <Button
        data-key="o"
        disabled={isLoading}
        className="min-h-14 flex-1 text-lg"
        onClick={() => void next().catch(() => undefined)}
      >
        {poured + 1 < count ? `Fill ${poured + 1} of ${count} poured` : `Last fill poured, ${count} in all`}
      </Button>
      {poured > 0 ? (
        <Button
          look="quiet"
          aria-label="One fill less"
          onClick={() => void (poured > 1 ? pour(poured - 1) : clear()).catch(() => undefined)}
        >
          −1
        </Button>
      ) : null}
    </div>
  );
}
