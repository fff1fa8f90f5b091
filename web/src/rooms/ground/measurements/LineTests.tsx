import { deliveryRate, METHOD_FACTS, poolingTest, slowBucket, soakerTest, spreadShare } from '@kibble/core';
import { minutesText, useUnits } from '../../../words/units.ts';
import { Num, Says, Step, Stopwatch, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

function SoakerSteps() {
  return (
    <>
      <Step
        n={1}
        title="Lay a tray or a gutter under a stretch of the hose, run it, and catch what seeps out."
      >
        <Num name="caught" field="hoseM" label="Hose over the tray" />
        <Stopwatch
          name="startedAt"
          into={{ name: 'minutes', unit: 'minutes' }}
          startWords="It runs"
          stopWords="I take the tray out"
        />
      </Step>
      <Step n={2} title="Measure what you caught.">
        <div className="flex flex-wrap gap-4">
          <Num name="litres" field="caughtLitres" label="Caught" />
          <Num name="minutes" field="poolingMinutes" label="In" />
          <Num name="length" field="hoseM" label="The whole hose is" />
        </div>
      </Step>
    </>
  );
}

function SoakerResult({ input }: { input: Reading<'soaker'> }) {
  const units = useUnits();
  return (
    <Says figure={units.text('flow', soakerTest(input).litresPerMinute)}>
      from the whole hose, if it seeps evenly. The far end often gives less: catch there too.
    </Says>
  );
}

export const soakerTestPage: TestPage = {
  kind: 'soaker',
  title: 'Catch under a soaker hose',
  about: 'A soaker hose gives what pressure and age let it: a tray tells.',
  needs: 'a tray, a measuring jug',
  Steps: SoakerSteps,
  read: (r) => {
    const litres = r.number('litres', 'caughtLitres');
    const minutes = r.number('minutes', 'poolingMinutes');
    const caughtM = r.number('caught', 'hoseM');
    const lengthM = r.number('length', 'hoseM');
    if (caughtM > lengthM)
      r.refuse('caught', 'The stretch over the tray must be at most the length of the hose.');
    return r.ok ? { kind: 'soaker', litres, minutes, caughtM, lengthM } : null;
  },
  Result: SoakerResult as TestPage['Result'],
};

function SlowSteps() {
  return (
    <>
      <Step n={1} title="Fill a bucket with a small hole, stand it by the plant, and start the clock.">
        <Stopwatch
          name="startedAt"
          into={{ name: 'minutes', unit: 'minutes' }}
          startWords="It drips"
          stopWords="It is empty"
        />
      </Step>
      <Step n={2} title="What it held, and how many stand on the bed.">
        <div className="flex flex-wrap gap-4">
          <Num name="litres" field="bucketLitres" label="One bucket holds" />
          <Num name="minutes" field="minutes" label="It ran empty in" />
          <Num name="buckets" field="buckets" label="Buckets on the bed" fallback="1" />
        </div>
      </Step>
    </>
  );
}

function SlowResult({ input }: { input: Reading<'slow-bucket'> }) {
  const units = useUnits();
  const { litresPerHour } = slowBucket(input);
  return (
    <Says figure={units.text('drip', litresPerHour)}>
      from each; {units.text('volume', input.litres * input.buckets)} when all are filled once.
    </Says>
  );
}

export const slowBucketTest: TestPage = {
  kind: 'slow-bucket',
  title: 'Buckets with a hole',
  about: 'How fast they feed decides how many a tree wants, and how often they are filled.',
  needs: 'the bucket, a watch',
  cautions: ['lifting', 'standing water'],
  Steps: SlowSteps,
  read: (r) => {
    const litres = r.number('litres', 'bucketLitres');
    const minutesToEmpty = r.number('minutes', 'minutes');
    const buckets = r.whole('buckets', 'buckets', '1');
    return r.ok ? { kind: 'slow-bucket', litres, minutesToEmpty, buckets } : null;
  },
  Result: SlowResult as TestPage['Result'],
};

function PoolingSteps() {
  return (
    <>
      <Step n={1} title="Water the bed as usual and start the clock. Watch the lowest spot." />
      <Step n={2} title="Stop when water stands there or begins to run.">
        <Stopwatch
          name="startedAt"
          into={{ name: 'minutes', unit: 'minutes' }}
          startWords="It runs"
          stopWords="It pools"
        />
        <Num
          name="minutes"
          field="poolingMinutes"
          label="Minutes until it pooled"
          hint="Written by the clock; or type it."
        />
      </Step>
    </>
  );
}

function PoolingResult({ input }: { input: Reading<'pooling'> }) {
  const { known } = useTest();
  const units = useUnits();
  if (!known) return null;
  const seen = poolingTest({
    rateMmPerHour: deliveryRate(known.delivery, known.areaM2),
    minutes: input.minutes,
    surfaceStorageMm: METHOD_FACTS[known.delivery.method].surfaceStorageMm,
  });
  return (
    <Says figure={minutesText(seen.longestRunMinutes)}>
      is the longest single run here. The ground was taking in about{' '}
      {units.text('rate', seen.infiltrationMmPerHour)}; longer waterings are cut into runs with rests.
    </Says>
  );
}

export const poolingTestPage: TestPage = {
  kind: 'pooling',
  title: 'Run until it pools',
  about: 'The minutes until water stands are the longest a single run may be: what runs off waters the path.',
  needs: 'the usual watering, a watch',
  Steps: PoolingSteps,
  read: (r) => {
    const minutes = r.number('minutes', 'poolingMinutes');
    return r.ok ? { kind: 'pooling', minutes } : null;
  },
  Result: PoolingResult as TestPage['Result'],
};

function SpreadSteps() {
  return (
    <>
      <Step
        n={1}
        title="A few hours after a watering, scrape the dry surface away across the line, or cut across it with a spade."
      />
      <Step n={2} title="Measure how wide the ground got wet, and how far one line lies from the next.">
        <div className="flex flex-wrap gap-4">
          <Num name="width" field="wetWidthM" label="It is wet across" />
          <Num
            name="spacing"
            field="spacingM"
            label="From line to line"
            hint="One line on the bed: its width."
          />
        </div>
      </Step>
    </>
  );
}

function SpreadResult({ input }: { input: Reading<'spread'> }) {
  const units = useUnits();
  const share = spreadShare(input);
  return (
    <Says figure={units.text('share', share)}>
      of the bed gets wet. {share >= 1 ? 'The wet strips join.' : 'Roots between the strips live on rain.'}
    </Says>
  );
}

export const spreadTest: TestPage = {
  kind: 'spread',
  title: 'How wide did it wet?',
  about:
    'Water drops straight down in sand and spreads in clay: the width decides how deep a given run goes.',
  needs: 'a trowel, a rule',
  Steps: SpreadSteps,
  read: (r) => {
    const widthM = r.number('width', 'wetWidthM');
    const spacingM = r.number('spacing', 'spacingM');
    return r.ok ? { kind: 'spread', widthM, spacingM } : null;
  },
  Result: SpreadResult as TestPage['Result'],
};
