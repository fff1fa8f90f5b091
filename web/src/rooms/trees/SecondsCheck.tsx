import { type BedPageView } from '@kibble/contract';
import { doseCheck, type TreePlan, historyOf } from '@kibble/core';
import { useState } from 'react';
import { useGarden } from '../../state/gardenRound.ts';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { useUnits } from '../../words/units.ts';
import { Field } from '../../ui/Field.tsx';

/** Seconds counted at a bush against the volume it is meant to get, at this tap. */
export function SecondsCheck({ page, plan }: { page: BedPageView; plan: TreePlan }) {
  const units = useUnits();
  const [seconds, setSeconds] = useState('');
  const garden = useGarden();
  const { litresPerMinute } = historyOf(page.bed, garden.today).periods.at(-1)?.tree ?? page.bed.delivery;
  const rule = numberRule('seconds', seconds, units, true);
  const typed = rule === true ? typedSi('seconds', seconds, units) : undefined;
  const at = doseCheck({ litres: plan.litresEach, seconds: typed ?? 1, litresPerMinute });
  return (
    <div className="no-print mt-2">
      <p>
        {units.text('volume', plan.litresEach)} at {units.text('flow', litresPerMinute)} are{' '}
        <strong>{Math.round(at.seconds)} s</strong> a bush.
      </p>
      <div className="max-w-44">
        <Field
          label="You count"
          inputMode="decimal"
          unit="s"
          value={seconds}
          error={rule === true ? undefined : rule}
          onChange={(e) => setSeconds(e.target.value)}
        />
      </div>
      {typed === undefined ? null : (
        <p role="status" className={at.agrees ? '' : 'font-semibold text-brick'}>
          {at.agrees
            ? 'That agrees.'
            : `That is ${units.text('volume', at.litres)} a bush: count anew, or time a bucket at this tap.`}
        </p>
      )}
    </div>
  );
}
