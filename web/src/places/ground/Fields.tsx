import type { BedBody, BedView } from '@kibble/contract';
import {
  MULCH_MATERIALS,
  type BedForm,
  USUAL_FILL_MM,
  type Fill,
  type MulchMaterial,
  bucketTest,
  rectangleArea,
  canHaveTimer,
  GOAL_FACTS,
  GOALS,
  type Goal,
  type Lately,
  type Rank,
  METHOD_FACTS,
  METHODS,
  TEXTURE_CLASSES,
  TEXTURES,
  type Method,
  type TextureClass,
  USUAL_FLOW_LPM,
} from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import type { BedDraft } from '../../api/beds.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useUnits, type Units } from '../../words/units.ts';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { LatelyTaps } from '../../ui/LatelyTaps.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { Check } from '../../ui/Check.tsx';
import { figure, filled, isDay, obeys, type FieldSchemas } from '../../words/formSchema.ts';

/** A bed as it is typed: text, in the gardener's units. */
export interface TypedBed {
  /** What kind of place it is. */
  kind: string;
  name: string;
  area: string;
  textureClass: TextureClass;
  subsoilClass: TextureClass | '';
  /** What a raised bed is filled with instead of soil, and how deep. */
  filledWith: Fill | '';
  filledDepth: string;
  form: BedForm;
  underCover: boolean;
  shadeCloth: boolean;
  place: string;
  goal: Goal;
  rank: Rank | 'usual';
  length: string;
  width: string;
  notes: string;
  mulch: string;
  mulchMaterial: MulchMaterial;
  startWetness: BedBody['startWetness'];
  /** The day of which that is told; its first day when empty. */
  wetnessOn: string;
  /** What is remembered of the last month, where the ground is not known; null until somebody says. */
  lately: Lately | null;
  /** It is entered for the first time, not changed. */
  isNew: boolean;
  /** Nothing is planted yet. */
  bare: boolean;
  cropId: string;
  plantedOn: string;
  method: Method;
  flowBy: 'guess' | 'told' | 'bucket';
  flow: string;
  bucketVolume: string;
  bucketSeconds: string;
  timer: boolean;
  /** What the can or bucket holds; the usual one when empty. */
  fill: string;
  /** The guess a bed already runs on, L/min, and the method it was made for. */
  guessed: { method: Method; litresPerMinute: number } | null;
}

export const emptyBed = (plantedOn: string): TypedBed => ({
  kind: 'ground',
  name: '',
  area: '',
  textureClass: 'loam',
  subsoilClass: '',
  filledWith: '',
  filledDepth: '',
  form: 'flat',
  underCover: false,
  shadeCloth: false,
  place: '',
  goal: 'steady',
  rank: 'usual',
  length: '',
  width: '',
  notes: '',
  mulch: '',
  mulchMaterial: 'straw',
  startWetness: 'soaked',
  wetnessOn: '',
  lately: null,
  isNew: true,
  bare: false,
  cropId: 'tomato',
  plantedOn,
  method: 'hose wand',
  flowBy: 'guess',
  flow: '',
  bucketVolume: '',
  bucketSeconds: '',
  timer: false,
  fill: '',
  guessed: null,
});

const shown = (value: number): string => String(Math.round(value * 100) / 100);

export function typedFrom(bed: BedView, units: Units): TypedBed {
  return {
    ...emptyBed(bed.startOn),
    kind: bed.kind,
    name: bed.name,
    area: shown(units.of('area').fromSi(bed.areaM2)),
    textureClass: bed.textureClass,
    subsoilClass: bed.subsoilClass ?? '',
    form: bed.form,
    underCover: bed.underCover,
    shadeCloth: bed.shadeCloth,
    place: bed.place ?? '',
    goal: bed.goal,
    rank: bed.rank ?? 'usual',
    length: bed.lengthM ? shown(units.of('length').fromSi(bed.lengthM)) : '',
    width: bed.widthM ? shown(units.of('length').fromSi(bed.widthM)) : '',
    notes: bed.notes,
    mulchMaterial: bed.mulchMaterial ?? 'straw',
    mulch: bed.mulchMm ? shown(units.of('depth').fromSi(bed.mulchMm)) : '',
    startWetness: bed.startWetness,
    wetnessOn: bed.wetnessOn ?? '',
    isNew: false,
    bare: bed.planting === null,
    cropId: bed.planting?.cropId ?? 'tomato',
    plantedOn: bed.planting?.plantedOn ?? bed.startOn,
    method: bed.delivery.method,
    flowBy: bed.delivery.measured ? 'told' : 'guess',
    flow: shown(units.of('flow').fromSi(bed.delivery.litresPerMinute)),
    timer: bed.delivery.timer ?? false,
    fill: bed.delivery.fillLitres ? shown(units.of('litresFine').fromSi(bed.delivery.fillLitres)) : '',
    guessed: bed.delivery.measured ? null : bed.delivery,
  };
}

