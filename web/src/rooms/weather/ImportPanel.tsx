import type { GardenView, ImportPreview } from '@kibble/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { refusal, useImportWeatherMutation, usePreviewImportMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { useUnits } from '../../app/units.ts';
import { fullDate } from '../../app/words.ts';
import { Button } from '../../ui/Button.tsx';

const REJECTS_SHOWN = 8;

/** A file of daily weather: what was understood of it, its first rows, then, if wanted, into the record. */
export function ImportPanel({ garden }: { garden: GardenView }) {
  const dispatch = useAppDispatch();
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [unitChoices, setUnitChoices] = useState<Record<string, string>>({});
  const [preview, previewState] = usePreviewImportMutation();
  const [store, storeState] = useImportWeatherMutation();

  const look = (next: { name: string; text: string }, units: Record<string, string>): void => {
    setFile(next);
    setUnitChoices(units);
    storeState.reset();
    void preview({ gardenId: garden.id, text: next.text, fileName: next.name, units });
  };
  const choose = async (files: FileList | null): Promise<void> => {
    const chosen = files?.[0];
    if (chosen) look({ name: chosen.name, text: await chosen.text() }, {});
  };
  const forget = (): void => {
    setFile(null);
    previewState.reset();
    storeState.reset();
  };
  const found = previewState.data;
  const stored = storeState.data;

  return (
    <section>
      <h2 className="mb-2 text-2xl">Bring in a file</h2>
      <p className="mb-3 text-quiet">
        Records as CSV, a row a day or an hour: a date, lowest and highest temperature and rain; wind,
        humidity and sun when there are any. Days ahead are taken as a forecast. Nothing is stored until you
        say so.
      </p>
      <label className="inline-flex min-h-11 items-center bg-ink px-4 font-semibold text-paper focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-ink">
        Choose a file
        <input
          type="file"
          accept=".csv,.txt,text/csv"
          className="sr-only"
          onChange={(e) => {
            void choose(e.target.files);
            e.target.value = '';
          }}
        />
      </label>
      {previewState.isLoading ? <p className="mt-3 text-quiet">Reading…</p> : null}
      {previewState.error ? (
        <p role="alert" className="mt-3 font-semibold text-brick">
          {refusal(previewState.error).message}
        </p>
      ) : null}
      {file && found && !stored ? (
        <Understood
          found={found}
          name={file.name}
          busy={storeState.isLoading}
          error={storeState.error}
          onUnit={(field, unit) => look(file, { ...unitChoices, [field]: unit })}
          onStore={() =>
            void store({
              gardenId: garden.id,
              text: file.text,
              fileName: file.name,
              units: unitChoices,
              acceptRejected: true,
            })
              .unwrap()
              .then(({ id }) =>
                dispatch(noticeShown({ text: `${file.name} is taken in.`, undoImportId: id })),
              )
              .catch(() => undefined)
          }
          onForget={forget}
        />
      ) : null}
      {stored ? (
        <div role="status" className="mt-4 border-l-4 border-ink pl-3">
          <p className="font-semibold">
            {stored.stored.toLocaleString()} days stored, {fullDate(stored.from)} to {fullDate(stored.to)}
            {stored.leftOut > 0
              ? `; ${stored.leftOut} ${stored.leftOut === 1 ? 'row' : 'rows'} left out`
              : ''}
            .
          </p>
          {stored.to < garden.today ? (
            <p>
              The record ends before today. To walk through it, set a practice date in{' '}
              <Link className="underline" to="../settings">
                Settings
              </Link>
              .
            </p>
          ) : null}
        </div>
      ) : null}
    </section>
  );
}

interface UnderstoodProps {
  found: ImportPreview;
  name: string;
  busy: boolean;
  error: unknown;
  onUnit: (field: string, unit: string) => void;
  onStore: () => void;
  onForget: () => void;
}

function Understood({ found, name, busy, error, onUnit, onStore, onForget }: UnderstoodProps) {
  const units = useUnits();
  const rejected = found.rejectedCount;
  const days = `${found.goodRows.toLocaleString()} days`;
  const inQuestion = ({ unitAssumed, unitChoices }: ImportPreview['columns'][number]): boolean =>
    found.question !== null && unitAssumed && unitChoices.includes('°F');
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
                    {column.unitChoices.length > 1 ? (
                      <select
                        aria-label={`Unit of ${column.label.toLowerCase()}`}
                        className={`min-h-9 border border-ink bg-sheet px-1 ${column.unitAssumed ? 'assumed' : ''}`}
                        value={inQuestion(column) ? '' : column.unit}
                        onChange={(e) => onUnit(column.field, e.target.value)}
                      >
                        {inQuestion(column) ? <option value="">choose</option> : null}
                        {column.unitChoices.map((unit) => (
                          <option key={unit}>{unit}</option>
                        ))}
                      </select>
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
                    Line {row.line}: {row.reason}
                  </li>
                ))}
              </ul>
              {rejected > REJECTS_SHOWN ? (
                <p className="text-sm">and {rejected - REJECTS_SHOWN} more</p>
              ) : null}
            </div>
          ) : null}
          {error ? (
            <p role="alert" className="font-semibold text-brick">
              {refusal(error).message}
            </p>
          ) : null}
          <Button disabled={busy || found.question !== null} onClick={onStore}>
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
