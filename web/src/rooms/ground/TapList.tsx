import type { GardenView, TapView } from '@kibble/contract';
import { bucketTest, foundOf, staleReason } from '@kibble/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useArchiveTapMutation } from '../../api/taps.ts';
import { useAppDispatch } from '../../api/store.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { Button } from '../../ui/Button.tsx';
import { atTap, useEnter } from '../../ui/useEnter.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { TapForm } from './TapForm.tsx';
import { ZoneFaults, ZoneFlow } from './ZoneFacts.tsx';

/** The taps with what is screwed on them, their measured flow and its age, and the zones that they feed. */
export function TapList({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState<TapView | 'new' | null>(null);
  const [archive] = useArchiveTapMutation();
  const { enterAndSay } = useEnter();
  const taps = garden.taps.filter((tap) => !tap.archived);
  const away = async (tap: TapView): Promise<void> => {
    await archive({ tapId: tap.id });
    dispatch(
      noticeShown({ text: `${tap.name} is put away.`, undo: [{ to: 'restoreTap', at: { id: tap.id } }] }),
    );
  };
  const changed = async (tap: TapView): Promise<void> => {
    await enterAndSay(
      [atTap(tap.id, { kind: 'changed', what: 'pressure or height' })],
      `${tap.name}: its flow wants measuring again.`,
    );
  };
  return (
    <section aria-labelledby="taps">
      <h2 id="taps" className="mb-1 text-2xl">
        Taps and zones
      </h2>
      {taps.length === 0 ? (
        <p className="border-t border-rule pt-2 text-quiet">
          None named yet. A tap measured once serves every bed that draws from it.
        </p>
      ) : null}
      <ul>
        {taps.map((tap) => {
          const bucket = tap.findings.find((f) => f.input.kind === 'bucket');
          const stale = bucket ? staleReason(foundOf(bucket), tap.findings.map(foundOf), garden.today) : null;
          const flow = bucket?.input.kind === 'bucket' ? bucketTest(bucket.input).litresPerMinute : null;
          const beds = garden.beds.filter((b) => b.tapId === tap.id && !b.archived).length;
          const zones = taps.filter(({ fromTapId }) => fromTapId === tap.id).length;
          const from = taps.find(({ id }) => id === tap.fromTapId);
          const kind = [
            tap.nozzle,
            tap.together && !/zone/i.test(tap.name) ? 'a zone' : '',
            tap.station ? `station ${tap.station}` : '',
            from ? `fed by ${from.name}` : '',
          ].filter((part) => part !== '');
          if (editing !== 'new' && editing?.id === tap.id)
            return (
              <li key={tap.id}>
                <TapForm tap={tap} garden={garden} onClose={() => setEditing(null)} />
              </li>
            );
          return (
            <li key={tap.id} className="border-t border-rule py-2">
              <p>
                <strong>{tap.name}</strong>
                {kind.map((part) => `, ${part}`).join('')}
              </p>
              <p>
                {flow === null || !bucket ? (
                  tap.together ? (
                    <ZoneFlow zone={tap} garden={garden} />
                  ) : (
                    'not measured'
                  )
                ) : (
                  <>
                    <span className={stale ? 'assumed' : ''}>{units.text('flow', flow)}</span>
                    <span className="text-sm text-quiet">
                      {' '}
                      measured {plainDate(bucket.on, garden.today)}
                      {stale ? `; ${stale}` : ''}
                    </span>
                  </>
                )}
                <span className="text-sm text-quiet">
                  ; {beds === 1 ? '1 bed' : `${beds} beds`}
                  {zones > 0 ? `, ${zones === 1 ? '1 zone' : `${zones} zones`}` : ''}
                </span>
              </p>
              {tap.together ? <ZoneFaults zone={tap} garden={garden} /> : null}
              <p className="flex flex-wrap items-center gap-x-4 text-sm">
                {tap.together ? null : (
                  <Link
                    className="flex min-h-8 items-center underline underline-offset-4"
                    to={`tap/${tap.id}/bucket`}
                  >
                    Time a bucket<span className="sr-only"> at {tap.name}</span>
                  </Link>
                )}
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => setEditing(tap)}
                >
                  Change
                </button>
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => void changed(tap).catch(() => undefined)}
                >
                  Pressure changed
                </button>
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => void away(tap)}
                >
                  Put away
                </button>
              </p>
            </li>
          );
        })}
      </ul>
      {editing === 'new' ? (
        <TapForm tap={null} garden={garden} onClose={() => setEditing(null)} />
      ) : (
        <Button look="quiet" className="-ml-4" onClick={() => setEditing('new')}>
          Add a tap or a zone
        </Button>
      )}
    </section>
  );
}