/** The typed bed in SI, as the API takes it. */
export function bedDraft(typed: TypedBed, units: Units, bed?: BedView | null): BedDraft {
  const mulchMm = typedSi('mulchMm', typed.mulch, units) ?? null;
  return {
    kind: typed.kind,
    name: typed.name,
    areaM2: typedSi('areaM2', typed.area, units) ?? 0,
    textureClass: typed.textureClass,
    subsoilClass: typed.subsoilClass || null,
    fill:
      typed.isNew && typed.filledWith
        ? {
            fill: typed.filledWith,
            depthMm: typedSi('fillDepthMm', typed.filledDepth, units) ?? USUAL_FILL_MM,
          }
        : null,
    form: typed.form,
    underCover: typed.underCover,
    shadeCloth: typed.shadeCloth,
    place: typed.place || null,
    goal: typed.goal,
    rank: typed.rank === 'usual' ? null : typed.rank,
    lengthM: typedSi('bedLengthM', typed.length, units) ?? null,
    widthM: typedSi('bedWidthM', typed.width, units) ?? null,
    notes: typed.notes,
    mulchMaterial: mulchMm ? typed.mulchMaterial : null,
    mulchMm,
    startWetness: typed.startWetness,
    wetnessOn: typed.wetnessOn || null,
    lately: typed.isNew && typed.startWetness === 'not known' ? typed.lately : null,
    planting: typed.bare
      ? null
      : {
          cropId: typed.cropId,
          plantedOn: typed.plantedOn,
          method: bed?.planting?.method,
          share: bed?.planting?.share ?? 1,
        },
    delivery: {
      method: typed.method,
      litresPerMinute: flowOf(typed, units),
      measured: typed.flowBy !== 'guess',
      ...(typed.timer && canHaveTimer(typed.method) ? { timer: true } : {}),
      ...(METHOD_FACTS[typed.method].fillLitres === undefined || typed.fill.trim() === ''
        ? {}
        : { fillLitres: typedSi('fillLitres', typed.fill, units) }),
    },
  };
}

const guessedFlow = (method: Method, guessed: TypedBed['guessed']): number =>
  guessed?.method === method ? guessed.litresPerMinute : USUAL_FLOW_LPM[method];

function flowOf(typed: TypedBed, units: Units): number {
  if (typed.flowBy === 'told') return typedSi('litresPerMinute', typed.flow, units) ?? 0;
  if (typed.flowBy === 'bucket') {
    const litres = typedSi('litres', typed.bucketVolume, units) ?? 0;
    return bucketTest({ litres, seconds: Number(typed.bucketSeconds) }).litresPerMinute;
  }
  return guessedFlow(typed.method, typed.guessed);
}

const seconds = obeys(
  (text) =>
    (Number(text) > 0 && Number(text) <= 3600) ||
    `Seconds must be more than 0 and up to 3600; got ${text.trim() === '' ? 'nothing' : `“${text}”`}.`,
);

/** What is asked of how fast the water flows. */
export const flowFields = (units: Units): FieldSchemas<TypedBed> => ({
  flow: ({ flowBy }) => (flowBy === 'told' ? figure('litresPerMinute', units) : null),
  bucketVolume: ({ flowBy }) => (flowBy === 'bucket' ? figure('litres', units) : null),
  bucketSeconds: ({ flowBy }) => (flowBy === 'bucket' ? seconds : null),
  fill: ({ method }) =>
    METHOD_FACTS[method].fillLitres === undefined ? null : figure('fillLitres', units, { optional: true }),
});

/** What each answer about a bed must be. */
export const bedFields = (units: Units): FieldSchemas<TypedBed> => ({
  name: filled('Name of the bed must not be empty.'),
  area: figure('areaM2', units),
  plantedOn: ({ bare }) =>
    bare ? null : obeys((day) => isDay(day) || 'Planting date must be a day of the calendar.'),
  filledDepth: ({ filledWith }) => (filledWith ? figure('fillDepthMm', units, { optional: true }) : null),
  mulch: figure('mulchMm', units, { optional: true }),
  ...flowFields(units),
  length: figure('bedLengthM', units, { optional: true }),
  width: figure('bedWidthM', units, { optional: true }),
});

