import {
  cropOfBed,
  dripLayout,
  evenInset,
  gravityKit,
  plantsBetweenSpots,
  waterKg,
  wettedShare,
} from '@kibble/core';
import { useUnits } from '../../../words/units.ts';
import { Caution } from '../../../ui/Caution.tsx';
import { DripDrawing } from '../drawings.tsx';
import { Num, Says, Step, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

function Steps() {
  const { reader } = useTest();
  const units = useUnits();
  const gravity = reader.text('fill') !== '' || reader.text('fills') !== '';
  const fill = reader.optional('fill', 'bucketLitres');
  const widthM = reader.optional('bedWidth', 'bedWidthM');
  const lines = reader.optional('lines', 'lines') ?? 2;
  const spread = widthM
    ? `Spread evenly over this bed: ${units.text('span', evenInset({ widthM, lines }))}.`
    : undefined;
  return (
    <>
      <Step n={1} title="The bed the lines lie on.">
        <div className="flex flex-wrap gap-4">
          <Num name="bedLength" field="bedLengthM" label="Length" />
          <Num name="bedWidth" field="bedWidthM" label="Width" />
        </div>
      </Step>
      <Step n={2} title="The lines: how many, and how far the outer ones are from the edge of the bed.">
        <div className="flex flex-wrap gap-4">
          <Num name="lines" field="lines" label="Lines" fallback="2" />
          <Num name="inset" field="insetM" label="Inset from the edge" hint={spread} />
        </div>
      </Step>
      <Step
        n={3}
        title="The emitters, and which of them have a plant beside them. An emitter without a plant still waters roots that reach it."
      >
        <div className="flex flex-wrap gap-4">
          <Num name="spacing" field="spacingM" label="Between emitters" />
          <Num
            name="emitter"
            field="emitterLitresPerHour"
            label="An emitter gives"
            hint="As printed on it; clogs make it less."
          />
          <Num name="every" field="plantEvery" label="A plant at every" fallback="1" />
        </div>
      </Step>
      <Step n={4} title="Only for a bucket kit fed by its own height: how much it is filled, and how often.">
        <div className="flex flex-wrap gap-4">
          <Num name="fill" field="bucketLitres" label="One filling" hint="May stay empty." />
          <Num name="fills" field="lines" label="Fillings a day" hint="May stay empty." />
        </div>
        {gravity ? (
          <p>
            Only the height of the bucket drives the water. Raise it until the furthest emitter drips as fast
            as the nearest one.
          </p>
        ) : null}
        {gravity ? (
          <Caution
            of="lifting"
            lead={
              fill ? `Full, the bucket holds ${units.text('weight', waterKg(fill))} of water.` : undefined
            }
          />
        ) : null}
      </Step>
    </>
  );
}

function Result({ input }: { input: Reading<'drip'> }) {
  const units = useUnits();
  const { known, reader, bed } = useTest();
  const supply = known?.supplyLitresPerMinute;
  const layout = dripLayout({ ...input, supplyLitresPerMinute: supply });
  const texture = known?.ground.horizons[0]?.textureClass ?? 'loam';
  const wet = wettedShare({ ...input, emitters: layout.emitters }, texture);
  const crop = bed && cropOfBed(bed);
  const between = crop
    ? plantsBetweenSpots({
        emitterSpacingM: input.emitterSpacingM,
        spotWidthM: wet.widthM,
        plantSpacingMm: crop.spacing.inRowMm,
      })
    : 0;
  const fill = reader.optional('fill', 'bucketLitres');
  const fills = reader.optional('fills', 'lines');
  const kit =
    fill && fills && layout.plants > 0
      ? gravityKit({
          fillLitres: fill,
          fillsPerDay: fills,
          bedLengthM: input.bedLengthM,
          bedWidthM: input.bedWidthM,
          plants: layout.plants,
        })
      : null;
  return (
    <>
      <Says figure={units.text('flow', layout.litresPerMinute)}>
        {units.text('rate', layout.rateMmPerHour)} over the bed.
      </Says>
      <DripDrawing
        lengthM={input.bedLengthM}
        widthM={input.bedWidthM}
        linesM={layout.linePositionsM}
        spacingM={input.emitterSpacingM}
        plantEvery={input.plantEvery ?? 1}
        wetWidthM={wet.widthM}
        lengthText={units.text('length', input.bedLengthM)}
      />
      <dl className="my-2 grid grid-cols-[auto_auto] gap-x-4" data-testid="drip-figures">
        <dt>Lines lie apart</dt>
        <dd className="font-bold">
          {input.lines > 1 ? units.text('span', layout.lineSpacingM) : 'one, in the middle'}
        </dd>
        <dt>Tube to buy, without the feed</dt>
        <dd className="font-bold">{units.text('length', layout.tubeM)}</dd>
        <dt>Emitters</dt>
        <dd className="font-bold">{layout.emitters}</dd>
        <dt>Plants, {units.text('span', layout.plantSpacingM)} apart</dt>
        <dd className="font-bold">{layout.plants}</dd>
        <dt>Share of the bed that gets wet</dt>
        <dd className="assumed font-bold">{units.text('share', wet.share)}</dd>
      </dl>
      <ul>
        {layout.supplyShare === null ? (
          <li className="border-t border-rule py-1">
            Whether the tap can feed them is not known: choose the bed’s tap and time a bucket there.
          </li>
        ) : layout.supplyShare > 1 ? (
          <li className="border-t border-rule py-1 font-semibold text-brick">
            The tap cannot feed this: they ask for {units.text('flow', layout.litresPerMinute)}, it gives{' '}
            {units.text('flow', supply ?? 0)}. Split the bed into two runs.
          </li>
        ) : (
          <li className="border-t border-rule py-1">
            The tap feeds this easily: {Math.round(layout.supplyShare * 100)} % of what it gives.
          </li>
        )}
        {wet.spotsJoin ? null : (
          <li className="border-t border-rule py-1">
            On {texture} an emitter wets about {units.text('span', wet.widthM)}: the spots do not join. Put
            emitters closer, or use micro-sprays on sand.
            {between > 0
              ? ` About ${units.text('share', between)} of the plants in a row stand between them.`
              : ''}
          </li>
        )}
        {kit ? (
          <li className="border-t border-rule py-1">
            The kit gives {units.text('volume', kit.litresPerDay)} a day: {kit.mmPerDay.toFixed(2)} mm over
            the bed, {kit.litresPerPlant.toFixed(1)} L a plant.
          </li>
        ) : null}
      </ul>
      <p className="text-sm text-quiet">
        Before you buy for more than one bed, let whoever sells the parts check these figures against your
        water pressure.
      </p>
    </>
  );
}

export const dripDesign: TestPage = {
  kind: 'drip',
  title: 'Lay out drip lines',
  about: 'From spacing and emitters: flow, tube, plants, and whether the tap can feed them.',
  needs: 'the size of the bed, the print on the emitters',
  cautions: ['backflow', 'digging'],
  Steps,
  read: (r) => {
    const bedLengthM = r.number('bedLength', 'bedLengthM');
    const bedWidthM = r.number('bedWidth', 'bedWidthM');
    const lines = r.whole('lines', 'lines', '2');
    const insetM = r.number('inset', 'insetM');
    const emitterSpacingM = r.number('spacing', 'spacingM');
    const emitterLitresPerHour = r.number('emitter', 'emitterLitresPerHour');
    const plantEvery = r.whole('every', 'plantEvery', '1');
    r.optional('fill', 'bucketLitres');
    if (r.text('fills') !== '') r.whole('fills', 'lines');
    if (insetM > bedWidthM / 2)
      r.refuse(
        'inset',
        `Inset must be at most half the bed, ${r.units.text('span', bedWidthM / 2)}; got ${r.units.text('span', insetM)}.`,
      );
    if (emitterSpacingM > bedLengthM) r.refuse('spacing', 'Emitters must stand closer than the bed is long.');
    return r.ok
      ? {
          kind: 'drip',
          bedLengthM,
          bedWidthM,
          lines,
          insetM,
          emitterSpacingM,
          emitterLitresPerHour,
          plantEvery,
        }
      : null;
  },
  Result: Result as TestPage['Result'],
  keep: 'These are my lines',
};
