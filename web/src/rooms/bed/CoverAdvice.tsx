import type { BedView } from '@kibble/contract';
import {
  GOAL_FACTS,
  GOALS,
  isSheet,
  MULCH_MATERIALS,
  m3ToCubicYards,
  m3ToLitres,
  mulchVolume,
  soakBeforeMulch,
  type Goal,
  type MulchMaterial,
} from '@kibble/core';
import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import { useSaveBedMutation } from '../../api/beds.ts';
import { useTryOnBedQuery } from '../../api/workings.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Changes } from '../../ui/Changes.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { SinceField } from '../../ui/SinceField.tsx';
import { bedBodyOf } from '../beds/bedBodyOf.ts';
import { Refused } from '../../ui/Refused.tsx';
import { Check } from '../../ui/Check.tsx';
import { checkedBy, figure } from '../../words/formSchema.ts';

/** Mulch as it is usually laid, mm. Common practice. */
const TRIED_MM = 50;

/** What is typed of a bed's cover and goal. */
interface Typed {
  material: MulchMaterial;
  depth: string;
  shade: boolean;
  goal: Goal;
}

/** What straw, shade or another goal would do here, tried on the bed's own plan before it is done. */
export function CoverAdvice({ bed, depletionShare }: { bed: BedView; depletionShare: number }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const depth = units.of('depth');
  const form = useForm<Typed>({
    resolver: checkedBy<Typed>({ depth: figure('mulchMm', units) }),
    mode: 'onChange',
    defaultValues: {
      material: bed.mulchMaterial ?? 'straw',
      // What lies there, and nothing more: ticking shade cloth must not lay mulch.
      depth: String(Number(depth.fromSi(bed.mulchMm ?? 0).toFixed(1))),
      shade: bed.shadeCloth,
      goal: bed.goal,
    },
  });
  const { material, depth: text, shade, goal } = useWatch({ control: form.control }) as Typed;
  const [since, setSince] = useState(garden.today);
  const [save, { isLoading, error }] = useSaveBedMutation();
  const { enterAndSay } = useEnter();
  const rule = numberRule('mulchMm', text, units);
  const mm = rule === true ? (typedSi('mulchMm', text, units) ?? 0) : null;
  const mulch = mm === null ? undefined : mm > 0 ? { material, depthMm: mm } : null;
  const { data } = useTryOnBedQuery(
    mm === null ? skipToken : { bedId: bed.id, body: { inputs: [], mulch, shadeCloth: shade, goal } },
  );
  const same =
    mm === (bed.mulchMm ?? 0) &&
    (mm === 0 || material === bed.mulchMaterial) &&
    shade === bed.shadeCloth &&
    goal === bed.goal;
  const volume =
    mm !== null && mm >= 1 && !isSheet(material)
      ? mulchVolume({ areaM2: bed.areaM2, depthMm: mm, material })
      : null;
  const cubic = (m3: number): string =>
    units.system === 'us'
      ? `${m3ToCubicYards(m3).toFixed(2)} cu yd`
      : m3 < 1
        ? `${Math.round(m3ToLitres(m3))} L`
        : `${m3.toFixed(1)} m³`;
  const laying = mm !== null && mm > (bed.mulchMm ?? 0);

  const keep = async (): Promise<void> => {
    const { settings } = await save({
      gardenId: garden.id,
      bedId: bed.id,
      body: {
        ...bedBodyOf(bed),
        version: bed.version,
        since,
        mulchMm: mm || null,
        mulchMaterial: mm ? material : null,
        shadeCloth: shade,
        goal,
      },
    }).unwrap();
    dispatch(
      noticeShown({
        text: `${bed.name}: its cover and goal are changed.`,
        undo: undoesEntries(garden.id, settings ?? []),
      }),
    );
  };
  const aside = async (): Promise<void> => {
    await enterAndSay(
      [onBed(bed.id, { kind: 'mulch', what: 'moved aside' })],
      `${bed.name}: you will be reminded to put the mulch back.`,
    );
  };

  return (
    <section id="cover" aria-labelledby="cover-title">
      <h2 id="cover-title" className="mb-1 text-2xl">
        Mulch, shade and goal
      </h2>
      <div className="mb-2 flex flex-wrap items-end gap-4 border-t border-ink pt-2">
        <Field
          label="Mulch, how deep"
          unit={depth.unit}
          inputMode="decimal"
          className="w-20"
          error={form.formState.errors.depth?.message}
          {...form.register('depth')}
        />
        <Choice label="of" {...form.register('material')}>
          {MULCH_MATERIALS.map((m) => (
            <option key={m} value={m}>
              {m}
            </option>
          ))}
        </Choice>
        <Choice label="Grown for" {...form.register('goal')}>
          {GOALS.map((g) => (
            <option key={g} value={g}>
              {GOAL_FACTS[g].words}
            </option>
          ))}
        </Choice>
        <Check {...form.register('shade')}>shade cloth</Check>
      </div>
      {bed.mulchMm || (mm ?? 0) > 0 ? null : (
        <button
          type="button"
          className="min-h-9 underline underline-offset-4"
          onClick={() =>
            form.setValue('depth', String(Number(depth.fromSi(TRIED_MM).toFixed(1))), {
              shouldValidate: true,
            })
          }
        >
          Try what {units.text('depth', TRIED_MM)} of {material} would save
        </button>
      )}
      {data && !same ? <Changes before={data.before} after={data.after} today={garden.today} /> : null}
      {laying && volume ? (
        <p className="mt-2">
          {soakBeforeMulch(depletionShare)
            ? 'The ground is dry: soak it first, then mulch. '
            : 'The ground is moist: mulch it now. '}
          Get {cubic(volume.looseM3)} of {material}
          {volume.looseM3 > volume.settledM3 * 1.01 ? '; it settles to the depth wanted' : ''}.
        </p>
      ) : null}
      <Refused error={error} />
      {same ? null : (
        <div className="mt-2 max-w-xs">
          <SinceField bed={bed} today={garden.today} value={since} onChange={setSince} />
        </div>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {same ? null : (
          <Button disabled={isLoading || mm === null} onClick={() => void keep().catch(() => undefined)}>
            It is done: keep it
          </Button>
        )}
        {bed.mulchMm ? (
          <Button look="quiet" className="-ml-4" onClick={() => void aside().catch(() => undefined)}>
            I moved the mulch aside
          </Button>
        ) : null}
      </div>
    </section>
  );
}
