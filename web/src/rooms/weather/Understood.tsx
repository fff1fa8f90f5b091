import type { ImportPreview } from '@kibble/contract';

import { useUnits } from '../../words/units.ts';
import { fullDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Choice } from '../../ui/Choice.tsx';

const REJECTS_SHOWN = 8;

interface Props {
  found: ImportPreview;
  name: string;
  error: unknown;
  onUnit: (field: string, unit: string) => void;
  onStore: () => void;
  onForget: () => void;
}

/** What was understood of a file, to be looked at and put right before it is stored. */
export function Understood({ found, name, error, onUnit, onStore, onForget }: Props) {
  const units = useUnits();
  const rejected = found.rejectedCount;
  const days = `${found.goodRows.toLocaleString()} days`;
  // Temperatures in question are in question together.
  const asked = found.columns.find(({ field }) => field === found.question?.field);
  const inQuestion = (column: ImportPreview['columns'][number]): boolean =>
    asked !== undefined &&
    (column === asked || (column.unitAssumed && column.unitChoices.join() === asked.unitChoices.join()));
  const asksUnit = ({ field, unit, unitChoices }: ImportPreview['columns'][number]): boolean =>
    unitChoices.length > 1 && (field !== 'date' || unit !== 'year first' || found.question?.field === 'date');
  return (
    <div className="mt-4">
      <h3 className="text-lg">{name}</h3>
      {found.problem ? (
        <p role="alert" className="font-semibold text-brick">
          {found.problem}
        </p>
      ) : (
        <>
          <p className="mb-2">
            {days}, {fullDate(found.from ?? '')} to {fullDate(found.to ?? '')}.
            {found.hourly
              ? ' Several rows a day: each day’s ends, its rain in all and its mean wind are taken.'
              : ''}
          </p>
          <Notes found={found} />
          {found.question ? (
            <p role="alert" className="mb-3 font-semibold text-brick">
              {found.question.words}
            </p>
          ) : null}
          <table className="mb-3 w-full text-sm">
            <caption className="text-left text-quiet">What each column was taken for</caption>
            <tbody>
              {found.columns.map((column) => (
                <tr key={column.field} className="border-t border-rule">
                  <th scope="row" className="py-1 text-left font-semibold">
                    {column.heading}
                  </th>
                  <td>{column.label}</td>
                  <td className="text-right">
                    {asksUnit(column) ? (
                      <Choice
                        label={`Unit of ${column.label.toLowerCase()}`}
                        manner="unseen"
                        className={column.unitAssumed ? 'assumed' : ''}
                        value={inQuestion(column) ? '' : column.unit}
                        onChange={(e) => onUnit(column.field, e.target.value)}
                      >
                        {inQuestion(column) ? <option value="">choose</option> : null}
                        {column.unitChoices.map((unit) => (
                          <option key={unit}>{unit}</option>
                        ))}
                      </Choice>
                    ) : column.field === 'date' ? (
                      ''
                    ) : (
                      column.unit
                    )}
                    {column.unitAssumed && column.unitChoices.length > 1 && !inQuestion(column) ? (
                      <span className="ml-1 text-quiet">assumed</span>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {found.ignored.length > 0 ? (
            <p className="mb-2 text-sm text-quiet">Not used: {found.ignored.join(', ')}.</p>
          ) : null}
          <table className="mb-3 w-full text-right text-sm">
            <caption className="text-left text-quiet">First days, as they would be stored</caption>
            <thead>
              <tr className="text-quiet">
                <th className="text-left font-normal">Day</th>
                <th className="font-normal">Low {units.of('temperature').unit}</th>
                <th className="font-normal">High {units.of('temperature').unit}</th>
                <th className="font-normal">Rain {units.of('depth').unit}</th>
                <th className="font-normal">Wind {units.of('wind').unit}</th>
              </tr>
            </thead>
            <tbody>
              {found.firstDays.map((day) => (
                <tr key={day.date} className="border-t border-rule">
                  <td className="text-left">{fullDate(day.date)}</td>
                  <td>{units.number('temperature', day.tMinC)}</td>
                  <td>{units.number('temperature', day.tMaxC)}</td>
                  <td>{units.number('depth', day.rainMm)}</td>
                  <td>{day.windMs === undefined ? '–' : units.number('wind', day.windMs)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {rejected > 0 ? (
            <div className="mb-3 border-l-4 border-brick pl-3">
              <p className="font-semibold">
                {rejected} {rejected === 1 ? 'row' : 'rows'} cannot be read:
              </p>
              <ul className="text-sm">
                {found.rejected.slice(0, REJECTS_SHOWN).map((row) => (
                  <li key={row.line}>
                    {found.counted === 'line' ? 'Line' : 'Entry'} {row.line}: {row.reason}
                  </li>
                ))}
              </ul>
              {rejected > REJECTS_SHOWN ? (
                <p className="text-sm">and {rejected - REJECTS_SHOWN} more</p>
              ) : null}
            </div>
          ) : null}
          <Refused error={error} />
          <Button disabled={found.question !== null} onClick={onStore}>
            {rejected > 0 ? `Store ${days}, leave ${rejected} out` : `Store ${days}`}
          </Button>
        </>
      )}
      <Button look="quiet" onClick={onForget}>
        Forget this file
      </Button>
    </div>
  );
}

/** What of a file is worth knowing before it is stored. */
function Notes({ found }: { found: ImportPreview }) {
  const { repeated, gaps, known, endsAhead } = found;
  const notes = [
    repeated > 0
      ? `${repeated.toLocaleString()} ${repeated === 1 ? 'row says' : 'rows say'} again what another says: taken once.`
      : null,
    gaps
      ? `${gaps.days.toLocaleString()} ${gaps.days === 1 ? 'day is' : 'days are'} missing in ${gaps.runs === 1 ? 'one gap' : `${gaps.runs} gaps`}, the longest ${gaps.longest.days} ${gaps.longest.days === 1 ? 'day' : 'days'} from ${fullDate(gaps.longest.from)}. They stay as they are on record, or as usual for the season.`
      : null,
    known > 0
      ? `${known.toLocaleString()} days of this span are on record already; where this file tells them, it is believed instead.`
      : null,
    endsAhead ? 'Its last days lie ahead and are taken as a forecast.' : null,
  ].filter((note) => note !== null);
  if (notes.length === 0) return null;
  return (
    <ul className="mb-2 border-l-4 border-rule pl-3 text-sm">
      {notes.map((note) => (
        <li key={note}>{note}</li>
      ))}
    </ul>
  );
}
