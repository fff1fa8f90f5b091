import { feelKey, TEXTURE_CLASSES, TEXTURES, type TextureClass } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { LatelyTaps } from '../../ui/LatelyTaps.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { FillFields } from '../../places/ground/FillFields.tsx';
import type { TypedBed } from '../../places/ground/Fields.tsx';
import { todayIn, type TypedSetup } from './typedSetup.ts';

const BALLS = [
  ['yes', 'stays a ball'],
  ['no', 'falls apart'],
] as const;
const RIBBONS = {
  metric: [
    ['none', 'crumbles'],
    ['under 25 mm', 'is under 25 mm'],
    ['25 to 50 mm', '25 to 50 mm'],
    ['over 50 mm', 'longer'],
  ],
  us: [
    ['none', 'crumbles'],
    ['under 25 mm', 'is under 1 in'],
    ['25 to 50 mm', '1 to 2 in'],
    ['over 50 mm', 'longer'],
  ],
} as const;
const RUBS = [
  ['gritty', 'gritty'],
  ['smooth', 'smooth'],
  ['neither', 'neither'],
] as const;
const GROUND = [
  ['soaked', 'soaking'],
  ['moist', 'moist'],
  ['drying', 'drying'],
  ['dry', 'dry to a finger'],
  ['watered', 'I watered it well on…'],
  ['not known', 'I have not looked'],
] as const;
const WEEK = [
  ['hot and dry', 'hot and dry'],
  ['as usual', 'as usual'],
  ['wet', 'wet'],
] as const;

/** The soil that the answers so far come to; null while one is open. */
function textureFelt({
  ball,
  ribbon,
  rub,
}: Pick<TypedSetup, 'ball' | 'ribbon' | 'rub'>): TextureClass | null {
  if (ball === null) return null;
  if (ball === 'no') return feelKey({ ball: false, ribbon: false, rub: 'neither' });
  if (ribbon === null) return null;
  if (ribbon === 'none') return feelKey({ ball: true, ribbon: false, rub: 'neither' });
  return rub && feelKey({ ball: true, ribbon: true, ribbonLength: ribbon, rub });
}

/** The soil by three taps or by its name, and how wet it is today. */
export function GroundStep({ form }: { form: UseFormReturn<TypedSetup> }) {
  const typed = useWatch({ control: form.control }) as TypedSetup;
  const { errors } = form.formState;
  const felt = textureFelt(typed);
  const feel = (change: Partial<Pick<TypedSetup, 'ball' | 'ribbon' | 'rub'>>): void => {
    for (const [field, value] of Object.entries(change)) form.setValue(field as keyof TypedSetup, value);
    const texture = textureFelt({ ...typed, ...change });
    if (texture) form.setValue('textureClass', texture);
    form.clearErrors('soilBy');
    form.setValue('soilBy', texture ? 'feel' : null);
  };
  return (
    <>
      {typed.filledWith ? null : typed.soilBy === 'name' ? (
        <div className="grid gap-4 sm:grid-cols-2">
          <Choice
            label="The soil is"
            hint={`Moist, in the hand: ${TEXTURES[typed.textureClass].feel.toLowerCase()}`}
            {...form.register('textureClass')}
          >
            {TEXTURE_CLASSES.map((name) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </Choice>
        </div>
      ) : (
        <div className="flex flex-col gap-3">
          <p>Take a handful from a hand’s depth and wet it until it feels like putty.</p>
          <Taps
            legend="Squeezed, it"
            options={BALLS}
            value={typed.ball}
            onChange={(ball) => feel({ ball })}
            error={errors.soilBy?.message}
          />
          {typed.ball === 'yes' ? (
            <Taps
              legend="Pressed out between thumb and finger, the ribbon"
              options={RIBBONS[typed.units]}
              value={typed.ribbon}
              onChange={(ribbon) => feel({ ribbon })}
            />
          ) : null}
          {typed.ball === 'yes' && typed.ribbon !== null && typed.ribbon !== 'none' ? (
            <Taps
              legend="Rubbed very wet in the palm, it feels"
              options={RUBS}
              value={typed.rub}
              onChange={(rub) => feel({ rub })}
            />
          ) : null}
        </div>
      )}
      <p className={typed.filledWith ? 'hidden' : '-my-2 flex flex-wrap items-center gap-x-4'}>
        <span role="status">
          {felt && typed.soilBy !== 'name' ? (
            <>
              That is <strong>{felt}</strong>.
            </>
          ) : null}
        </span>
        <Button
          look="quiet"
          className={felt && typed.soilBy !== 'name' ? '' : '-ml-8'}
          onClick={() => {
            form.clearErrors('soilBy');
            form.setValue('soilBy', typed.soilBy === 'name' ? (felt ? 'feel' : null) : 'name');
          }}
        >
          {typed.soilBy === 'name' ? 'Tell it by its feel' : 'I know its name, or take a loam for now'}
        </Button>
      </p>
      <FillFields form={form as unknown as UseFormReturn<TypedBed>} />
      <Taps
        legend="How is that ground now?"
        options={GROUND}
        value={typed.ground}
        onChange={(ground) => form.setValue('ground', ground)}
        hint="The plan starts from this. Push a finger in if you are not sure."
      />
      {typed.ground === 'watered' ? (
        <Field
          label="Watered well on"
          type="date"
          max={todayIn(typed.timeZone)}
          className="w-56"
          error={errors.wateredOn?.message}
          {...form.register('wateredOn')}
        />
      ) : null}
      {typed.ground === 'not known' ? (
        <LatelyTaps value={typed.lately} onChange={(said) => form.setValue('lately', said)} />
      ) : (
        <Taps
          legend="And the last week was"
          options={WEEK}
          value={typed.week}
          onChange={(week) => form.setValue('week', week)}
        />
      )}
    </>
  );
}
