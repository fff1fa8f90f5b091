import type { BedPageView } from '@kibble/contract';
import { THIRSTY_FROM } from '@kibble/core';
import { Refused } from '../../ui/Refused.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { days, plainDate } from '../../words/words.ts';

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** How far this bed may dry down by what its plants have shown: where they wilted, and what they have borne. */
export function OwnLine({ page }: { page: BedPageView }) {
  const { today } = useGarden();
  const { enterAndSay, isLoading, error } = useEnter();
  const { ownLine, bed } = page;
  const plantingId = bed.planting?.id;
  if (!ownLine || plantingId === undefined) return null;
  const { now, usual, isOwn, proposed, borne, wilts } = ownLine;
  if (!isOwn && proposed === null && wilts.length === 0) return null;
  const settle = (share: number | null, text: string): void => {
    const written = enterAndSay([onBed(bed.id, { kind: 'own line', plantingId, share })], text);
    void written.catch(() => undefined);
  };
  const wilt = wilts.at(-1);
  const last = borne.at(-1);
  return (
    <section aria-labelledby="own-line" className="mt-6 max-w-prose">
      <h3 id="own-line" className="text-xl">
        How far it may dry down
      </h3>
      <p className="border-t border-rule pt-2">
        {isOwn
          ? `By your own line, ${percent(now)} of the water its roots can hold may go before it counts as thirsty. For this crop ${percent(usual)} is usual.`
          : `As is usual for this crop, ${percent(usual)} of the water its roots can hold may go before it counts as thirsty.`}
        {wilt
          ? ` It wilted on ${plainDate(wilt.on, today)}${
              wilt.days === null ? '' : `, ${days(wilt.days)} after it had water`
            }, with ${percent(wilt.goneShare)} of that water gone.`
          : ''}
        {wilt && wilt.goneShare < THIRSTY_FROM
          ? ' That was not much, so it may not have been thirst, or water does not reach its roots: dig and look.'
          : ''}
        {proposed !== null && proposed > now && last
          ? ` It has dried down further than that ${borne.length} times without wilting, last on ${plainDate(last.on, today)}. ${percent(proposed)} would mean fewer rounds. Growth can slow before a plant wilts, so look at it closely the first time.`
          : ''}
        {proposed !== null && proposed < now
          ? ` Watering at ${percent(proposed)} would come before the wilting.`
          : ''}
      </p>
      <p>
        {proposed !== null ? (
          <button
            type="button"
            disabled={isLoading}
            className="min-h-9 font-semibold underline underline-offset-4"
            onClick={() =>
              settle(
                proposed,
                `${bed.name}: it counts as thirsty when ${percent(proposed)} of its water is gone.`,
              )
            }
          >
            Use {percent(proposed)}
          </button>
        ) : null}{' '}
        {isOwn ? (
          <button
            type="button"
            disabled={isLoading}
            className="min-h-9 underline underline-offset-4"
            onClick={() => settle(null, `${bed.name}: the crop’s usual ${percent(usual)} counts again.`)}
          >
            Use the crop’s usual {percent(usual)} again
          </button>
        ) : null}
      </p>
      <Refused error={error} />
    </section>
  );
}
