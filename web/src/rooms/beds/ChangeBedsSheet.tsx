import type { BedsChange, BedView } from '@kibble/contract';
import { TEXTURE_CLASSES, type TextureClass } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { useChangeBedsMutation } from '../../api/beds.ts';
import { useAppDispatch } from '../../api/store.ts';
import {
  bedDraft,
  emptyBed,
  flowFields,
  MulchFields,
  ShapeField,
  WaterFields,
  type TypedBed,
} from '../../places/ground/Fields.tsx';
import { mostOf } from '../../places/ground/mostOf.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { Field } from '../../ui/Field.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure, isDay, obeys, type FieldSchemas } from '../../words/formSchema.ts';
import { useUnits, type Units } from '../../words/units.ts';
import { bedsCounted } from './table/words.ts';

/** What can be changed on many beds at once. */
const WHATS = [
  ['method', 'how they are watered'],
  ['crop', 'what grows there'],
  ['mulch', 'their mulch'],
  ['soil', 'their soil'],
  ['tap', 'their tap'],
  ['place', 'the part of the garden they are in'],
  ['form', 'their shape'],
] as const;
type What = (typeof WHATS)[number][0];

interface Typed extends TypedBed {
  what: What;
  tapId: string;
  since: string;
}

const fieldsOf = (units: Units): FieldSchemas<Typed> => ({
  ...(Object.fromEntries(
    Object.entries(flowFields(units)).map(([name, rule]) => [
      name,
      (typed: Typed) => (typed.what === 'method' && typeof rule === 'function' ? rule(typed) : null),
    ]),
  ) as FieldSchemas<Typed>),
  mulch: ({ what }) => (what === 'mulch' ? figure('mulchMm', units, { optional: true }) : null),
  plantedOn: ({ what }) =>
    what === 'crop' ? obeys((day) => isDay(day) || 'Planting date must be a day of the calendar.') : null,
  since: ({ what }) =>
    ['method', 'mulch', 'tap', 'form'].includes(what)
      ? obeys((day) => isDay(day) || 'Since when must be a day of the calendar.')
      : null,
});

/** The one change, as home takes it. */
function changeOf(typed: Typed, units: Units): BedsChange {
  const bed = bedDraft({ ...typed, bare: false }, units);
  switch (typed.what) {
    case 'soil':
      return { what: 'soil', textureClass: typed.textureClass };
    case 'place':
      return { what: 'place', place: typed.place || null };
    case 'tap':
      return { what: 'tap', tapId: typed.tapId === '' ? null : Number(typed.tapId) };
    case 'form':
      return { what: 'form', form: typed.form };
    case 'mulch':
      return {
        what: 'mulch',
        mulch: bed.mulchMm ? { material: typed.mulchMaterial, depthMm: bed.mulchMm } : null,
      };
    case 'method':
      return { what: 'method', delivery: bed.delivery };
    case 'crop':
      return { what: 'crop', plantings: [{ cropId: typed.cropId, plantedOn: typed.plantedOn }] };
  }
}

/** Changes one thing on the beds that were chosen, and on all of them or none. */
export function ChangeBedsSheet({ beds, onClose }: { beds: readonly BedView[]; onClose: () => void }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [change, { isLoading, error }] = useChangeBedsMutation();
  const form = useKeptForm<Typed>(`beds-change-${garden.id}`, {
    fields: fieldsOf(units),
    defaultValues: {
      ...emptyBed(garden.today),
      textureClass: mostOf(beds, (bed) => bed.textureClass) ?? 'loam',
      method: mostOf(beds, (bed) => bed.delivery.method) ?? 'hose wand',
      place: mostOf(beds, (bed) => bed.place) ?? '',
      what: 'method',
      tapId: '',
      since: garden.today,
    },
  });
  const [what, cropId] = useWatch({ control: form.control, name: ['what', 'cropId'] });
  const { errors } = form.formState;
  const asBed = form as unknown as UseFormReturn<TypedBed>;
  const save = form.handleSubmit(async (typed) => {
    const ids = beds.map(({ id }) => id);
    const body = { ids, change: changeOf(typed, units), since: typed.since };
    const changed = await change({ gardenId: garden.id, body }).unwrap();
    dispatch(
      noticeShown({
        text: `${bedsCounted(beds.length)} changed: ${WHATS.find(([id]) => id === typed.what)?.[1] ?? ''}.`,
        undo: [{ to: 'undoChangeOfBeds', at: { id: garden.id }, body: changed }],
      }),
    );
    onClose();
  });
  const taps = garden.taps.filter(({ archived }) => !archived);
  return (
    <Sheet open onClose={onClose} title={`Change ${bedsCounted(beds.length).toLowerCase()}`}>
      <form noValidate className="flex flex-col gap-4" onSubmit={(e) => void save(e).catch(() => undefined)}>
        <DraftNote draft={form.draft} />
        <Choice label="What do you want to change?" {...form.register('what')}>
          {WHATS.map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </Choice>
        {what === 'method' ? <WaterFields form={asBed} /> : null}
        {what === 'crop' ? (
          <>
            <CropPicker label="Crop" value={cropId} onChange={(id) => form.setValue('cropId', id)} />
            <Field
              label="Planted or sown on"
              type="date"
              error={errors.plantedOn?.message}
              hint="What stands on the beds that day is cleared. It may be a day to come."
              {...form.register('plantedOn')}
            />
          </>
        ) : null}
        {what === 'mulch' ? <MulchFields form={asBed} /> : null}
        {what === 'soil' ? (
          <Choice
            label="Topsoil"
            hint="Where only some of the beds on one ground are chosen, they get a ground of their own, without its soil tests."
            {...form.register('textureClass')}
          >
            {TEXTURE_CLASSES.map((name: TextureClass) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </Choice>
        ) : null}
        {what === 'tap' ? (
          <Choice
            label="Tap"
            hint={taps.length === 0 ? 'Taps are added under Ground & taps.' : undefined}
            {...form.register('tapId')}
          >
            <option value="">none in particular</option>
            {taps.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Choice>
        ) : null}
        {what === 'place' ? (
          <Field label="Part of the garden" placeholder="Field, yard, tunnel" {...form.register('place')} />
        ) : null}
        {what === 'form' ? <ShapeField form={asBed} /> : null}
        {['method', 'mulch', 'tap', 'form'].includes(what) ? (
          <Field
            label="Since when"
            type="date"
            max={garden.today}
            error={errors.since?.message}
            {...form.register('since')}
          />
        ) : null}
        <Refused error={error} />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            Change {bedsCounted(beds.length).toLowerCase()}
          </Button>
          <Button look="quiet" onClick={onClose}>
            Leave them as they were
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
