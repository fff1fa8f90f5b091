import type { GardenView } from '@kibble/contract';
import { clsx } from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { WeatherRibbon } from '../drawing/WeatherRibbon.tsx';
import { PlanProgress } from '../ui/PlanProgress.tsx';
import { NoticeBar } from '../ui/NoticeBar.tsx';
import { TapBar } from '../ui/TapBar.tsx';
import { Loading, Trouble } from '../ui/states.tsx';
import { refusal, useGardenQuery, useGardensQuery, useRoundQuery, useStepClockMutation } from '../app/api.ts';
import { UNITS_KEY } from '../app/baseQuery.ts';
import { DayDrawer } from '../ui/Opens.tsx';
import { GardenContext, RoundContext } from '../app/gardenRound.ts';
import { unitsOf, UnitsContext } from '../app/units.ts';
import { longDate } from '../app/words.ts';

/** From so many beds on it takes long enough to be told how far it is. */
const LARGE_BEDS = 60;

/** Path, name in the rail, and the shorter name on the phone's bar. */
const ROOMS = [
  ['round', 'Round', 'Round'],
  ['section', 'Garden', 'Garden'],
  ['fortnight', 'Fortnight', 'Plan'],
  ['ground', 'Ground & taps', 'Ground'],
  ['weather', 'Weather', 'Weather'],
  ['settings', 'Settings', 'Settings'],
] as const;

/** Rail, ribbon and the room between them. */
export function GardenShell() {
  const id = Number(useParams().gardenId);
  const { data: round, error, refetch, isFetching } = useRoundQuery(id);
  const { data: garden, error: noGarden } = useGardenQuery(id);
  const { data: gardens } = useGardensQuery(null);
  const navigate = useNavigate();
  // In the section the weather is drawn along, elsewhere a day opens its working.
  const { pathname } = useLocation();
  const scrubbing = pathname.endsWith('/section');
  const inRound = pathname.endsWith('/round');
  const inBeds = /\/beds(\/|$)/.test(pathname);
  const [day, setDay] = useState<string | null>(null);
  const needsRound = /\/(round|fortnight)$/.test(pathname);
  const system = garden?.units ?? 'metric';
  const units = useMemo(() => unitsOf(system), [system]);
  useEffect(() => localStorage.setItem('kibble.garden', String(id)), [id]);
  useEffect(() => localStorage.setItem(UNITS_KEY, system), [system]);

  return (
    <UnitsContext value={units}>
      <div className="min-h-screen pb-16 md:flex md:pb-0">
        <nav
          aria-label="Rooms"
          className="fixed inset-x-0 bottom-0 z-10 flex border-t border-rule bg-paper md:sticky md:top-0 md:h-screen md:w-36 md:flex-none md:flex-col md:border-t-0 md:border-r"
        >
          <Link
            to={`/garden/${id}/round`}
            className="hidden px-5 pt-5 pb-6 font-serif text-3xl font-bold md:block"
          >
            Kibble
          </Link>
          {ROOMS.map(([path, name, short]) => (
            <NavLink
              key={path}
              to={`/garden/${id}/${path}`}
              className={({ isActive: here }) => {
                const isActive = here || (path === 'section' && inBeds);
                return clsx(
                  'flex min-h-14 flex-1 items-center justify-center font-serif text-sm md:text-lg md:min-h-11 md:flex-none md:justify-start md:border-l-4 md:px-4',
                  isActive
                    ? 'border-ink font-semibold text-ink underline underline-offset-8 md:no-underline'
                    : 'border-transparent text-quiet',
                );
              }}
            >
              <span className="hidden md:inline">{name}</span>
              <span className="md:hidden">{short}</span>
            </NavLink>
          ))}
          <div className="mt-auto hidden p-4 text-sm md:block">
            <label className="text-quiet" htmlFor="garden-choice">
              Garden
            </label>
            <select
              id="garden-choice"
              className="mb-2 w-full border-b border-ink bg-paper py-1 font-semibold"
              value={id}
              onChange={(event) => void navigate(`/garden/${event.target.value}/round`)}
            >
              {(gardens ?? []).map((garden) => (
                <option key={garden.id} value={garden.id}>
                  {garden.name}
                </option>
              ))}
            </select>
            <Link to="/new" className="underline underline-offset-4">
              New garden
            </Link>
          </div>
        </nav>
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
  return (
    <header className="flex flex-wrap items-center gap-x-4 px-4 pt-2 text-sm md:px-8 print:hidden">
      <span className="font-semibold">{garden.name}</span>
      <span>{longDate(garden.today)}</span>
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
