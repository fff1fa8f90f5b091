import type { GardenView } from '@kibble/contract';
import { useEffect, useMemo, useState, type MouseEvent } from 'react';
import { Outlet, useLocation, useParams } from 'react-router';
import { WeatherRibbon } from '../drawing/WeatherRibbon.tsx';
import { PlanProgress } from '../ui/PlanProgress.tsx';
import { later } from '../ui/later.tsx';
import { NoticeBar } from '../ui/NoticeBar.tsx';
import { Loading, Trouble } from '../ui/states.tsx';
import { refusal, useGardenQuery, useRoundQuery, useStepClockMutation, useWhoQuery } from '../api/api.ts';
import { usePracticeQuery, usePutAwayMutation } from '../api/settings.ts';
import { UNITS_KEY } from '../api/baseQuery.ts';
import { DayDrawer } from '../ui/Opens.tsx';
import { GardenContext, RoundContext } from '../state/gardenRound.ts';
import { unitsOf, UnitsContext } from '../words/units.ts';
import { useAppSelector } from '../api/store.ts';
import { nameRoom } from '../words/title.ts';
import { longDate } from '../words/words.ts';
import { AwayBar } from './AwayBar.tsx';
import { ROOMS } from './rooms.ts';
import { useWide } from '../ui/useMedia.ts';
import { useReminders } from './useReminders.ts';
import { Rail } from './Rail.tsx';
import { Refused } from '../ui/Refused.tsx';

/** From so many beds on it takes long enough to be told how far it is. */
const LARGE_BEDS = 60;

const TapBar = later(async () => (await import('../ui/TapBar.tsx')).TapBar);
const PairRoom = later(async () => (await import('./PairRoom.tsx')).PairRoom);
const Find = later(async () => (await import('./Find.tsx')).Find);
const DoneLately = later(async () => (await import('../ui/DoneLately.tsx')).DoneLately);

/** What a tab in a room is called: the bed or the room, the garden, Kibble. */
function titleOf(pathname: string, garden: GardenView | undefined): string {
  const [, , , path = 'round', id] = pathname.split('/');
  const bed = /^(beds|trees)$/.test(path) ? garden?.beds.find((b) => b.id === Number(id))?.name : undefined;
  const room = ROOMS.find((r) => r.path === path)?.name ?? (path === 'beds' ? 'Beds' : 'Words');
  return [bed ?? room, garden?.name, 'Kibble'].filter(Boolean).join(' · ');
}

/** Past rail and bars: to the first stop where there is one, else to the room. */
function toRoom(e: MouseEvent<HTMLAnchorElement>): void {
  e.preventDefault();
  const room = document.getElementById('room');
  (room?.querySelector<HTMLElement>('[data-stop] button, [data-begin]') ?? room)?.focus();
}

/** Rail, ribbon and the room between them. */
export function GardenShell() {
  const id = Number(useParams().gardenId);
  const { data: round, error, refetch, isFetching } = useRoundQuery(id);
  const { data: garden, error: noGarden } = useGardenQuery(id);
  // In the section the weather is drawn along, elsewhere a day opens its working.
  const { pathname } = useLocation();
  const scrubbing = pathname.endsWith('/section');
  // In the round on a phone the stop itself says what the day is like.
  const ribbonShown = useWide() || !pathname.endsWith('/round');
  const [day, setDay] = useState<string | null>(null);
  const [finding, setFinding] = useState(false);
  const { data: who } = useWhoQuery(null);
  const shut = useAppSelector((state) => state.connection.shut) || who?.letIn === false;
  const roundOnly = who?.rights === 'round only';
  const needsRound = /\/(round|fortnight)$/.test(pathname);
  const system = garden?.units ?? 'metric';
  const units = useMemo(() => unitsOf(system), [system]);
  useReminders(round, units);
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
  const stands = Boolean(round) && Boolean(garden);
  useEffect(() => {
    if (stands) window.dispatchEvent(new Event('kibble-stands'));
  }, [stands]);
  useEffect(() => nameRoom(titleOf(pathname, garden)), [pathname, garden]);
  useEffect(() => localStorage.setItem('kibble.garden', String(id)), [id]);
  useEffect(() => localStorage.setItem(UNITS_KEY, system), [system]);

  if (shut) return <PairRoom />;
  return (
    <UnitsContext value={units}>
      <div className="min-h-screen pb-16 md:flex md:pb-0">
        <a href="#room" className="skip-link" onClick={toRoom}>
          To the room itself
        </a>
        <Rail id={id} roundOnly={roundOnly} onFind={() => setFinding(true)} />
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
                <div className="stays-on-top">
                  <AwayBar />
                  <TapBar gardenId={id} />
                  <NoticeBar />
                </div>
                <DateBar garden={garden} mayStep={!roundOnly} />
                {round && ribbonShown ? (
                  <div className="print:hidden">
                    <WeatherRibbon
                      days={round.ribbon}
                      today={round.date}
                      onOpen={setDay}
                      scrubbing={scrubbing}
                      folded={/\/(round|fortnight|settings)$/.test(pathname)}
                    />
                  </div>
                ) : null}
                {round ? null : (
                  <p role="alert" className="px-4 pt-2 text-brick md:px-8">
                    Today’s round cannot be worked out just now: {refusal(error).message}
                  </p>
                )}
                <main id="room" tabIndex={-1} className="px-4 pt-4 pb-16 outline-none md:px-8">
                  {roundOnly && !/\/(round|beds\/\d+|pots\/weigh)$/.test(pathname) ? (
                    <p role="alert">This device is connected for the round only.</p>
                  ) : round || !needsRound ? (
                    <Outlet />
                  ) : null}
                </main>
              </RoundContext>
            </GardenContext>
          ) : null}
        </div>
      </div>
    </UnitsContext>
  );
}

/** Which day it is here, and, on a practice date, how to step it. */
function DateBar({ garden, mayStep }: { garden: GardenView; mayStep: boolean }) {
  const [step, { isLoading, error }] = useStepClockMutation();
  const [putAway] = usePutAwayMutation();
  const { data: practice } = usePracticeQuery(null);
  const done = useAppSelector((state) => state.notice.done.length);
  const [listed, setListed] = useState(false);
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
      {garden.clockMode === 'practice' && mayStep ? (
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
          <Refused error={error} inline />
        </span>
      ) : null}
      {done > 0 ? (
        <button
          type="button"
          className="no-print ml-auto min-h-11 underline underline-offset-4"
          onClick={() => setListed(true)}
        >
          Done lately
        </button>
      ) : null}
      {listed ? <DoneLately open onClose={() => setListed(false)} /> : null}
    </header>
  );
}
