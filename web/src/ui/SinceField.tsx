import type { BedView } from '@kibble/contract';
import { Field } from './Field.tsx';

/** Since when something about a bed has been as it is told now: today, an earlier day, or from its very start. */
export function SinceField({
  bed,
  today,
  value,
  onChange,
}: {
  bed: Pick<BedView, 'startOn'>;
  today: string;
  value: string;
  onChange: (day: string) => void;
}) {
  const always = value <= bed.startOn;
  return (
    <div>
      <Field
        label="It has been so since"
        type="date"
        max={today}
        value={value}
        onChange={(e) => onChange(e.target.value || today)}
        hint={
          always
            ? 'From its first day: every figure since then is worked out anew.'
            : 'What holds here since that day; figures of the days before stay as they are.'
        }
      />
      <button
        type="button"
        className="min-h-11 text-sm underline underline-offset-4"
        onClick={() => onChange(always ? today : bed.startOn)}
      >
        {always ? 'Only since today' : 'It was never otherwise: I had it wrong'}
      </button>
    </div>
  );
}
