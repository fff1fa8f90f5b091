import { SKIP_REASONS, type SkipBody, type StopView } from '@kibble/contract';
import { useLogSkipMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';

const WORDS: Readonly<Record<SkipBody['reason'], string>> = {
  'feels moist': 'It still feels moist',
  'no time': 'No time today',
  'rain on the way': 'I trust the rain',
  other: 'Another reason',
};

/** Not today: why. It is asked again tomorrow. */
export function SkipSheet({ stop, open, onClose }: { stop: StopView; open: boolean; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [skip, { isLoading, error }] = useLogSkipMutation();
  const choose = async (reason: SkipBody['reason']): Promise<void> => {
    const event = await skip({ bedId: stop.bedId, body: { reason } }).unwrap();
    dispatch(noticeShown({ text: `${stop.bedName} skipped until tomorrow.`, undoEventId: event.id }));
    onClose();
  };
  return (
    <Sheet open={open} onClose={onClose} title={`Why skip ${stop.bedName}?`}>
      <div className="flex flex-col items-stretch gap-2">
        {SKIP_REASONS.map((reason) => (
          <Button
            key={reason}
            disabled={isLoading}
            onClick={() => void choose(reason).catch(() => undefined)}
          >
            {WORDS[reason]}
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
