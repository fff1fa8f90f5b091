import {
  depthCheck,
  DEPTH_TOOLS,
  LOOK_STATES,
  LOOK_TOOLS,
  lookCheck,
  settledMinutes,
  type LookVerdict,
} from '@kibble/core';
import { range } from 'd3';
import { minutesText, useUnits } from '../../../words/units.ts';
import { plainDate } from '../../../words/words.ts';
import { Button } from '../../../ui/Button.tsx';
import { ProbeDrawing } from '../drawings.tsx';
import { Num, Pick, Says, Step, Tick, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

/** A good depth for a bed, mm: the upper end of common practice (200–300), or the roots' own depth when less. */
const GOOD_DEPTH_MM = 300;
const MOST_POINTS = 12;

const points = (text: string): number => Math.min(MOST_POINTS, Math.max(1, Number(text) || 3));

function DepthSteps() {
  const { reader, set, core, lastWatering, today } = useTest();
  const units = useUnits();
  const count = points(reader.text('count'));
  const { fromSi } = units.of('depth');
  const target = Math.min(GOOD_DEPTH_MM, core?.rootDepthMm ?? GOOD_DEPTH_MM);
  return (
    <>
      <Step
        n={1}
        title="Let the water sink in for an hour or two. Then push a long screwdriver or a stiff wire into the soil: it slides through wet soil and stops where the soil is dry."
      >
        {lastWatering ? (
          <p>
            Last watering: {plainDate(lastWatering.date, today)}, {minutesText(lastWatering.minutes)}
            {lastWatering.predictedMm === null
              ? ''
              : `; by the balance it went ${units.text('depth', Math.round(lastWatering.predictedMm / 10) * 10)} deep`}
            .
          </p>
        ) : null}
        <ProbeDrawing />
        <Pick
          name="tool"
          label="With"
          options={DEPTH_TOOLS.map((t) => [t, t] as const)}
          fallback="screwdriver"
        />
      </Step>
      <Step
        n={2}
        title="Probe in several places, also where it looks driest. Stones stop it too: try beside them."
      >
        <div className="flex flex-wrap gap-4">
          {range(count).map((i) => (
            <Num key={i} name={`p${i}`} field="probeMm" label={`Place ${i + 1}`} className="w-20" />
          ))}
        </div>
        <div className="flex gap-2">
          <Button
            look="quiet"
            className="px-0"
            disabled={count >= MOST_POINTS}
            onClick={() => set({ count: String(count + 1) })}
          >
            One more place
          </Button>
          <Button look="quiet" disabled={count <= 1} onClick={() => set({ count: String(count - 1) })}>
            One less
          </Button>
        </div>
        <Tick name="mulchMoved">I moved the mulch aside first, or there is none</Tick>
      </Step>
      <Step n={3} title="What it should have reached, and how long it ran.">
        <div className="flex flex-wrap gap-4">
          <Num
            name="target"
            field="targetMm"
            label="Depth wanted"
            fallback={String(Number(fromSi(target).toFixed(1)))}
            hint={`As deep as the roots: about ${units.text('depth', Math.round(target / 10) * 10)} here.`}
          />
          <Num
            name="minutes"
            field="minutes"
            label="It ran"
            fallback={lastWatering ? String(Math.round(lastWatering.minutes)) : ''}
          />
        </div>
      </Step>
    </>
  );
}

const DEPTH_WORDS = {
  'deep enough': 'Deep enough.',
  short: 'Short of the depth wanted.',
  patchy: 'Wet here, dry there: the water goes round some ground.',
  'far past': 'Far past the depth wanted: water has gone where no root is.',
} as const;

function DepthResult({ input }: { input: Reading<'depth'> }) {
  const units = useUnits();
  const { bed } = useTest();
  const check = depthCheck(input);
  const tries = [...(bed?.findings ?? [])]
    .reverse()
    .flatMap(({ input: was }) =>
      was.kind === 'depth' ? [{ minutes: was.minutes, verdict: depthCheck(was).verdict }] : [],
    );
  const settled = settledMinutes([...tries, { minutes: input.minutes, verdict: check.verdict }]);
  const ten = (mm: number): string => units.text('depth', Math.round(mm / 5) * 5);
  return (
    <>
      <Says figure={ten(check.meanMm)}>
        <strong>{DEPTH_WORDS[check.verdict]}</strong> Found {ten(check.meanMm)}, least{' '}
        {ten(check.shallowestMm)}
        {input.predictedMm === undefined ? '' : `; the balance said ${ten(input.predictedMm)}`}.
        {check.extraMinutes > 0
          ? ` About ${minutesText(check.extraMinutes)} more would reach ${ten(input.targetMm)}.`
          : ''}
        {check.dryPoints.length > 0
          ? ` Water ${check.dryPoints.map((p) => `place ${p + 1}`).join(' and ')} again by hand, slowly.`
          : ''}
      </Says>
      <p className="border-t border-rule pt-2">
        {settled === null
          ? `${tries.length === 0 ? 'The first try' : `Try ${tries.length + 1}`}. Two in a row that are deep enough settle the run time.`
          : `Two tries agree: ${minutesText(settled)} is enough here.`}
      </p>
    </>
  );
}

export const depthTest: TestPage = {
  kind: 'depth',
  title: 'How deep did it go?',
  about: 'Wet soil on top says little about the roots. This test shows how deep the water went.',
  needs: 'a long screwdriver, a wire or a bent bar; one to two hours after watering',
  Steps: DepthSteps,
  read: (r, { lastWatering }) => {
    const tool = r.choice('tool', DEPTH_TOOLS, 'Tool', 'screwdriver');
    const pointsMm = range(points(r.text('count'))).map((i) => r.number(`p${i}`, 'probeMm'));
    const targetMm = r.number('target', 'targetMm', String(r.units.of('depth').fromSi(GOOD_DEPTH_MM)));
    const minutes = r.number(
      'minutes',
      'minutes',
      lastWatering ? String(Math.round(lastWatering.minutes)) : '',
    );
    if (!r.ok || !tool) return null;
    return {
      kind: 'depth',
      tool,
      pointsMm,
      targetMm,
      minutes,
      mulchMoved: r.flag('mulchMoved'),
      predictedMm: lastWatering?.predictedMm ?? undefined,
    };
  },
  Result: DepthResult as TestPage['Result'],
};

const LOOK_WORDS: Readonly<Record<LookVerdict['verdict'], string>> = {
  water: 'Water.',
  wait: 'Wait, and look again in two days.',
  'too wet': 'Too much: leave it, the roots want air. Look again in three or four days.',
  'look deeper': 'Dry on top only says that the top is dry: look a hand deeper before you water.',
};
const CAVEATS: Readonly<Record<LookVerdict['caveats'][number], string>> = {
  'sand never rolls': 'Sand never rolls, wet or dry: go by how dark and cool it is.',
  'a finger knows only the top': 'The roots here go deeper than a finger.',
  'mulch was in the way': 'Under mulch the surface misleads: move it aside and look at the soil.',
};

function LookSteps() {
  const { reader, core: ground } = useTest();
  const units = useUnits();
  const core = reader.text('tool', 'trowel') === 'core';
  return (
    <>
      <Step n={1} title="Go down to where the roots are, not just the surface.">
        <Pick
          name="tool"
          label="With"
          options={[
            ['finger', 'a finger'],
            ['trowel', 'a trowel'],
            ['core', 'a core sampler, or soil from a spade’s depth'],
          ]}
          fallback="trowel"
        />
        <Num
          name="depth"
          field="lookMm"
          label="You looked at"
          hint={
            ground
              ? `The roots here go ${units.text('depth', Math.round(ground.rootDepthMm / 10) * 10)} deep.`
              : 'Go as deep as the roots.'
          }
        />
        <Tick name="mulchMoved">I moved the mulch aside first, or there is none</Tick>
      </Step>
      <Step n={2} title={core ? 'Roll what comes up between your hands.' : 'Touch it.'}>
        <Pick
          name="state"
          label="It is"
          options={
            core
              ? [
                  ['dry', 'pale, and crumbles'],
                  ['damp', 'dark, and rolls'],
                  ['wet', 'sticky'],
                ]
              : [
                  ['dry', 'dry and dusty'],
                  ['damp', 'cool and damp'],
                  ['wet', 'wet: water shows when pressed'],
                ]
          }
        />
      </Step>
    </>
  );
}

function LookResult({ input }: { input: Reading<'look'> }) {
  const { bed, known, core } = useTest();
  const units = useUnits();
  const verdict = lookCheck({
    ...input,
    textureClass: known?.ground.horizons[0]?.textureClass ?? 'loam',
    rootDepthMm: core?.rootDepthMm ?? 300,
    mulched: Boolean(bed?.mulchMm),
  });
  const layer = Math.min((core?.layersMm.length ?? 1) - 1, Math.floor(input.depthMm / 50));
  const held = core?.layersMm[layer];
  const low = core?.wiltingPointMm[layer];
  const high = core?.fieldCapacityMm[layer];
  return (
    <>
      <Says figure={<span className="font-serif">{LOOK_WORDS[verdict.verdict].split(/[.:,]/)[0]}</span>}>
        {LOOK_WORDS[verdict.verdict]}
      </Says>
      <ul>
        {verdict.caveats.map((caveat) => (
          <li key={caveat} className="border-t border-rule py-1">
            {CAVEATS[caveat]}
          </li>
        ))}
        {held !== undefined && low !== undefined && high !== undefined ? (
          <li className="border-t border-rule py-1">
            By the balance the ground at {units.text('depth', input.depthMm)} holds {held.toFixed(0)} mm in
            its 50 mm, between {low.toFixed(0)} (nothing left to give) and {high.toFixed(0)} (full). Both are
            kept side by side.
          </li>
        ) : null}
      </ul>
    </>
  );
}

export const lookTest: TestPage = {
  kind: 'look',
  title: 'Look before you water',
  about: 'Dry leaves and a pale surface mislead; a look at the roots does not.',
  needs: 'a finger, a trowel or a core sampler',
  Steps: LookSteps,
  read: (r) => {
    const tool = r.choice('tool', LOOK_TOOLS, 'Tool', 'trowel');
    const depthMm = r.number('depth', 'lookMm');
    const state = r.choice('state', LOOK_STATES, 'What you found');
    return r.ok && tool && state
      ? { kind: 'look', tool, depthMm, state, mulchMoved: r.flag('mulchMoved') }
      : null;
  },
  Result: LookResult as TestPage['Result'],
  keep: 'Write it down',
};
