import type { BedView } from '@kibble/contract';
import type { LookState } from '@kibble/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';

const SOILS: readonly (readonly [LookState, string])[] = [
  ['dry', 'Dry: it crumbles or runs'],
  ['damp', 'Damp: it holds together'],
  ['wet', 'Wet: it sticks or shines'],
];

/** Plants that hang: first whether it is only the heat, then what the soil is like, and water only for thirst. */
export function WiltSheet({ bed, open, onClose }: { bed: BedView; open: boolean; onClose: () => void }) {
  const [cool, setCool] = useState(false);
  const { enterAndSay, isLoading, error } = useEnter();
  const close = (): void => {
    setCool(false);
    onClose();
  };
  const write = async (
    input: { kind: 'wilt'; recovers: boolean; soil?: LookState },
    text: string,
  ): Promise<void> => {
    await enterAndSay([onBed(bed.id, input)], `${bed.name}: ${text}`);
    close();
  };
  const told = (soil: LookState): string =>
    soil === 'dry'
      ? 'thirsty; it is on the round now.'
      : 'hangs in moist ground, so it gets no water: roots without air, or a sickness.';
  return (
    <Sheet open={open} onClose={close} title={`${bed.name}: do they hang from thirst?`}>
      {cool ? (
        <>
          <p className="mb-3">
            Roots in wet ground hang too, and water finishes them. Dig a hand deep between the plants: what is
            the soil like there?
          </p>
          <div className="flex flex-col items-stretch gap-2">
            {SOILS.map(([soil, words]) => (
              <Button
                key={soil}
                disabled={isLoading}
                onClick={() =>
                  void write({ kind: 'wilt', recovers: false, soil }, told(soil)).catch(() => undefined)
                }
              >
                {words}
              </Button>
            ))}
            <Button
              look="quiet"
              disabled={isLoading}
              onClick={() =>
                void write(
                  { kind: 'wilt', recovers: false },
                  'wilting written down; the balance decides whether it is thirst.',
                ).catch(() => undefined)
              }
            >
              I cannot look now
            </Button>
          </div>
        </>
      ) : (
        <>
          <p className="mb-3">A droop at noon that lifts by evening is heat, not thirst.</p>
          <div className="flex flex-col items-stretch gap-2">
            <Button onClick={() => setCool(true)}>They hang in the morning or evening</Button>
            <Button
              disabled={isLoading}
              onClick={() =>
                void write({ kind: 'wilt', recovers: true }, 'a heat droop, written down.').catch(
                  () => undefined,
                )
              }
            >
              Only at noon; they lift by evening
            </Button>
            <Button look="quiet" onClick={close}>
              I will look again in the evening
            </Button>
          </div>
        </>
      )}
      <Refused error={error} className="mt-2" />
    </Sheet>
  );
}
