import type { BedPageView } from '@kibble/contract';
import { useUnits } from '../../words/units.ts';

type Compared = NonNullable<BedPageView['lastYear']>;

const ROWS: readonly (readonly [string, keyof Compared['now']])[] = [
  ['Rain', 'rainMm'],
  ['Watering', 'irrigationMm'],
  ['Drunk by the plants', 'transpirationMm'],
  ['Past the roots', 'lostBelowRootsMm'],
];

/** The last weeks against the same weeks a year before. */
export function LastYear({ compared }: { compared: Compared }) {
  const units = useUnits();
  return (
    <section>
      <h2 className="mb-1 text-2xl">Against last year</h2>
      <table className="w-full">
        <thead className="text-left text-sm text-quiet">
          <tr>
            <th className="font-normal">The last {compared.days} days</th>
            <th className="text-right font-normal">this year</th>
            <th className="text-right font-normal">last year</th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([label, key]) => (
            <tr key={key} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {label}
              </th>
              <td className="text-right font-semibold">{units.text('depth', compared.now[key])}</td>
              <td className="text-right">{units.text('depth', compared.then[key])}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
