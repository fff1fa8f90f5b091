import type { BedView, SettingView } from '@kibble/contract';
import { GOAL_FACTS } from '@kibble/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { refusal } from '../../api/api.ts';
import { useMoveSettingMutation } from '../../api/beds.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits, type Units } from '../../words/units.ts';
import { ringWords } from '../../words/treeWords.ts';
import { plainDate } from '../../words/words.ts';
import { Field } from '../../ui/Field.tsx';
import { KeepOrLeave } from '../../ui/KeepOrLeave.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { useEnter } from '../../ui/useEnter.ts';
import { checkedBy, obeys } from '../../words/formSchema.ts';

/** What a bed became on a day, in words. */
function words({ setting }: SettingView, units: Units, tapName: (id: number) => string): string {
  switch (setting.kind) {
    case 'area':
      return `its area is ${units.text('area', setting.value)}`;
    case 'form':
      return { flat: 'level with the paths', raised: 'raised', basin: 'a basin with a rim' }[setting.value];
    case 'cover':
      return setting.value ? 'under glass or plastic' : 'under the open sky';
    case 'shade':
      return setting.value ? 'under shade cloth' : 'shade cloth off';
    case 'mulched':
      return setting.value
        ? `${setting.value.material}, ${units.text('depth', setting.value.depthMm)}`
        : 'bare soil';
    case 'goal':
      return `grown to be ${GOAL_FACTS[setting.value].words}`;
    case 'watered':
      return `watered by ${setting.value.method}, ${units.text('flow', setting.value.litresPerMinute)}`;
    case 'tap':
      return setting.value === null ? 'drawing from no tap named' : `drawing from ${tapName(setting.value)}`;
    case 'tree':
      return setting.value === null
        ? 'a bed'
        : `a ${setting.value.sort} ${units.text('length', setting.value.canopyM)} across, watered ${ringWords(setting.value.ring, units, setting.value.sort === 'hedge')}`;
  }
}

/** What about the bed became another, and on which day: before it, everything was worked out as it was then. */
export function SettingsLog({ bed }: { bed: BedView }) {
  const garden = useGarden();
  const units = useUnits();
  const { undo } = useEnter();
  const [error, setError] = useState<unknown>(null);
  const [moving, setMoving] = useState<number | null>(null);
  const first = new Set(
    bed.settings.filter((s, i, all) => all.findIndex((o) => o.setting.kind === s.setting.kind) === i),
  );
  const changes = bed.settings.filter((s) => !first.has(s)).reverse();
  if (changes.length === 0) return null;
  const tapName = (id: number): string => garden.taps.find((tap) => tap.id === id)?.name ?? 'a tap';
  return (
    <section aria-labelledby="changes" className="mt-6">
      <h2 id="changes" className="mb-1 text-2xl">
        What changed here
      </h2>
      <Refused error={error} />
      <ul>
        {changes.map((change) => (
          <li key={change.id} className="border-t border-rule py-1">
            <div className="grid grid-cols-[6.5rem_minmax(0,1fr)] items-baseline gap-x-3">
              <span className="text-quiet">since {plainDate(change.from, garden.today)}</span>
              <span>{words(change, units, tapName)}</span>
              <span className="no-print col-start-2 flex gap-x-4">
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  aria-expanded={moving === change.id}
                  onClick={() => setMoving(moving === change.id ? null : change.id)}
                >
                  Another day
                </button>
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => void undo([change.id]).catch(setError)}
                >
                  Take back
                </button>
              </span>
            </div>
            {moving === change.id ? (
              <MoveForm bed={bed} change={change} today={garden.today} onClose={() => setMoving(null)} />
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Puts right since when it has been so. */
function MoveForm({
  bed,
  change,
  today,
  onClose,
}: {
  bed: BedView;
  change: SettingView;
  today: string;
  onClose: () => void;
}) {
  const dispatch = useAppDispatch();
  const [move, { error, isLoading }] = useMoveSettingMutation();
  const form = useForm({
    resolver: checkedBy<{ on: string }>({
      on: obeys(
        (day) =>
          (day !== '' && day <= today) || `Since when must be today or earlier; got ${day || 'nothing'}.`,
      ),
    }),
    defaultValues: { on: change.from },
  });
  const keep = form.handleSubmit(async ({ on }) => {
    if (on !== change.from) {
      const { ids } = await move({ id: change.id, on }).unwrap();
      dispatch(
        noticeShown({
          text: `${bed.name}: so since ${plainDate(on, today)}.`,
          undo: undoesEntries(bed.gardenId, ids),
        }),
      );
    }
    onClose();
  });
  return (
    <form noValidate className="pb-2" onSubmit={(e) => void keep(e).catch(() => undefined)}>
      <Field
        label="It has been so since"
        type="date"
        max={today}
        hint="Every figure from the earlier of the two days on is worked out anew."
        error={form.formState.errors.on?.message ?? (error ? refusal(error).message : undefined)}
        {...form.register('on')}
      />
      <div className="mt-2">
        <KeepOrLeave busy={isLoading} onLeave={onClose} />
      </div>
    </form>
  );
}
