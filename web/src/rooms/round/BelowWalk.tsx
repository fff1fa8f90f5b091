import type { LeaveView, PotsView, RoundView } from '@kibble/contract';
import { Link } from 'react-router';
import { useGarden } from '../../state/gardenRound.ts';
import { useIsHelper } from '../../api/useIsHelper.ts';
import { Button } from '../../ui/Button.tsx';
import { UnderWay } from '../../ui/UnderWay.tsx';
import { TimerStale } from '../fortnight/TimerStale.tsx';
import { SharpenGarden } from '../ground/SharpenGarden.tsx';
import { AfterRain } from './AfterRain.tsx';
import { Besides } from './Besides.tsx';
import { PotWalks } from './PotWalks.tsx';
import { PutOff } from './PutOff.tsx';
import { Walk } from './Walk.tsx';

export { MissedNote } from './MissedNote.tsx';
export { RoundSheet } from './RoundSheet.tsx';

/** What there is to do besides the walk: pots, what is under way, tasks, and the beds to leave alone. */
export function BesideWalk({
  round,
  pots,
  left,
}: {
  round: RoundView;
  pots: PotsView | undefined;
  left: LeaveView[];
}) {
  const isHelper = useIsHelper();
  const garden = useGarden();
  return (
    <>
      <AfterRain round={round} gardenId={garden.id} />
      {pots && !isHelper ? <UnderWay sequences={pots.sequences} /> : null}
      {pots ? <PotWalks pots={pots} /> : null}
      <Besides leave={left} tasks={round.tasks} />
    </>
  );
}

/** The rest of the morning: what was put off, the round on the clock, what would make it surer, and paper. */
export function BelowWalk({ round, empty }: { round: RoundView; empty: boolean }) {
  const garden = useGarden();
  const isHelper = useIsHelper();
  return (
    <div className="mt-6 grid gap-x-10 lg:grid-cols-2">
      <div>
        <PutOff items={round.putOff} />
        {isHelper ? null : <TimerStale />}
        <Walk />
      </div>
      <div>
        {isHelper ? null : <SharpenGarden gardenId={garden.id} />}
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
        {empty ? null : (
          <Button look="quiet" className="mt-4 -ml-4" onClick={() => window.print()}>
            Print the round
          </Button>
        )}
      </div>
    </div>
  );
}
