import { bucketTest, litresFromDepth, minutesFor, secondsPerPlant } from '@kibble/core';
import { minutesText, useUnits } from '../../../words/units.ts';
import { BucketDrawing } from '../drawings.tsx';
import { Num, Says, Step, Stopwatch, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

/** A large watering can, by which the flow is told as well, L. */
const CAN_LITRES = 10;

function Steps() {
  return (
    <>
      <Step n={1} title="Open the tap as you always do, with the nozzle you use here.">
        <BucketDrawing />
      </Step>
      <Step n={2} title="Hold it into an empty bucket and start the clock.">
        <Stopwatch
          name="startedAt"
          into={{ name: 'seconds', unit: 'seconds' }}
          startWords="It runs"
          stopWords="It is full"
        />
      </Step>
      <Step n={3} title="The bucket to its mark, and the time it took.">
        <div className="flex flex-wrap gap-4">
          <Num name="litres" field="bucketLitres" label="The bucket holds" />
          <Num name="seconds" field="seconds" label="It filled in" hint="Written by the clock; or type it." />
        </div>
      </Step>
    </>
  );
}

function Result({ input }: { input: Reading<'bucket'> }) {
  const { bed } = useTest();
  const units = useUnits();
  const { litresPerMinute } = bucketTest(input);
  const seconds = secondsPerPlant({ litres: CAN_LITRES, litresPerMinute });
  const perMm = bed ? minutesFor({ litres: litresFromDepth(10, bed.areaM2), litresPerMinute }) : null;
  return (
    <Says figure={units.text('flow', litresPerMinute)}>
      A can of {units.text('volume', CAN_LITRES)} fills in {Math.round(seconds)} seconds
      {perMm === null
        ? ''
        : `; ${units.text('depth', 10)} over this bed take ${minutesText(perMm)}, before losses`}
      .
    </Says>
  );
}

export const bucketTestPage: TestPage = {
  kind: 'bucket',
  title: 'Time a bucket',
  about: 'Every minute on the round is litres divided by this figure, and most people guess it wrong.',
  needs: 'a bucket with a mark, the hose, ten minutes',
  cautions: ['hose water', 'backflow', 'standing water'],
  Steps,
  read: (r) => {
    const litres = r.number('litres', 'bucketLitres');
    const seconds = r.number('seconds', 'seconds');
    return r.ok ? { kind: 'bucket', litres, seconds } : null;
  },
  Result: Result as TestPage['Result'],
};
