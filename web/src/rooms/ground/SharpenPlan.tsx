import type { SharpenView } from '@kibble/contract';
import type { QuickTest } from '@kibble/core';
import { Link, useParams } from 'react-router';
import { useUnits } from '../../words/units.ts';

/** How each quick test is spoken of. */
const WITH: Readonly<Record<QuickTest, string>> = {
  bucket: 'with a bucket and a watch',
  feel: 'with a handful of the soil',
  cans: 'with a few straight cans',
  spread: 'with a trowel, looking how wide the water went,',
  look: 'with a trowel',
};

const NUMBERS: Readonly<Record<number, string>> = {
  5: 'Five',
  10: 'Ten',
  15: 'Fifteen',
  20: 'Twenty',
  40: 'Forty',
};

/** The short measurement that would narrow the plan most, and the way to it. */
export function SharpenPlan({ sharpen }: { sharpen: SharpenView }) {
  const units = useUnits();
  const { gardenId } = useParams();
  const tens = (litres: number): number => Math.round(litres / 10) * 10;
  const span = ({ low, high }: { low: number; high: number }): string =>
    tens(low) === tens(high)
      ? units.text('volume', tens(low))
      : `${units.number('volume', tens(low))}–${units.text('volume', tens(high))}`;
  return (
    <section className="mt-8" aria-labelledby="sharpen">
      <h2 id="sharpen" className="mb-1 text-2xl">
        Sharpen the plan
      </h2>
      <p className="border-t border-rule pt-2">
        {NUMBERS[sharpen.minutes] ?? sharpen.minutes} minutes {WITH[sharpen.test]} at {sharpen.bedName} would
        narrow its next fortnight from <strong>{span(sharpen.now)}</strong> to{' '}
        <strong>{span(sharpen.after)}</strong>.{' '}
        <Link
          className="font-semibold underline underline-offset-4"
          to={`/garden/${gardenId}/ground/bed/${sharpen.bedId}/${sharpen.test}`}
        >
          Do it now
        </Link>
      </p>
    </section>
  );
}
