import type { Costs, FortnightBed, PlanChange, PlanTryView } from '@kibble/contract';
import { useForm, useWatch } from 'react-hook-form';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import { useTryPlanQuery } from '../../api/plans.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { minutesText, useUnits, type Units } from '../../words/units.ts';
import { dayMonth, shareWords } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Check } from '../../ui/Check.tsx';
import { checkedBy, figure } from '../../words/formSchema.ts';

interface Props {
  bed: FortnightBed;
  cell: FortnightBed['waterings'][number];
  change: PlanChange;
  dates: string[];
  onChange: (change: PlanChange) => void;
  onClose: () => void;
}

const ROWS: readonly (readonly [string, (c: Costs, u: Units) => string])[] = [
  ['Waterings', (c) => String(c.waterings)],
  ['Water', (c, u) => u.text('volume', c.litres)],
  ['Your own time', (c) => (c.handsOnMinutes < 0.5 ? 'none' : minutesText(c.handsOnMinutes))],
  ['Growth lost', (c) => shareWords(c.lostShare)],
  ['Days the plants run short', (c) => String(c.stressDays)],
  ['Past the roots', (c, u) => u.text('depth', c.lostBelowRootsMm)],
];

/** Short days the change makes on all other beds. */
const elsewhere = ({ before, after, garden }: PlanTryView): number =>
  garden.after.stressDays - garden.before.stressDays - (after.stressDays - before.stressDays);

/** What moving, resizing or leaving out a watering costs, before it is kept. */
export function ChangeSheet({ bed, cell, change, dates, onChange, onClose }: Props) {
  const garden = useGarden();
  const units = useUnits();
  const zone = garden.taps.find(({ id }) => id === bed.zone);
  const form = useForm({
    resolver: checkedBy<{ amount: string; skip: boolean }>({ amount: figure('litres', units) }),
    defaultValues: {
      amount: String(Math.round(units.of('volume').fromSi(change.litres ?? cell.litres))),
      skip: false,
    },
    mode: 'onChange',
  });
  const [text, skip] = useWatch({ control: form.control, name: ['amount', 'skip'] });
  const rule = numberRule('litres', text, units);
  const litres = rule === true ? typedSi('litres', text, units) : undefined;
  const resized = litres !== undefined && Math.round(litres) !== Math.round(cell.litres);
  const moved = change.to !== undefined && change.to !== cell.date;
  const asked: PlanChange = skip
    ? { bedId: bed.bedId, date: cell.date }
    : { bedId: bed.bedId, date: cell.date, to: change.to ?? cell.date, litres: resized ? litres : undefined };
  const { data, error } = useTryPlanQuery({ gardenId: garden.id, change: asked });
  const { enterAndSay, isLoading, error: refused } = useEnter();
  const keep = async (kept0: PlanChange = asked): Promise<void> => {
    const { bedId, ...input } = kept0;
    const what = skip
      ? `left out on ${dayMonth(cell.date)}`
      : moved
        ? `moved to ${dayMonth(change.to ?? cell.date)}`
        : 'set by hand';
    await enterAndSay([onBed(bedId, { kind: 'plan', ...input })], `${bed.bedName}: ${what}.`);
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`${bed.bedName}, ${dayMonth(cell.date)}`}>
      <div className="mb-3 grid grid-cols-2 gap-4">
        <Choice
          label="On"
          value={change.to ?? cell.date}
          disabled={skip}
          onChange={(e) => onChange({ ...change, to: e.target.value })}
        >
          {dates.map((date) => (
            <option key={date} value={date}>
              {dayMonth(date)}
            </option>
          ))}
        </Choice>
        <Field
          label="Amount"
          unit={units.of('volume').unit}
          inputMode="decimal"
          disabled={skip}
          error={form.formState.errors.amount?.message}
          {...form.register('amount')}
        />
      </div>
      {zone ? <p className="mb-3">All beds of {zone.name} are watered with it, for the same time.</p> : null}
      <Check {...form.register('skip')} className="mb-3">
        Leave it out on this day
      </Check>
      <Refused error={error} />
      {data ? (
        <table className="mb-3 w-full" data-testid="consequence">
          <thead className="text-left text-sm text-quiet">
            <tr>
              <th className="font-normal">This bed, the fortnight</th>
              <th className="font-normal">now</th>
              <th className="font-normal">then</th>
            </tr>
          </thead>
          <tbody>
            {ROWS.map(([label, of]) => {
              const was = of(data.before, units);
              const is = of(data.after, units);
              return (
                <tr key={label} className="border-t border-rule">
                  <th scope="row" className="py-1 text-left font-normal">
                    {label}
                  </th>
                  <td className="text-quiet">{was}</td>
                  <td className={was === is ? 'text-quiet' : 'font-bold'}>{is}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ) : null}
      {data && elsewhere(data) !== 0 ? (
        <p className="mb-3">
          Other beds run short on {Math.abs(elsewhere(data))} {elsewhere(data) > 0 ? 'more' : 'fewer'}{' '}
          {Math.abs(elsewhere(data)) === 1 ? 'day' : 'days'}: the limits are shared.
        </p>
      ) : null}
      {data && data.after.stressDays > data.before.stressDays ? (
        <p className="mb-3 font-semibold text-brick">
          The plants run short on {data.after.stressDays - data.before.stressDays} more{' '}
          {data.after.stressDays - data.before.stressDays === 1 ? 'day' : 'days'}.
        </p>
      ) : null}
      <Refused error={refused} />
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={isLoading || (!moved && !resized && !skip) || (!skip && rule !== true)}
          onClick={() => void keep().catch(() => undefined)}
        >
          Keep it so
        </Button>
        {!moved && !resized && !skip && !cell.byHand ? (
          <Button
            look="quiet"
            disabled={isLoading}
            onClick={() =>
              void keep({ bedId: bed.bedId, date: cell.date, to: cell.date, litres: cell.litres }).catch(
                () => undefined,
              )
            }
          >
            Pin it to this day
          </Button>
        ) : null}
        <Button look="quiet" onClick={onClose}>
          Leave it as it was
        </Button>
      </div>
    </Sheet>
  );
}
