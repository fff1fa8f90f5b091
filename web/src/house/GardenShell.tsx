import type { GardenView } from '@kibble/contract';
import { useEffect, useMemo, useState } from 'react';
import { Outlet, useLocation, useParams } from 'react-router';
import { WeatherRibbon } from '../drawing/WeatherRibbon.tsx';
import { PlanProgress } from '../ui/PlanProgress.tsx';
import { NoticeBar } from '../ui/NoticeBar.tsx';
import { TapBar } from '../ui/TapBar.tsx';
import { Loading, Trouble } from '../ui/states.tsx';
import {
  refusal,
  useGardenQuery,
  usePracticeQuery,
  usePutAwayMutation,
  useRoundQuery,
  useStepClockMutation,
} from '../app/api.ts';
import { UNITS_KEY } from '../app/baseQuery.ts';
import { DayDrawer } from '../ui/Opens.tsx';
import { GardenContext, RoundContext } from '../app/gardenRound.ts';
import { unitsOf, UnitsContext } from '../app/units.ts';
import { longDate } from '../app/words.ts';
import { Find } from './Find.tsx';
import { Rail } from './Rail.tsx';

/** From so many beds on it takes long enough to be told how far it is. */
const LARGE_BEDS = 60;

/** Rail, ribbon and the room between them. */
export function GardenShell() {
  const id = Number(useParams().gardenId);
  const { data: round, error, refetch, isFetching } = useRoundQuery(id);
  const { data: garden, error: noGarden } = useGardenQuery(id);
  // In the section the weather is drawn along, elsewhere a day opens its working.
  const { pathname } = useLocation();
  const scrubbing = pathname.endsWith('/section');
  const inRound = pathname.endsWith('/round');
  const [day, setDay] = useState<string | null>(null);
  const [finding, setFinding] = useState(false);
  const needsRound = /\/(round|fortnight)$/.test(pathname);
  const system = garden?.units ?? 'metric';
  const units = useMemo(() => unitsOf(system), [system]);
  useEffect(() => {
    const press = (e: KeyboardEvent): void => {
      const typing = (e.target as HTMLElement).closest('input, select, textarea, [role=dialog]');
      const asked = e.key === '/' || (e.key.toLowerCase() === 'k' && (e.ctrlKey || e.metaKey));
      if (!asked || (typing && e.key === '/')) return;
      e.preventDefault();
      setFinding(true);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  useEffect(() => localStorage.setItem('kibble.garden', String(id)), [id]);
  useEffect(() => localStorage.setItem(UNITS_KEY, system), [system]);

  return (
    <UnitsContext value={units}>
      <div className="min-h-screen pb-16 md:flex md:pb-0">
        <Rail id={id} onFind={() => setFinding(true)} />
        {garden && finding ? <Find garden={garden} open onClose={() => setFinding(false)} /> : null}
        <div className="min-w-0 flex-1">
          {noGarden || (error && !round && needsRound) ? (
            <Trouble error={noGarden ?? error} onRetry={() => void refetch()} />
          ) : null}
          {(!round && !error) || (!garden && !noGarden) ? <Loading what="the round" /> : null}
          {isFetching && (garden?.beds.length ?? LARGE_BEDS) >= LARGE_BEDS ? (
            <div className="no-print fixed top-0 right-0 z-20 bg-sheet px-4 py-1">
              <PlanProgress gardenId={id} />
            </div>
          ) : null}
          {/* Without a round every room that does not show it still opens. */}
          {garden && (round || error) ? (
            <GardenContext value={garden}>
              <RoundContext value={round ?? null}>
                <DayDrawer date={day} onClose={() => setDay(null)} />
                <TapBar gardenId={id} />
                <DateBar garden={garden} />
                {round ? (
                  <div className={`print:hidden ${inRound ? 'hidden lg:block' : ''}`}>
                    <WeatherRibbon
                      days={round.ribbon}
                      today={round.date}
                      onOpen={setDay}
                      scrubbing={scrubbing}
                      folded={/\/(round|fortnight|settings)$/.test(pathname)}
                    />
                  </div>
                ) : (
                  <p role="alert" className="px-4 pt-2 text-brick md:px-8">
                    Today’s round cannot be worked out just now: {refusal(error).message}
                  </p>
                )}
                <main className="px-4 pt-4 pb-12 md:px-8">{round || !needsRound ? <Outlet /> : null}</main>
              </RoundContext>
            </GardenContext>
          ) : null}
        </div>
        <NoticeBar />
      </div>
    </UnitsContext>
  );
}

/** Which day it is here, and, on a practice date, how to step it. */
function DateBar({ garden }: { garden: GardenView }) {
  const [step, { isLoading }] = useStepClockMutation();
  const [putAway] = usePutAwayMutation();
  const { data: practice } = usePracticeQuery(null);
  return (
    <header className="flex flex-wrap items-center gap-x-4 px-4 pt-2 text-sm md:px-8 print:hidden">
      <span className="font-semibold">{garden.name}</span>
      <span>{longDate(garden.today)}</span>
      {garden.away ? (
        <button
          type="button"
          className="min-h-11 font-semibold underline underline-offset-4"
          onClick={() => void putAway({ id: garden.id, away: false })}
        >
          Put away: bring it back
        </button>
      ) : null}
      {practice?.home ? (
        <a className="flex min-h-11 items-center underline underline-offset-4" href={practice.home}>
          Back to your own garden
        </a>
      ) : null}
      {garden.clockMode === 'practice' ? (
        <span className="no-print flex items-center gap-3">
          <span className="text-quiet">practice date</span>
          <button
            type="button"
            disabled={isLoading}
            className="min-h-11 underline underline-offset-4"
            onClick={() => void step({ id: garden.id, days: -1 })}
          >
            Day back
          </button>
          <button
            type="button"
            disabled={isLoading}
            className="min-h-11 font-semibold underline underline-offset-4"
            onClick={() => void step({ id: garden.id, days: 1 })}
          >
            Next day
          </button>
        </span>
      ) : null}
    </header>
  );
}
