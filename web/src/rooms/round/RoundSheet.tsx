import type { PotsView, RoundView } from '@kibble/contract';
import { useGarden } from '../../state/gardenRound.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { PotsOnPaper } from './PotWalks.tsx';
import { leavesWords } from './stopWords.ts';
import { leaveHead, longDate, timeOfDay } from '../../words/words.ts';

/** The round on one sheet of paper, with boxes to tick. */
export function RoundSheet({ round, pots }: { round: RoundView; pots: PotsView | undefined }) {
  const units = useUnits();
  const garden = useGarden();
  return (
    <section className="hidden print:block" data-testid="round-sheet">
      <h1 className="text-2xl">
        {garden.name}, {longDate(round.date)}
      </h1>
      <p className="mb-2 text-sm">
        {round.stops.length} to water, {minutesText(round.totals.handsOnMinutes)} of your time,{' '}
        {minutesText(round.totals.minutes)} of the taps, {units.text('volume', round.totals.litres)}. Sun up{' '}
        {timeOfDay(round.sun.sunrise * 60, units)}, down {timeOfDay(round.sun.sunset * 60, units)}.
      </p>
      <table className="w-full text-sm">
        <thead className="text-left">
          <tr>
            <th className="pr-3">Done</th>
            <th className="pr-3">From</th>
            <th>Bed</th>
            <th className="pr-3">Minutes</th>
            <th className="pr-3">{units.system === 'us' ? 'Gallons' : 'Litres'}</th>
            <th>How</th>
            <th className="w-1/4">Found, changed</th>
          </tr>
        </thead>
        <tbody>
          {round.stops.map((stop) => (
            <tr key={stop.bedId} className="border-t border-black align-top">
              <td className="py-1">
                <span className="inline-block size-4 border border-black" />
              </td>
              <td className="pr-3">{stop.runs[0] ? timeOfDay(stop.runs[0].from, units) : ''}</td>
              <td className="pr-3 font-bold">{stop.bedName}</td>
              <td className="pr-3 whitespace-nowrap">
                {stop.runs.length > 1
                  ? `${stop.runs.length} × ${minutesText((stop.runs[0]?.until ?? 0) - (stop.runs[0]?.from ?? 0))}`
                  : minutesText(stop.run.minutes)}
              </td>
              <td className="pr-3">{units.number('volume', stop.run.litres)}</td>
              <td className="pr-3">
                {stop.how}
                {stop.checkFirst ? `; look ${units.text('depth', stop.checkFirst.depthMm)} down first` : ''}
                {leavesWords(stop) ? `. ${leavesWords(stop)}` : ''}
              </td>
              <td />
            </tr>
          ))}
        </tbody>
      </table>
      {pots ? <PotsOnPaper pots={pots} /> : null}
      {round.leaveAlone.length > 0 ? (
        <p className="mt-3 text-sm">
          <strong>Leave alone:</strong>{' '}
          {round.leaveAlone.map((l) => `${l.bedName} (${leaveHead(l.reason, l.nextDate)})`).join('; ')}.
        </p>
      ) : null}
      <p className="mt-1 text-sm">Drink, keep out of the noon sun, and see that the last tap is off.</p>
    </section>
  );
}
