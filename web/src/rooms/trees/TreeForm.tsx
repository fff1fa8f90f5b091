import { LIMITS, type BedView, type TreeNow } from '@kibble/contract';
import {
  daysBetween,
  BENEATH,
  CAME_AS,
  CATALOGUE,
  GOAL_FACTS,
  GOALS,
  LAYOUT_FACTS,
  LAYOUTS,
  NEARBY,
  PHASE_FACTS,
  SOAK_BY,
  REACHES,
  TEXTURE_CLASSES,
  TREE_SORTS,
  USUAL_BUCKET_L,
  type CropEntry,
  GAP_RULES,
  GAP_SCHOOLS,
} from '@kibble/core';
import { useState } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { useAddTreeMutation, useChangeTreeMutation } from '../../api/trees.ts';
import { useGarden, useGardenCrops } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import {
  BENEATH_WORDS,
  CAME_WORDS,
  layoutWords,
  PHASE_WORDS,
  ringWords,
  soakByWords,
} from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Drawer } from '../../ui/Drawer.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { SinceField } from '../../ui/SinceField.tsx';
import {
  emptyTree,
  FIGURES,
  newTreeDraft,
  sketchOf,
  treeDraft,
  treeFields,
  typedFromTree,
  usualFor,
  type Figure,
  type TypedTree,
} from './typedTree.ts';
import { PlantedWhen } from './PlantedWhen.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Check } from '../../ui/Check.tsx';
import { Fold } from '../../ui/Fold.tsx';

const PAIR = 'grid gap-4 sm:grid-cols-2';
const SORT_WORDS = { tree: 'a tree', shrub: 'a shrub or bush', hedge: 'a hedge' } as const;
const NEAR_WORDS = { nothing: 'nothing', path: 'a path', building: 'a building' } as const;

