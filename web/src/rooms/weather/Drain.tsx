import type { GardenView, WeatherView } from '@kibble/contract';
import { BURST_C, DRAIN_CHOICES, DRAIN_RULES, type DrainChoice } from '@kibble/core';
import { useChangeGardenMutation } from '../../api/api.ts';
import { useUnits } from '../../words/units.ts';
import { dayMonth } from '../../words/words.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { Refused } from '../../ui/Refused.tsx';

const OPTIONS = DRAIN_CHOICES.map((choice) => [choice, choice] as const);

/** When to drain hoses and lines, as early as the household wants it, and what each day of waiting risks. */
export function Drain({ garden, drain }: { garden: GardenView; drain: NonNullable<WeatherView['drain']> }) {
  const units = useUnits();
  const percent = (share: number): string => units.text('share', share);
  const [change, { error }] = useChangeGardenMutation();
  const choose = (drains: DrainChoice): void => {
    void change({ id: garden.id, patch: { version: garden.version, drains } });
  };
  const { nightC, chance } = DRAIN_RULES[garden.drains];
  return (
    <section aria-labelledby="drain" data-testid="drain">
      <h2 id="drain" className="text-2xl">
        Draining hoses and lines
      </h2>
      <p className="mb-2">
        {drain.drainOn && drain.night ? (
          <>
            <strong>{drain.drainOn === garden.today ? 'Today' : `By ${dayMonth(drain.drainOn)}`}</strong>: the
            night to {dayMonth(drain.night.date)} may bring {units.text('temperature', nightC)} (
            {percent(drain.night.chance)}).
          </>
        ) : (
          <strong>Not yet, by this choice.</strong>
        )}{' '}
        {drain.burstBefore > 0.005
          ? `Waiting until then, ${percent(drain.burstBefore)} that a line bursts before. `
          : ''}
        Never drained, {percent(drain.burstUndrained)} within the fortnight: water left in a line bursts it at
        about {units.text('temperature', BURST_C)}.
      </p>
      <div className="max-w-80">
        <Taps legend="How early" options={OPTIONS} value={garden.drains} onChange={choose} />
      </div>
      <p className="mt-1 text-sm text-quiet">
        {garden.drains} means: before a night of {units.text('temperature', nightC)} that is at least{' '}
        {percent(chance)} likely.
      </p>
      <Refused error={error} />
      <Caution of="blowing out" className="max-w-prose mt-2" />
    </section>
  );
}