export function SoilFields({ form }: { form: UseFormReturn<TypedBed> }) {
  const texture = useWatch({ control: form.control, name: 'textureClass' });
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Choice
        label="Topsoil, by feel"
        hint={`Moist, in the hand: ${TEXTURES[texture].feel.toLowerCase()}`}
        {...form.register('textureClass')}
      >
        {TEXTURE_CLASSES.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </Choice>
      <Choice
        label="Below a spade’s depth"
        hint="Leave as it is when you have not dug."
        {...form.register('subsoilClass')}
      >
        <option value="">the same</option>
        {TEXTURE_CLASSES.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </Choice>
    </div>
  );
}

export function CropFields({ form }: { form: UseFormReturn<TypedBed> }) {
  const units = useUnits();
  const { today } = useGarden();
  const cropId = useWatch({ control: form.control, name: 'cropId' });
  const [wetnessOn, isNew, bare, startWetness, lately] = useWatch({
    control: form.control,
    name: ['wetnessOn', 'isNew', 'bare', 'startWetness', 'lately'],
  });
  const { errors } = form.formState;
  /** What was planted days ago is told as its ground is now: nobody remembers that day, and much has happened since. */
  const asksNow = isNew && (bare || wetnessOn === today);
  const planted = ({ target: { value } }: { target: { value: string } }): void => {
    if (!isNew) return;
    const isLate = value !== '' && value < today;
    form.setValue('wetnessOn', isLate ? today : '');
    form.setValue('startWetness', isLate ? 'not known' : 'soaked');
  };
  const grows = (is: 'plants' | 'nothing'): void => {
    form.setValue('bare', is === 'nothing');
    if (is === 'nothing') {
      form.setValue('wetnessOn', today);
      form.setValue('startWetness', 'not known');
    } else planted({ target: { value: form.getValues('plantedOn') } });
  };
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Field
        label="Name of the bed"
        placeholder="Long bed by the fence"
        error={errors.name?.message}
        {...form.register('name')}
      />
      <Field
        label="Its area"
        unit={units.of('area').unit}
        inputMode="decimal"
        error={errors.area?.message}
        hint={`Of the planted ground: a figure, or its sides. ${SHAPES_HINT}`}
        {...form.register('area')}
      />
      {isNew || bare ? (
        <div className="sm:col-span-2">
          <Taps
            legend="Is anything planted?"
            options={GROWS}
            value={bare ? 'nothing' : 'plants'}
            onChange={grows}
            hint={bare ? BARE_HINT : undefined}
          />
        </div>
      ) : null}
      {bare ? null : (
        <>
          <CropPicker label="Crop" value={cropId} onChange={(id) => form.setValue('cropId', id)} />
          <Field
            label="Planted or sown on"
            type="date"
            error={errors.plantedOn?.message}
            hint="It may be a day to come, when you will sow or plant."
            {...form.register('plantedOn', { onChange: planted })}
          />
        </>
      )}
      <Choice
        label={asksNow ? 'The ground is now' : 'The ground that day was'}
        hint={asksNow ? WETNESS_HINT : undefined}
        {...form.register('startWetness')}
      >
        {WETNESS_WORDS.filter(([value]) => asksNow || value !== 'not known').map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Choice>
      {asksNow && startWetness === 'not known' ? (
        <div className="sm:col-span-2">
          <LatelyTaps value={lately} onChange={(said) => form.setValue('lately', said)} />
        </div>
      ) : null}
      <MulchFields form={form} />
      <ShapeField form={form} />
      <Check {...form.register('underCover')}>Under glass or plastic: no rain reaches it</Check>
    </div>
  );
}

/** A mulch by its depth and what it is of. */
export function MulchFields({ form }: { form: UseFormReturn<TypedBed> }) {
  const units = useUnits();
  const { errors } = form.formState;
  return (
    <>
      <Field
        label="Mulch, how deep"
        unit={units.of('depth').unit}
        inputMode="decimal"
        error={errors.mulch?.message}
        hint="Leave empty for bare soil. Film and fabric work whatever their thickness: any figure will do."
        {...form.register('mulch')}
      />
      <Choice label="Mulch, of what" {...form.register('mulchMaterial')}>
        {MULCH_MATERIALS.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </Choice>
    </>
  );
}

/** Shapes of beds, and what each does with water. */
const FORM_WORDS: readonly (readonly [BedForm, string])[] = [
  ['flat', 'level with the paths'],
  ['raised', 'raised: drains sooner, dries by its sides too'],
  ['basin', 'a basin with a rim: rain cannot run off'],
];

/** The shape of a bed, by what it does with water. */
export function ShapeField({ form }: { form: UseFormReturn<TypedBed> }) {
  return (
    <Choice label="Shape of the bed" {...form.register('form')}>
      {FORM_WORDS.map(([name, words]) => (
        <option key={name} value={name}>
          {words}
        </option>
      ))}
    </Choice>
  );
}

/** Other shapes that may be typed for an area. */
export const SHAPES_HINT = 'Also “round 3” by its width, “triangle 4 x 3”, and parts joined by +.';

/** How wet a ground is, as it is asked. */
export const WETNESS_WORDS: readonly (readonly [BedBody['startWetness'], string])[] = [
  ['not known', 'not known: I have not looked'],
  ['soaked', 'soaked deep, by rain or by hand'],
  ['moist', 'moist'],
  ['drying', 'drying'],
  ['dry', 'dry'],
];
export const WETNESS_HINT = 'A hand’s depth down. What is not known makes the plan unsure for three weeks.';

/** What counts as nothing. */
export const BARE_HINT =
  'Fallow ground and ground under a sheet count as nothing planted. A green manure is a crop.';

/** Whether anything grows on a bed. */
export const GROWS = [
  ['plants', 'yes, or soon'],
  ['nothing', 'nothing yet'],
] as const;

/** What is filled, by the way of watering. */
const FILL_WORDS: Readonly<Partial<Record<Method, string>>> = {
  'watering can': 'The can holds',
  'slow bucket': 'A bucket holds',
  'gravity drip kit': 'Its tank holds',
};

export function WaterFields({ form }: { form: UseFormReturn<TypedBed> }) {
  const units = useUnits();
  const { errors } = form.formState;
  const by = useWatch({ control: form.control, name: 'flowBy' });
  const method = useWatch({ control: form.control, name: 'method' });
  const usualFill = METHOD_FACTS[method].fillLitres;
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Choice label="You water with" {...form.register('method')}>
        {METHODS.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </Choice>
      <Choice label="How fast it flows" {...form.register('flowBy')}>
        <option value="guess">
          I don’t know: assume {units.text('flow', guessedFlow(method, form.getValues('guessed')))}
        </option>
        <option value="bucket">I timed a bucket</option>
        <option value="told">I know the figure</option>
      </Choice>
      {usualFill !== undefined ? (
        <Field
          label={FILL_WORDS[method] ?? 'It holds'}
          unit={units.of('litresFine').unit}
          inputMode="decimal"
          placeholder={units.number('litresFine', usualFill)}
          error={errors.fill?.message}
          hint="Left empty, it is taken to hold the usual figure shown."
          {...form.register('fill')}
        />
      ) : null}
      {canHaveTimer(method) ? <Check {...form.register('timer')}>A timer opens and shuts it</Check> : null}
      {by === 'told' ? (
        <Field
          label="Flow over the whole bed"
          unit={units.of('flow').unit}
          inputMode="decimal"
          error={errors.flow?.message}
          {...form.register('flow')}
        />
      ) : null}
      {by === 'bucket' ? (
        <>
          <Field
            label="The bucket holds"
            unit={units.of('volume').unit}
            inputMode="decimal"
            error={errors.bucketVolume?.message}
            {...form.register('bucketVolume')}
          />
          <Field
            label="It filled in"
            unit="seconds"
            inputMode="decimal"
            error={errors.bucketSeconds?.message}
            {...form.register('bucketSeconds')}
          />
        </>
      ) : null}
    </div>
  );
}

/** What a bed may have besides: its place, sides, goal, shade and notes. */
export function MoreFields({ form }: { form: UseFormReturn<TypedBed> }) {
  const units = useUnits();
  const { errors } = form.formState;
  /** Two sides make the area. */
  const sides = (): void => {
    const [length, width] = [form.getValues('length'), form.getValues('width')];
    const l = typedSi('bedLengthM', length, units);
    const w = typedSi('bedWidthM', width, units);
    if (l && w && l > 0 && w > 0) form.setValue('area', shown(units.of('area').fromSi(rectangleArea(l, w))));
  };
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Field
        label="Part of the garden"
        placeholder="Field, yard, tunnel"
        hint="Beds of one part stand together."
        {...form.register('place')}
      />
      <Choice label="Grown for" {...form.register('goal')}>
        {GOALS.map((goal) => (
          <option key={goal} value={goal}>
            {GOAL_FACTS[goal].words}
          </option>
        ))}
      </Choice>
      <Choice
        label="When water or time is short"
        hint="Left to Kibble: trees and young plants first, lawn last, the rest by what would be lost."
        {...form.register('rank')}
      >
        <option value="usual">let Kibble weigh it</option>
        <option value="first">it comes first</option>
        <option value="ordinary">it takes its turn</option>
        <option value="last">it waits</option>
      </Choice>
      <Field
        label="Length"
        unit={units.of('length').unit}
        inputMode="decimal"
        error={errors.length?.message}
        hint="Length and width make the area."
        {...form.register('length', {
          onChange: sides,
        })}
      />
      <Field
        label="Width"
        unit={units.of('length').unit}
        inputMode="decimal"
        error={errors.width?.message}
        {...form.register('width', {
          onChange: sides,
        })}
      />
      <Check {...form.register('shadeCloth')}>Under shade cloth</Check>
      <Field label="Notes" {...form.register('notes')} />
    </div>
  );
}
