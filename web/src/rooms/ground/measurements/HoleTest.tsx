import { holeTest } from '@kibble/core';
import { useUnits } from '../../../words/units.ts';
import { HoleDrawing } from '../drawings.tsx';
import { Num, Says, Step, Stopwatch, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

const MEANS = {
  'very poor':
    'Water stands for days: raise the bed or plant what bears wet feet, and never water to the full.',
  poor: 'Water lingers: wait for the ground to drain before the next watering.',
  moderate: 'Drains slowly but well enough for most plants.',
  good: 'Drains well.',
  fast: 'Water is soon gone past the roots: smaller waterings, more often.',
} as const;

function Steps() {
  const { draft } = useTest();
  const running = typeof draft.startedAt === 'number';
  return (
    <>
      <Step
        n={1}
        title="Dig a hole about 30 cm (12 in) deep and as wide. Fill it with water and let it all drain away."
      />
      <Step n={2} title="Fill it again, stand a stick in it and mark the water line. Start the clock.">
        <Stopwatch
          name="startedAt"
          into={{ name: 'minutes', unit: 'minutes' }}
          startWords="The line is marked"
          stopWords="I measure now"
        />
      </Step>
      <Step n={3} title="After an hour or more, measure how far the water has fallen.">
        <div className="flex flex-wrap items-end gap-6">
          <div className="flex flex-col gap-3">
            <Num name="fall" field="fallMm" label="It fell" />
            <Num name="minutes" field="minutes" label="In" hint="Written by the clock; or type it." />
          </div>
          <HoleDrawing fallen={running ? 0.3 : 0.55} />
        </div>
      </Step>
    </>
  );
}

function Result({ input }: { input: Reading<'hole'> }) {
  const units = useUnits();
  const { mmPerHour, drainageClass } = holeTest(input);
  return (
    <Says figure={units.text('rate', mmPerHour)}>
      <strong>Drainage: {drainageClass}.</strong> {MEANS[drainageClass]}
    </Says>
  );
}

export const holeTestPage: TestPage = {
  kind: 'hole',
  title: 'Fill a hole twice',
  about: 'Tells how fast water leaves below: slow ground drowns roots, fast ground wastes a big watering.',
  needs: 'a spade, a bucket of water, a stick, an hour',
  cautions: ['digging', 'open hole'],
  Steps,
  read: (r) => {
    const fallMm = r.number('fall', 'fallMm');
    const minutes = r.number('minutes', 'minutes');
    return r.ok ? { kind: 'hole', fallMm, minutes } : null;
  },
  Result: Result as TestPage['Result'],
};
