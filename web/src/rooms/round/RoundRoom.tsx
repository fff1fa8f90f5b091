import { useGarden, useGardenRound } from '../../app/gardenRound.ts';
import { minutesText, useUnits } from '../../app/units.ts';
import { alertWords, dayName, isHarm } from '../../app/words.ts';
import { summed } from '@kibble/core';
import { TaskList } from '../../ui/TaskList.tsx';
import { Unplanned } from '../../ui/Unplanned.tsx';
import { OpensTree } from '../../ui/Opens.tsx';
import { Empty } from '../../ui/states.tsx';
import { LeaveList } from './LeaveList.tsx';
import { SharpenGarden } from '../ground/SharpenGarden.tsx';
import { KeysSheet, useRoundKeys } from './RoundKeys.tsx';
import { PutOff } from './PutOff.tsx';
import { RoundSheet } from './RoundSheet.tsx';
import { StopCard } from './StopCard.tsx';
import { Walk } from './Walk.tsx';
import { TimerStale } from '../fortnight/TimerStale.tsx';
import { Button } from '../../ui/Button.tsx';
import { Link } from 'react-router';

/** Reasons by which a bed asks for nothing however dry it is. */
const AT_REST: ReadonlySet<string> = new Set(['nothing growing', 'ripened', 'killed by frost', 'frozen']);

/** Today's walk: what to water and why, and what to leave alone. */
export function RoundRoom() {
  const garden = useGarden();
  const round = useGardenRound();
  const units = useUnits();
  const { stops, leaveAlone, totals } = round;
  const { helping, setHelping } = useRoundKeys();
  const rain = round.ribbon.find((d) => d.date > round.date && d.rainMm >= 2 && d.rainChance >= 0.5);
  const hottest = round.ribbon
    .filter((d) => d.date >= round.date)
    .slice(0, 5)
    .reduce((a, b) => (b.tMaxC > a.tMaxC ? b : a));
  const heat = `${units.text('temperature', hottest.tMaxC)} on ${hottest.date === round.date ? 'this day' : dayName(hottest.date)}`;
  const outlook = `${heat}, ${rain ? `rain likely ${dayName(rain.date)}` : 'no rain in sight'}.`;
  const harmful = round.alerts.filter(isHarm);
  const quiet = round.alerts.filter((alert) => !isHarm(alert));
  const empty = stops.length + leaveAlone.length === 0;
  const growing = leaveAlone.some(({ reason }) => !AT_REST.has(reason.code));

  return (
    <>
      <RoundSheet round={round} />
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_19rem] print:hidden">
        <KeysSheet open={helping} onClose={() => setHelping(false)} />
        <section>
          <h1 className="text-3xl">{dayName(round.date)}’s round</h1>
          <p className="text-quiet">
            {round.alerts.length === 0 ? outlook : quiet.map((alert) => alertWords(alert, units)).join(' ')}
          </p>
          <ul className="mb-4">
            {harmful.map((alert) => (
              <li key={alert.code} className="font-semibold text-brick">
                {alertWords(alert, units)}
              </li>
            ))}
          </ul>
          <Unplanned items={round.unplanned} />
          {empty && round.unplanned.length === 0 ? (
            <Empty title="No bed is planted yet on this date">
              <p>
                Add a bed in{' '}
                <Link className="underline" to="../beds">
                  Beds
                </Link>
                , or step to a day after planting.
              </p>
            </Empty>
          ) : null}
          {!empty && stops.length === 0 ? (
            <Empty title="Nothing asks for water today">
              <p>
                {growing
                  ? 'Every bed that grows has enough in store. Watering now would fill air the roots need, or run past them.'
                  : 'Nothing stands here that takes up water now. Beside it, why of each bed.'}
              </p>
            </Empty>
          ) : null}
          <ol>
            {stops.map((stop, i) => (
              <StopCard key={stop.bedId} stop={stop} place={i + 1} />
            ))}
          </ol>
        </section>
        <aside>
          {stops.length > 0 ? (
            <dl className="mb-8 flex gap-10">
              <div>
                <dd className="text-4xl font-bold">
                  <OpensTree
                    title="Minutes at the taps"
                    working={summed(
                      'Minutes at the taps',
                      'min',
                      stops.map((s) => ({ label: s.bedName, value: s.run.minutes })),
                    )}
                  >
                    {minutesText(totals.minutes)}
                  </OpensTree>
                </dd>
                <dt className="text-sm text-quiet">at the taps, one after another</dt>
              </div>
              <div>
                <dd className="text-4xl font-bold">
                  <OpensTree
                    title="Litres through the taps"
                    working={summed(
                      'Litres through the taps',
                      'L',
                      stops.map((s) => ({ label: s.bedName, value: s.run.litres })),
                    )}
                  >
                    {units.text('volume', totals.litres)}
                  </OpensTree>
                </dd>
                <dt className="text-sm text-quiet">through the taps</dt>
              </div>
            </dl>
          ) : null}
          <Walk />
          <PutOff items={round.putOff} />
          <TimerStale />
          <LeaveList items={leaveAlone} />
          <TaskList tasks={round.tasks} named />
          <SharpenGarden gardenId={garden.id} />
          {empty ? null : (
            <Button look="quiet" className="mt-4 -ml-4" onClick={() => window.print()}>
              Print the round
            </Button>
          )}
          {round.measuredShare < 0.99 ? (
            <p className="mt-6 border-l-4 border-rule pl-3 text-sm">
              <span className="assumed">{Math.round((1 - round.measuredShare) * 100)} %</span> of the past
              fortnight’s weather was not measured and is taken as usual for the season.{' '}
              <Link className="underline" to="../weather">
                Give it real weather
              </Link>
              .
            </p>
          ) : null}
        </aside>
      </div>
    </>
  );
}