/** A tree told for the first time, or anew; or a bed that really is one. */
export function TreeForm({
  bed,
  tree,
  onClose,
}: {
  /** Null: a new one. */
  bed: BedView | null;
  tree: TreeNow | null;
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const own = useGardenCrops();
  const [add, adding] = useAddTreeMutation();
  const [change, changing] = useChangeTreeMutation();
  const crops: CropEntry[] = [...own, ...CATALOGUE];
  const form = useKeptForm<TypedTree>(`tree-${garden.id}-${bed?.id ?? 'new'}`, {
    fields: treeFields(garden.today, units, bed === null),
    defaultValues: startOf(),
  });
  const [since, setSince] = useState(garden.today);
  const typed = useWatch({ control: form.control }) as TypedTree;
  const crop = crops.find(({ id }) => id === typed.cropId) ?? null;
  const sketch = sketchOf(typed, crop, garden.today, units);
  const others = garden.beds.filter((b) => !b.archived && b.id !== bed?.id);
  const send = (version: number | undefined) =>
    form.handleSubmit(async (values) => {
      if (!bed) {
        const { id } = await add({ gardenId: garden.id, body: newTreeDraft(values, units) }).unwrap();
        dispatch(
          noticeShown({ text: `${values.name} is in the plan.`, undo: [{ to: 'archiveBed', at: { id } }] }),
        );
        onClose();
        void navigate(`/garden/${garden.id}/trees/${id}`);
        return;
      }
      // Where it lies it stays, until it is moved; what is new gets the ring it ought to have.
      const ring = tree && !form.formState.dirtyFields.reach ? tree.facts.ring : undefined;
      const { delivery } = newTreeDraft(values, units);
      const { settings } = await change({
        bedId: bed.id,
        body: { version: version ?? bed.version, since, delivery, tree: treeDraft(values, units, ring) },
      }).unwrap();
      dispatch(
        noticeShown({
          text: tree
            ? `${bed.name} is so since ${plainDate(since, garden.today)}.`
            : `${bed.name} is a tree place now, with its log.`,
          undo: undoesEntries(garden.id, settings),
        }),
      );
      onClose();
      if (!tree) void navigate(`/garden/${garden.id}/trees/${bed.id}`);
    });
  const { isLoading } = bed ? changing : adding;
  const failed = bed ? changing.error : adding.error;

  function startOf(): TypedTree {
    const empty = emptyTree(garden.today, units);
    if (!bed) return empty;
    const standing = {
      cropId: bed.planting?.cropId ?? '',
      plantedOn: bed.planting?.plantedOn ?? garden.today,
      textureClass: bed.textureClass,
    };
    if (tree) return { ...typedFromTree(tree, bed.delivery, garden.today, units), ...standing };
    return {
      ...empty,
      ...standing,
      flow: units.number('flow', bed.delivery.litresPerMinute),
      measured: bed.delivery.measured,
      beneath: bed.mulchMm ? 'mulch' : 'bare',
      ...usualFor(standing.cropId, standing.plantedOn, garden.today, units),
    };
  }
  const isYoung = daysBetween(typed.plantedOn || garden.today, garden.today) < 365;
  const follow = (cropId: string, plantedOn: string): void => {
    for (const [field, value] of Object.entries(usualFor(cropId, plantedOn, garden.today, units)))
      if (!form.formState.dirtyFields[field as keyof TypedTree])
        form.setValue(field as keyof TypedTree, value, { shouldDirty: false });
  };

  return (
    <Drawer
      open
      onClose={onClose}
      title={bed ? (tree ? `Change ${bed.name}` : `${bed.name} is a tree`) : 'A new tree, shrub or hedge'}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => void send(bed?.version)(e).catch(() => undefined)}
      >
        <DraftNote draft={form.draft} />
        {bed ? null : (
          <>
            <CropPicker
              label="Kind"
              value={typed.cropId}
              onChange={(id) => {
                form.setValue('cropId', id, { shouldDirty: true });
                const name = crops.find((c) => c.id === id)?.name ?? '';
                if (!form.formState.dirtyFields.name) form.setValue('name', name, { shouldDirty: false });
                follow(id, typed.plantedOn);
              }}
            />
            {typed.cropId === '' ? (
              <p className="-mt-3 text-sm text-quiet">
                Nobody knows?{' '}
                <button
                  type="button"
                  className="underline underline-offset-4"
                  onClick={() => {
                    form.setValue('cropId', 'tree-unknown');
                    follow('tree-unknown', typed.plantedOn);
                  }}
                >
                  Take the middle of all kinds
                </button>
              </p>
            ) : null}
            <div className={PAIR}>
              <Field label="Name" error={form.formState.errors.name?.message} {...form.register('name')} />
              <PlantedWhen
                value={typed.plantedOn}
                today={garden.today}
                error={form.formState.errors.plantedOn?.message}
                onChange={(day) => {
                  form.setValue('plantedOn', day, { shouldDirty: true });
                  if (day !== '') form.clearErrors('plantedOn');
                  follow(typed.cropId, day || garden.today);
                }}
              />
            </div>
          </>
        )}
        <div className={PAIR}>
          <Choice label="It is" {...form.register('sort')}>
            {TREE_SORTS.map((sort) => (
              <option key={sort} value={sort}>
                {SORT_WORDS[sort]}
              </option>
            ))}
          </Choice>
          {typed.sort === 'hedge' ? (
            <Figured form={form} field="length" label="Length of the hedge" />
          ) : (
            <Figured form={form} field="count" label="How many alike" />
          )}
          <Figured
            form={form}
            field="canopy"
            label={typed.sort === 'hedge' ? 'How thick it is' : 'Branches across'}
            hint={typed.sort === 'hedge' ? undefined : 'From tip to tip, on the ground.'}
          />
          <Figured form={form} field="height" label="Height" hint="Left empty: as its kind grows." />
          {typed.sort === 'tree' ? (
            <>
              <Figured
                form={form}
                field="trunk"
                label="Trunk"
                hint={
                  isYoung
                    ? 'How much it is watered, and for how many years, follows from this. Left empty: worked out from its ball or pot.'
                    : 'Left empty: not known.'
                }
              />
              <Choice label="Trunk measured" {...form.register('trunkBy')}>
                <option value="thick">across</option>
                <option value="girth">round it, with a tape</option>
              </Choice>
            </>
          ) : null}
          <Choice label="It came" {...form.register('cameAs')}>
            {CAME_AS.map((id) => (
              <option key={id} value={id}>
                {CAME_WORDS[id]}
              </option>
            ))}
          </Choice>
          {typed.cameAs === 'potted' ? (
            <Figured form={form} field="pot" label="Its pot held" hint="Left empty: not known." />
          ) : null}
          {typed.cameAs === 'balled' ? (
            <Figured form={form} field="ball" label="Width of its root ball" hint="Left empty: not known." />
          ) : null}
          <Choice label="Beneath it" {...form.register('beneath')}>
            {BENEATH.map((id) => (
              <option key={id} value={id}>
                {BENEATH_WORDS[id]}
              </option>
            ))}
          </Choice>
          <Figured
            form={form}
            field="mulched"
            label="Mulched out to"
            hint="From the trunk; left empty: not."
          />
          <Choice label="Longest gap between waterings" {...form.register('gap')}>
            {GAP_SCHOOLS.map((id) => (
              <option key={id} value={id}>
                {GAP_RULES[id].label}
              </option>
            ))}
          </Choice>
          <Choice label="Near it" {...form.register('near')}>
            {NEARBY.map((id) => (
              <option key={id} value={id}>
                {NEAR_WORDS[id]}
              </option>
            ))}
          </Choice>
          {typed.near === 'nothing' ? null : <Figured form={form} field="nearOff" label="How far off" />}
          {bed ? null : (
            <>
              <Choice label="Soil" {...form.register('textureClass')}>
                {TEXTURE_CLASSES.map((texture) => (
                  <option key={texture} value={texture}>
                    {texture}
                  </option>
                ))}
              </Choice>
              <Choice label="The ground now is" {...form.register('startWetness')}>
                <option value="soaked">soaked</option>
                <option value="moist">moist</option>
                <option value="drying">drying</option>
                <option value="dry">dry</option>
                <option value="not known">not known</option>
              </Choice>
              <Choice label="Grown for" {...form.register('goal')}>
                {GOALS.map((goal) => (
                  <option key={goal} value={goal}>
                    {GOAL_FACTS[goal].words}
                  </option>
                ))}
              </Choice>
              <Field label="Part of the garden" hint="Left empty: none." {...form.register('place')} />
            </>
          )}
        </div>
        <Choice label="Watered by" {...form.register('by')}>
          {LAYOUTS.map((by) => (
            <option key={by} value={by}>
              {LAYOUT_FACTS[by].label}: {LAYOUT_FACTS[by].suits}
            </option>
          ))}
        </Choice>
        <div className={PAIR}>
          <Figured
            form={form}
            field="flow"
            label={
              typed.by === 'emitters' || typed.by === 'tube spiral' || typed.by === 'micro-sprays'
                ? 'The tap gives'
                : 'Hose or line gives'
            }
          />
          <Check {...form.register('measured')} className="self-center">
            measured with a bucket
          </Check>
          {typed.by === 'basin' ? null : (
            <Figured
              form={form}
              field="pieces"
              label={`How many ${LAYOUT_FACTS[typed.by].piece}`}
              hint={
                typed.by === 'soaker ring'
                  ? 'One inside the other; left empty: one.'
                  : 'At each plant; left empty: as many as the ring takes.'
              }
            />
          )}
          {typed.by === 'emitters' || typed.by === 'tube spiral' || typed.by === 'micro-sprays' ? (
            <Figured form={form} field="pieceLph" label="One gives" hint="Left empty: the usual." />
          ) : null}
          {typed.by === 'buckets' ? (
            <>
              <Figured
                form={form}
                field="bucket"
                label="A bucket holds"
                hint={`Left empty: ${units.text('volume', USUAL_BUCKET_L)}, a usual bucket.`}
              />
              <Figured
                form={form}
                field="empties"
                label="It is empty after"
                hint="Left empty: half an hour."
              />
            </>
          ) : null}
        </div>
        <Fold heading="How far out, how deep, how much" look="font-semibold">
          <div className={`${PAIR} pt-2`}>
            <Choice
              label="The ring"
              hint={
                tree
                  ? 'Chosen anew, the ring is laid out anew.'
                  : 'Roots go two to four times as far as the branches.'
              }
              {...form.register('reach')}
            >
              {REACHES.map((reach) => (
                <option key={reach} value={reach}>
                  {reach === 'at the edge'
                    ? 'about the edge of the branches'
                    : reach === 'past the edge'
                      ? 'just past the edge'
                      : 'well out, to twice as far'}
                </option>
              ))}
            </Choice>
            <Figured
              form={form}
              field="part"
              label="Part of it that is watered"
              hint="Left empty: all. A part with its full dose keeps the whole tree."
            />
            <Figured form={form} field="depth" label="Soak it to" hint="Left empty: by its size." />
            <Choice label="How much a soak is" {...form.register('soakBy')}>
              {SOAK_BY.filter(
                (by) => by !== 'trunk' || (typed.trunk !== '' && !isYoung) || typed.soakBy === by,
              ).map((by) => (
                <option key={by} value={by}>
                  {soakByWords(by, units)}
                </option>
              ))}
            </Choice>
            <Figured
              form={form}
              field="litresEach"
              label="A set volume for each"
              hint="Left empty: as chosen beside it."
            />
          </div>
          {others.length > 0 ? (
            <fieldset className="mt-3">
              <legend className="font-semibold">Its roots share the water of</legend>
              <div className="flex flex-wrap gap-x-5">
                {others.map(({ id, name }) => (
                  <Check
                    key={id}
                    checked={typed.shares.includes(String(id))}
                    onChange={({ target: { checked } }) =>
                      form.setValue(
                        'shares',
                        checked
                          ? [...typed.shares, String(id)]
                          : typed.shares.filter((other) => other !== String(id)),
                        { shouldDirty: true },
                      )
                    }
                  >
                    {name}
                  </Check>
                ))}
              </div>
              <p className="text-sm text-quiet">A lawn’s water counts only as deep as it goes.</p>
            </fieldset>
          ) : null}
          <Check {...form.register('indicator')} className="mt-3">
            Its big leaves hang before its neighbours do: ask me to look at it in heat
          </Check>
        </Fold>
        <div className="border-l-4 border-ink pl-3" aria-live="polite" data-testid="starter">
          {sketch ? (
            <p>
              <strong>
                It would be watered {ringWords(sketch.facts.ring, units, typed.sort === 'hedge')}
              </strong>
              , {units.text('depth', sketch.facts.depthMm)} deep, {PHASE_FACTS[sketch.plan.phase].often}:{' '}
              {units.text('volume', sketch.plan.litres)},{' '}
              {layoutWords(sketch.plan, sketch.facts.count, units)}. It is {PHASE_WORDS[sketch.plan.phase]};
              at most {sketch.plan.gapDays} days without a soak.
            </p>
          ) : (
            <p className="text-quiet">
              {typed.cropId === ''
                ? 'Say what it is, and its plan grows here.'
                : 'So it cannot be watered yet: look at the figures.'}
            </p>
          )}
        </div>
        {bed ? <SinceField bed={bed} today={garden.today} value={since} onChange={setSince} /> : null}
        <RefusalOrConflict
          error={failed}
          onMine={(version) => void send(version)().catch(() => undefined)}
          onTheirs={onClose}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            {bed ? (tree ? 'Keep the changes' : 'Make it a tree place') : 'Put it in the plan'}
          </Button>
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
        </div>
      </form>
    </Drawer>
  );
}

function Figured({
  form,
  field,
  label,
  hint,
}: {
  form: UseFormReturn<TypedTree>;
  field: Figure;
  label: string;
  hint?: string;
}) {
  const units = useUnits();
  return (
    <Field
      label={label}
      inputMode="decimal"
      unit={units.of(LIMITS[FIGURES[field]].quantity).unit || undefined}
      hint={hint}
      error={form.formState.errors[field]?.message}
      {...form.register(field)}
    />
  );
}
