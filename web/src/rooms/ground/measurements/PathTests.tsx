import { holeTest, WATER_PATHS, type WaterPath } from '@kibble/core';
import { format } from 'date-fns';
import { useUnits } from '../../../words/units.ts';
import { Button } from '../../../ui/Button.tsx';
import { PathDrawing } from '../drawings.tsx';
import { useNow } from '../../../ui/clock.ts';
import { Num, Pictures, Says, Step, Stopwatch, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

/** A pot of loose soil settles about three weeks. Common practice: a few weeks. */
export const POT_MS = 21 * 24 * 3_600_000;

const MEANS: Readonly<Record<WaterPath, string>> = {
  'evenly down': 'The whole of it drinks: one watering reaches all roots.',
  sideways: 'It spreads before it sinks: wide emitter spacing will do.',
  'down one channel':
    'It runs down one way and leaves the rest dry. The round will ask for a light wetting first, then the rest; check in two places.',
};

function PathChoice() {
  return (
    <Pictures
      name="path"
      legend="Which way did the water go?"
      options={WATER_PATHS.map((path) => ({
        value: path,
        words: path,
        picture: <PathDrawing path={path} />,
      }))}
    />
  );
}

function PotSteps() {
  const { draft, set } = useTest();
  const filledAt = typeof draft.filledAt === 'number' ? draft.filledAt : null;
  const now = useNow(filledAt !== null);
  return (
    <>
      <Step
        n={1}
        title="Take a clear container with a hole in its base, as deep as you can find. Fill it with soil from the bed, water it, and let the soil settle for about three weeks."
      >
        {filledAt === null ? (
          <Button className="self-start" onClick={() => set({ filledAt: Date.now() }, true)}>
            Filled and watered today
          </Button>
        ) : (
          <p>
            {now >= filledAt + POT_MS
              ? 'It has settled: go on.'
              : `Settling until ${format(filledAt + POT_MS, 'EEE d MMM')}; it stays under way.`}
          </p>
        )}
      </Step>
      <Step n={2} title="Pour on a measured depth of water and start the clock. Watch the path it takes.">
        <Stopwatch
          name="startedAt"
          into={{ name: 'minutes', unit: 'minutes' }}
          startWords="Poured"
          stopWords="The top is clear of water"
        />
        <div className="flex flex-wrap gap-4">
          <Num name="fall" field="fallMm" label="Depth poured" />
          <Num name="minutes" field="minutes" label="Gone in" />
        </div>
        <PathChoice />
      </Step>
    </>
  );
}

function PotResult({ input }: { input: Reading<'pot'> }) {
  const units = useUnits();
  const { mmPerHour, drainageClass } = holeTest(input);
  return (
    <Says figure={units.text('rate', mmPerHour)}>
      <strong>Drainage: {drainageClass}.</strong> {MEANS[input.path]}
    </Says>
  );
}

export const potTest: TestPage = {
  kind: 'pot',
  title: 'Watch it in a pot',
  about: 'Shows how fast water goes through your own soil, and which way it takes.',
  needs: 'a clear container with a hole in its base, and about three weeks for the soil to settle',
  Steps: PotSteps,
  read: (r) => {
    const path = r.choice('path', WATER_PATHS, 'The path of the water');
    const fallMm = r.number('fall', 'fallMm');
    const minutes = r.number('minutes', 'minutes');
    return r.ok && path ? { kind: 'pot', path, fallMm, minutes } : null;
  },
  Result: PotResult as TestPage['Result'],
};

function DyeSteps() {
  return (
    <>
      <Step
        n={1}
        title="Colour a can of water with food dye and pour it where you usually water, at the usual speed."
      />
      <Step
        n={2}
        title="After an hour cut down through the place with a spade and look at the face of the cut."
      >
        <PathChoice />
        <Num name="depth" field="probeMm" label="The colour goes down" />
      </Step>
    </>
  );
}

function DyeResult({ input }: { input: Reading<'dye'> }) {
  const units = useUnits();
  return <Says figure={units.text('depth', input.depthMm)}>{MEANS[input.path]}</Says>;
}

export const dyeTest: TestPage = {
  kind: 'dye',
  title: 'Colour the water',
  about: 'Shows which way the water goes through the soil of this bed.',
  needs: 'food dye, a can, a spade',
  cautions: ['digging'],
  Steps: DyeSteps,
  read: (r) => {
    const path = r.choice('path', WATER_PATHS, 'The path of the water');
    const depthMm = r.number('depth', 'probeMm');
    return r.ok && path ? { kind: 'dye', path, depthMm } : null;
  },
  Result: DyeResult as TestPage['Result'],
};
