import { SKIP_REASONS } from '@kibble/core';
import type { SkipBody } from '@kibble/contract';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import type { WalkStop } from './zonesTogether.ts';

const WORDS: Readonly<Record<SkipBody['reason'], string>> = {
  'feels moist': 'It still feels moist',
  'no time': 'No time today',
  'rain on the way': 'I trust the rain',
  other: 'Another reason',
};

/** Not today: why. It is asked again tomorrow. */
export function SkipSheet({ stop, open, onClose }: { stop: WalkStop; open: boolean; onClose: () => void }) {
  const { enterAndSay, isLoading, error } = useEnter();
  const choose = async (reason: SkipBody['reason']): Promise<void> => {
    await enterAndSay(
      (stop.beds ?? [stop]).map(({ bedId }) => onBed(bedId, { kind: 'skip', reason })),
      `${stop.bedName} skipped until tomorrow.`,
    );
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
