import { TEXTURE_CLASSES, type TextureClass } from '@kibble/core';
import { useUnits } from '../../../words/units.ts';
import { HorizonDrawing } from '../drawings.tsx';
import { Num, Pick, Says, Step, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

const CLASSES = TEXTURE_CLASSES.map((name) => [name, name] as const);

function Steps() {
  return (
    <>
      <Step
        n={1}
        title="Dig a clean-sided hole two spades deep beside the plants, where no thick root is harmed. Look for the line where the colour or the feel changes."
      >
        <Num
          name="topsoil"
          field="topsoilMm"
          label="The topsoil goes down"
          hint="From the surface to that line."
        />
      </Step>
      <Step n={2} title="Feel what lies below the line.">
        <Pick
          name="below"
          label="Soil below"
          options={CLASSES}
          fallback={'' as TextureClass}
          hint="Leave it open when it is the same all the way."
        />
      </Step>
      <Step n={3} title="Stones, and rock or a pan the spade will not break.">
        <Num
          name="stones"
          field="stonesPct"
          label="Stones, share of the volume"
          hint="Leave empty when there are hardly any."
        />
        <Num
          name="rock"
          field="rockMm"
          label="Rock or hard pan, how deep"
          hint="Leave empty when you did not meet one."
        />
      </Step>
      <Step
        n={4}
        title="Look at the side of the hole for the lowest fine roots of what grows here. A soil probe pushed down beside a plant shows them too."
      >
        <Num
          name="roots"
          field="rootsMm"
          label="Deepest roots seen"
          hint="Leave empty when nothing grows here yet. It settles how much the plants can draw on."
        />
      </Step>
    </>
  );
}

function Result({ input }: { input: Reading<'dig'> }) {
  const { known } = useTest();
  const units = useUnits();
  const top = known?.ground.horizons[0]?.textureClass ?? 'loam';
  return (
    <>
      <HorizonDrawing
        topMm={input.topsoilMm}
        top={top}
        below={input.belowClass ?? top}
        rockMm={input.rockMm}
        stonesPct={input.stonesPct}
      />
      <Says figure={units.text('depth', input.topsoilMm)}>
        of topsoil{input.belowClass ? ` over ${input.belowClass}` : ''}.
        {input.stonesPct ? ` ${input.stonesPct} % stones hold no water.` : ''}
        {input.rockMm ? ' Nothing is stored below the rock.' : ''}
        {input.rootsMm ? ` Roots down to ${units.text('depth', input.rootsMm)}.` : ''}
      </Says>
    </>
  );
}

export const digTest: TestPage = {
  kind: 'dig',
  title: 'Dig and look',
  about:
    'Finds a second soil below, stones and hard pans: the store under a bed may be half what its surface promises.',
  needs: 'a spade, a rule',
  cautions: ['digging', 'open hole'],
  Steps,
  read: (r) => {
    const topsoilMm = r.number('topsoil', 'topsoilMm');
    const stonesPct = r.optional('stones', 'stonesPct');
    const rockMm = r.optional('rock', 'rockMm');
    const rootsMm = r.optional('roots', 'rootsMm');
    const below = TEXTURE_CLASSES.find((t) => t === r.text('below'));
    if (rockMm !== undefined && rockMm < topsoilMm)
      r.refuse('rock', 'Rock or hard pan must lie at or below the topsoil.');
    return r.ok ? { kind: 'dig', topsoilMm, belowClass: below, stonesPct, rockMm, rootsMm } : null;
  },
  Result: Result as TestPage['Result'],
};
