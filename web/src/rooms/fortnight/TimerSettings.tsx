import type { FortnightView } from '@kibble/contract';
import { minutesText } from '../../app/units.ts';
import { shortDay } from '../../app/words.ts';

/** The first hour of a morning on which the taps run, one bed after another. Judgement: before the heat. */
const FIRST_HOUR = 5;

const clock = (minutes: number): string => {
  const at = FIRST_HOUR * 60 + Math.round(minutes);
  return `${String(Math.floor(at / 60) % 24).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
};

/** Plain settings for any tap timer: day, start, minutes, one bed after another. */
export function TimerSettings({ view }: { view: FortnightView }) {
  const week = view.dates.slice(0, 7);
  return (
    <details className="mt-6">
      <summary className="cursor-pointer font-serif text-xl">
        Settings for a tap timer, the next seven days
      </summary>
      <table className="mt-2 w-full max-w-3xl">
        <thead className="text-left text-sm text-quiet">
          <tr>
            <th className="font-normal">Day</th>
            <th className="font-normal">Bed</th>
            <th className="font-normal">Starts</th>
            <th className="font-normal">Runs</th>
          </tr>
        </thead>
        <tbody>
          {week.flatMap((date) => {
            let at = 0;
            return view.beds.flatMap((bed) => {
              const cell = bed.waterings.find((w) => w.date === date);
              if (!cell) return [];
              const start = clock(at);
              at += cell.minutes;
              return [
                <tr key={`${date}-${bed.bedId}`} className="border-t border-rule">
                  <td className="py-1">{shortDay(date)}</td>
                  <td>{bed.bedName}</td>
                  <td>{start}</td>
                  <td>{minutesText(cell.minutes)}</td>
                </tr>,
              ];
            });
          })}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-quiet">
        One tap, one bed after another, from five in the morning. Change it when the plan changes: the weather
        does.
      </p>
    </details>
  );
}
