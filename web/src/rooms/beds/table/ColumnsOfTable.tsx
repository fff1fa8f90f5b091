import { bedColumnChoices, type BedField, type ReadBeds } from '@kibble/contract';
import { Choice } from '../../../ui/Choice.tsx';

/** How days may be written, with a day that shows it. */
const ORDERS = [
  ['year first', '2026-05-03 is 3 May'],
  ['day first', '3/5/2026 is 3 May'],
  ['month first', '5/3/2026 is May 3'],
] as const;

interface Props {
  headings: readonly string[];
  read: ReadBeds;
  onField: (at: number, field: BedField | 'not used') => void;
  onUnit: (field: string, unit: string) => void;
}

/** What each column of the table is taken for, to be put right. */
export function ColumnsOfTable({ headings, read, onField, onUnit }: Props) {
  const { dates } = read;
  return (
    <section>
      <h2 className="mb-1 text-2xl">What each column is taken for</h2>
      {dates?.asked ? (
        <p role="alert" className="mb-2 font-semibold text-brick">
          The days could be written day first or month first: no day after the twelfth shows which. Choose how
          they are written.
        </p>
      ) : null}
      <table className="w-full max-w-3xl">
        <caption className="sr-only">What each column of the table is taken for</caption>
        <tbody>
          {headings.map((heading, at) => {
            const column = read.columns.find((c) => c.at === at);
            if (heading === '' && !column) return null;
            return (
              <tr key={at} className="border-t border-rule align-baseline">
                <th scope="row" className="py-1 pr-3 text-left font-semibold">
                  {heading || `Column ${at + 1}`}
                </th>
                <td className="pr-3">
                  <Choice
                    label={`What ${heading || `column ${at + 1}`} is`}
                    manner="unseen"
                    value={column?.field ?? 'not used'}
                    onChange={(e) => onField(at, e.target.value as BedField | 'not used')}
                  >
                    <option value="not used">not used</option>
                    {bedColumnChoices.map(([field, label]) => (
                      <option key={field} value={field}>
                        {label}
                      </option>
                    ))}
                  </Choice>
                </td>
                <td>
                  {column && column.unitChoices.length > 0 ? (
                    <span className="flex items-baseline">
                      <Choice
                        label={`Unit of ${column.label.toLowerCase()}`}
                        manner="unseen"
                        className={column.unitAssumed ? 'assumed' : ''}
                        value={column.unit ?? ''}
                        onChange={(e) => onUnit(column.field, e.target.value)}
                      >
                        {column.unitChoices.map((unit) => (
                          <option key={unit}>{unit}</option>
                        ))}
                      </Choice>
                      {column.unitAssumed ? <span className="ml-1 text-sm text-quiet">assumed</span> : null}
                    </span>
                  ) : null}
                  {column?.field === 'plantedOn' && dates && (dates.asked || dates.order !== 'year first') ? (
                    <Choice
                      label="How days are written"
                      manner="unseen"
                      value={dates.asked ? '' : dates.order}
                      onChange={(e) => onUnit('plantedOn', e.target.value)}
                    >
                      {dates.asked ? <option value="">choose</option> : null}
                      {ORDERS.map(([order, example]) => (
                        <option key={order} value={order}>
                          {order}: {example}
                        </option>
                      ))}
                    </Choice>
                  ) : null}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
