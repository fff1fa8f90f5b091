import type { FortnightView } from '@kibble/contract';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { useAppDispatch } from '../../api/store.ts';
import { minutesText, useUnits, type Units } from '../../words/units.ts';
import { shortDay, timeOfDay } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { timerChanges, timerRows, type TimerChange, type TimerRow } from './timerRows.ts';
import { useTimer } from './useTimer.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** Days for which a timer is set at a time. */
const SET_DAYS = 7;

const runs = (row: TimerRow): string =>
  row.starts.length > 1
    ? `${row.starts.length} × ${minutesText(row.minutesEach)}`
    : minutesText(row.minutesEach);

function changeWords(change: TimerChange, units: Units): string {
  const { row } = change;
  const on = `${shortDay(row.date)}, ${row.bedName}`;
  switch (change.code) {
    case 'skip':
      return `${on}: skip this run. The plan no longer asks for it.`;
    case 'add':
      return `${on}: add ${runs(row)} from ${timeOfDay(row.starts[0] ?? 0, units)}.`;
    case 'minutes':
      return `${on}: now ${runs(row)} instead of ${minutesText(change.was)}.`;
  }
}

/** Plain settings for any tap timer, and, once they are typed in, what the plan has changed since. */
export function TimerSettings({ view }: { view: FortnightView }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const timer = useTimer(garden.id);
  const week = timerRows(view, garden.taps, SET_DAYS);
  const changes = timer.typed ? timerChanges(timer.typed, timerRows(view, garden.taps), garden.today) : [];
  const stations = week.some(({ station }) => station !== undefined);
  const set = (): void => {
    void timer.set(week, garden.today);
    dispatch(noticeShown({ text: 'Written down: the timer holds these settings.' }));
  };
  return (
    <section id="timer" className="no-print mt-6 max-w-4xl">
      <Caution of="electricity" className="max-w-prose mb-3" />
      {timer.typed ? (
        <div className="mb-2" data-testid="timer-changes">
          <h2 className="text-xl">The tap timer</h2>
          {changes.length === 0 ? (
            <p>What was set on {timer.on ? shortDay(timer.on) : 'it'} still holds.</p>
          ) : (
            <ul className="border-l-4 border-brick pl-3">
              {changes.map((change) => (
                <li key={`${change.code}-${change.row.date}-${change.row.bedId}`}>
                  {changeWords(change, units)}
                </li>
              ))}
            </ul>
          )}
        </div>
      ) : null}
      <Fold heading="Settings for a tap timer, the next seven days" look="font-serif text-xl">
        <table className="mt-2 w-full" data-testid="timer">
          <thead className="text-left text-sm text-quiet">
            <tr>
              <th className="font-normal">Day</th>
              {stations ? <th className="font-normal">Station</th> : null}
              <th className="font-normal">{stations ? 'Bed or zone' : 'Bed'}</th>
              <th className="font-normal">Runs</th>
              <th className="font-normal">Starts at</th>
            </tr>
          </thead>
          <tbody>
            {week.map((row, i) => (
              <tr
                key={`${row.date}-${row.bedId}`}
                className={`align-top ${week[i - 1]?.date === row.date ? '' : 'border-t border-ink'}`}
              >
                <th scope="row" className="pr-3 text-left font-semibold whitespace-nowrap">
                  {week[i - 1]?.date === row.date ? '' : shortDay(row.date)}
                </th>
                {stations ? <td className="pr-3">{row.station ?? ''}</td> : null}
                <td className="pr-3">{row.bedName}</td>
                <td className="pr-3 whitespace-nowrap">{runs(row)}</td>
                <td>{row.starts.map((at) => timeOfDay(at, units)).join(', ')}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-1 text-sm text-quiet">
          No tap is asked for two beds at once unless it feeds both, and the soak of one is used for another.
        </p>
        <div className="flex gap-3">
          <Button onClick={set}>I have set the timer so</Button>
          {timer.typed ? (
            <Button look="quiet" onClick={() => void timer.forget()}>
              I use no timer now
            </Button>
          ) : null}
        </div>
      </Fold>
    </section>
  );
}
