import { FILL_IDS, FILLS, intakeRate, placeFactors, type Fill } from '@kibble/core';
import { useUnits } from '../../../words/units.ts';
import { SlopeDrawing } from '../drawings.tsx';
import { Num, Pick, Says, Step, Tick, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

const SUNS = [
  ['full', 'sun all day'],
  ['half', 'half a day of sun'],
  ['shade', 'shade'],
] as const;
const FILL_OPTIONS = FILL_IDS.map((id) => [id, FILLS[id].label] as const);
const WINDS = [
  ['sheltered', 'sheltered'],
  ['open', 'open'],
  ['exposed', 'exposed to wind'],
] as const;

function SiteSteps() {
  const { reader } = useTest();
  return (
    <>
      <Step n={1} title="How much does the ground fall? Over 1 m, so many cm down is so many percent.">
        <div className="flex flex-wrap items-end gap-6">
          <Num name="slope" field="slopePct" label="Slope" fallback="0" />
          <SlopeDrawing pct={Number(reader.text('slope', '0').replace(',', '.')) || 0} />
        </div>
        <Tick name="crusted">The surface is crusted or trodden hard</Tick>
      </Step>
      <Step n={2} title="What sun and wind does it get?">
        <div className="grid gap-4 sm:grid-cols-2">
          <Pick name="sun" label="Sun" options={SUNS} fallback="full" />
          <Pick name="wind" label="Wind" options={WINDS} fallback="open" />
        </div>
        <Tick name="wall">A wall or paving throws the heat back on it</Tick>
      </Step>
    </>
  );
}

function SiteResult({ input }: { input: Reading<'site'> }) {
  const { known } = useTest();
  const units = useUnits();
  const { demandFactor } = placeFactors(input);
  const horizons = known?.ground.horizons ?? [{ textureClass: 'loam' as const }];
  const intake = intakeRate({ horizons, slopePct: input.slopePct, crusted: input.crusted });
  return (
    <Says figure={`${Math.round(demandFactor * 100)} %`}>
      of what sun and wind take from an open bed. Water soaks in at {units.text('rate', intake)} before water
      runs off.
    </Says>
  );
}

export const siteTest: TestPage = {
  kind: 'site',
  title: 'Slope and exposure',
  about: 'Slope shortens each run before water leaves; sun, wind and walls change what the bed uses.',
  needs: 'a look around, a plank and a rule',
  Steps: SiteSteps,
  read: (r) => {
    const slopePct = r.number('slope', 'slopePct', '0');
    const sun = r.choice('sun', ['full', 'half', 'shade'] as const, 'Sun', 'full');
    const wind = r.choice('wind', ['sheltered', 'open', 'exposed'] as const, 'Wind', 'open');
    if (!r.ok || !sun || !wind) return null;
    return { kind: 'site', slopePct, sun, wind, wall: r.flag('wall'), crusted: r.flag('crusted') };
  },
  Result: SiteResult as TestPage['Result'],
};

function OrganicSteps() {
  return (
    <Step
      n={1}
      title="From a soil laboratory’s report: organic matter, percent by weight. Most garden soils have 2 to 5 %."
    >
      <Num name="organic" field="organicMatterPct" label="Organic matter" />
    </Step>
  );
}

function OrganicResult({ input }: { input: Reading<'organic'> }) {
  return (
    <Says figure={`${input.organicMatterPct} %`}>
      counted from the laboratory’s figure. What compost may have added since is not counted until it is
      measured.
    </Says>
  );
}

export const organicTest: TestPage = {
  kind: 'organic',
  title: 'Organic matter',
  about: 'Organic matter holds water and keeps the surface open.',
  needs: 'a laboratory’s report',
  Steps: OrganicSteps,
  read: (r) => {
    const organicMatterPct = r.number('organic', 'organicMatterPct');
    return r.ok ? { kind: 'organic', organicMatterPct } : null;
  },
  Result: OrganicResult as TestPage['Result'],
};

function FilledSteps() {
  return (
    <Step n={1} title="What is the raised bed filled with, and how deep?">
      <Pick name="fill" label="Filled with" options={FILL_OPTIONS} />
      <Num
        name="depth"
        field="fillDepthMm"
        label="How deep it is filled"
        hint="What is known of the soil beneath stays."
      />
    </Step>
  );
}

function FilledResult({ input }: { input: Reading<'filled'> }) {
  const units = useUnits();
  return (
    <Says figure={units.text('depth', input.depthMm)}>
      of {FILLS[input.fill].label}, over the soil that is there. Once it has drained, a light mix holds less
      water for the roots than soil does, so it is watered more often.
    </Says>
  );
}

export const filledTest: TestPage = {
  kind: 'filled',
  title: 'What a raised bed is filled with',
  about: 'Mix and compost hold water differently from the soil beneath.',
  needs: 'a ruler',
  Steps: FilledSteps,
  read: (r) => {
    const fill = r.text('fill') as Fill;
    const depthMm = r.number('depth', 'fillDepthMm');
    return r.ok ? { kind: 'filled', fill, depthMm } : null;
  },
  Result: FilledResult as TestPage['Result'],
};

function AmendedSteps() {
  return (
    <Step n={1} title="What went on or into the ground, and how thick?">
      <Pick
        name="material"
        label="Material"
        options={[
          ['compost', 'compost'],
          ['manure', 'rotted manure'],
          ['leaf mould', 'leaf mould'],
          ['sand or grit', 'sand or grit'],
          ['clay or loam', 'clay or loam'],
          ['wood ash or char', 'wood ash or char'],
        ]}
      />
      <Num name="depth" field="spreadDepthMm" label="Spread so thick" />
    </Step>
  );
}

function AmendedResult({ input }: { input: Reading<'amended'> }) {
  const units = useUnits();
  return (
    <Says figure={units.text('depth', input.depthMm)}>
      of {input.material}. It earns no bonus by itself: the tests of this ground are marked for doing again,
      and those will tell.
    </Says>
  );
}

export const amendedTest: TestPage = {
  kind: 'amended',
  title: 'I improved the ground',
  about: 'Compost and the like change the soil over seasons; the tests before it no longer hold for sure.',
  needs: 'nothing',
  Steps: AmendedSteps,
  read: (r) => {
    const material = r.text('material');
    if (material === '') {
      r.refuse('material', 'Material must be chosen.');
      r.missing.add('material');
    }
    const depthMm = r.number('depth', 'spreadDepthMm');
    return r.ok ? { kind: 'amended', material, depthMm } : null;
  },
  Result: AmendedResult as TestPage['Result'],
  keep: 'Write it down',
};
