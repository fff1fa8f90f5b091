import type { OutcomeView } from '@kibble/contract';
import { minutesText, useUnits, type Units } from '../words/units.ts';
import { dayMonth } from '../words/words.ts';

interface Row {
  label: string;
  text: (o: OutcomeView, units: Units, today: string) => string;
}

const none = 'none';
const ROWS: readonly Row[] = [
  {
    label: 'Next watering',
    text: (o, _units, today) =>
      o.nextDate === null ? 'not within a fortnight' : o.nextDate === today ? 'today' : dayMonth(o.nextDate),
  },
  { label: 'It runs', text: (o) => (o.minutes === null ? none : minutesText(o.minutes)) },
  {
    label: 'In turns of',
    text: (o) =>
      o.runMinutes === null || o.cycles === null
        ? none
        : o.cycles === 1
          ? 'one go'
          : `${o.cycles} × ${minutesText(o.runMinutes)}, ${minutesText(o.soakMinutes ?? 0)} between`,
  },
  { label: 'It takes', text: (o, units) => (o.litres === null ? none : units.text('volume', o.litres)) },
  {
    label: 'It wets down to',
    text: (o, units) =>
      o.reachesMm === null ? none : units.text('depth', Math.round(o.reachesMm / 10) * 10),
  },
  { label: 'Within easy reach', text: (o, units) => units.text('depth', o.spareMm) },
  {
    label: 'The fortnight',
    text: (o, units) =>
      `${units.text('volume', Math.round(o.fortnightLitres / 5) * 5)}, ${o.fortnightWaterings === 1 ? 'once' : `${o.fortnightWaterings} times`}`,
  },
];

/** A bed's plan before and after, line by line; what does not change is kept quiet. */
export function Changes({
  before,
  after,
  today,
}: {
  before: OutcomeView;
  after: OutcomeView;
  today: string;
}) {
  const units = useUnits();
  const rows = ROWS.map(({ label, text }) => ({
    label,
    was: text(before, units, today),
    is: text(after, units, today),
  }));
  if (rows.every(({ was, is }) => was === is))
    return (
      <p data-testid="changes">Nothing in the plan moves: it is what was taken so far. Now it is measured.</p>
    );
  return (
    <table className="w-full" data-testid="changes">
      <thead className="text-left text-sm text-quiet">
        <tr>
          <th className="font-normal">The plan</th>
          <th className="font-normal">now</th>
          <th className="font-normal">with this</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ label, was, is }) => (
          <tr key={label} className="border-t border-rule align-baseline">
            <th scope="row" className="py-1 pr-3 text-left font-normal">
              {label}
            </th>
            <td className="py-1 pr-3 text-quiet">{was}</td>
            <td className={`py-1 ${was === is ? 'text-quiet' : 'font-bold'}`}>{was === is ? 'same' : is}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
