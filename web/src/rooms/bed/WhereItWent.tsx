import type { BedPageView, Explainable } from '@kibble/contract';
import type { WordId } from '../../words/glossary.ts';
import { Opens } from '../../ui/Opens.tsx';
import { Term } from '../../ui/Term.tsx';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';

/** Rows that open what they mean. */
const WORDS: Readonly<Partial<Record<Explainable, WordId>>> = {
  transpiration: 'drink',
  evaporation: 'drying',
  runoff: 'runs off',
  lost: 'root zone',
};

/** The season's balance so far, as depths over the bed. */
export function WhereItWent({ page }: { page: BedPageView }) {
  const units = useUnits();
  const { season } = page;
  const rows: readonly (readonly [string, number, Explainable])[] = [
    ['Came as rain', season.rainMm, 'rain'],
    ['Came by watering', season.irrigationMm, 'irrigation'],
    ['Drunk by the plants', season.transpirationMm, 'transpiration'],
    ['Dried from bare soil', season.evaporationMm, 'evaporation'],
    ['Ran off', season.runoffMm, 'runoff'],
    ['Sank past the roots', season.lostBelowRootsMm, 'lost'],
  ];
  const first = page.days[0];
  return (
    <section>
      <h2 className="mb-1 text-2xl">Where the water went</h2>
      <p className="mb-2 text-sm text-quiet">
        {page.bed.plantings.length > 0 ? 'Since planting' : 'Since the bed was added'}
        {first ? ` on ${plainDate(first.date, page.date)}` : ''}, over the whole bed.
      </p>
      <table className="w-full">
        <tbody>
          {rows.map(([name, mm, of]) => (
            <tr key={name} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {WORDS[of] ? <Term of={WORDS[of]}>{name}</Term> : name}
              </th>
              <td className="py-1 text-right font-semibold">
                <Opens bedId={page.bedId} bedName={page.bedName} of={of}>
                  {units.text('depth', mm)}
                </Opens>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-sm text-quiet">
        What is left over changed the store in the ground. Roots can still reach some of what sank as they
        grow.
      </p>
    </section>
  );
}
