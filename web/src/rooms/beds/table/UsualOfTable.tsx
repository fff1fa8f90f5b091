import type { BedBody, ReadBeds, UsualBed } from '@kibble/contract';
import { METHODS, TEXTURE_CLASSES, type Method, type TextureClass } from '@kibble/core';
import { WETNESS_HINT, WETNESS_WORDS } from '../../../places/ground/Fields.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { LatelyTaps } from '../../../ui/LatelyTaps.tsx';
import { Field } from '../../../ui/Field.tsx';
import { bedsCounted } from './words.ts';

interface Props {
  read: ReadBeds;
  usual: UsualBed;
  onUsual: (change: Partial<UsualBed>) => void;
}

/** What beds are taken to be where their rows do not say. */
export function UsualOfTable({ read, usual, onUsual }: Props) {
  const lacking = (key: keyof UsualBed): number =>
    read.beds.filter((bed) => bed.lacking.includes(key)).length;
  const of = (key: keyof UsualBed): string =>
    `The table does not say it for ${bedsCounted(lacking(key)).toLowerCase()}.`;
  return (
    <div className="mb-6 grid max-w-3xl gap-4 sm:grid-cols-2">
      {lacking('textureClass') > 0 ? (
        <Choice
          label="Soil"
          hint={of('textureClass')}
          value={usual.textureClass}
          onChange={(e) => onUsual({ textureClass: e.target.value as TextureClass })}
        >
          {TEXTURE_CLASSES.map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </Choice>
      ) : null}
      {lacking('method') > 0 ? (
        <Choice
          label="Watered by"
          hint={of('method')}
          value={usual.method}
          onChange={(e) => onUsual({ method: e.target.value as Method })}
        >
          {METHODS.map((name) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
        </Choice>
      ) : null}
      {lacking('plantedOn') > 0 ? (
        <Field
          label="Planted or sown on"
          type="date"
          hint={of('plantedOn')}
          value={usual.plantedOn}
          onChange={(e) => {
            if (e.target.value !== '') onUsual({ plantedOn: e.target.value });
          }}
        />
      ) : null}
      <Choice
        label="The ground of these beds is now"
        hint={WETNESS_HINT}
        value={usual.startWetness}
        onChange={(e) => onUsual({ startWetness: e.target.value as BedBody['startWetness'] })}
      >
        {WETNESS_WORDS.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Choice>
      {usual.startWetness === 'not known' ? (
        <Fold heading="I remember the last month" className="sm:col-span-2">
          <LatelyTaps value={usual.lately ?? null} onChange={(said) => onUsual({ lately: said })} />
        </Fold>
      ) : null}
    </div>
  );
}
