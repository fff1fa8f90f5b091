import { summed } from '@kibble/core';
import type { RoundView } from '@kibble/contract';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useGarden, useGardenRound } from '../../state/gardenRound.ts';
import { usePref } from '../../state/pref.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { dayName, nextRound, roundsWords, timeOfDay } from '../../words/words.ts';
import { inParts, partsOf } from '../../words/inParts.ts';
import { usePotsQuery } from '../../api/api.ts';
import { AlertLines, HotWork } from '../../ui/Alerts.tsx';
import { OpensTree } from '../../ui/Opens.tsx';
import { Empty } from '../../ui/states.tsx';
import { Unplanned } from '../../ui/Unplanned.tsx';
import { useNow } from '../../ui/clock.ts';
import { OpenedStop } from './OpenedStop.tsx';
import { LargeTime } from './LargeTime.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { later } from '../../ui/later.tsx';
import { useWide } from '../../ui/useMedia.ts';
import { useRoundKeys } from './RoundKeys.tsx';
import { StopList, type Settled } from './StopList.tsx';
import { useStopActs } from './useStopActs.ts';
import { settledTogether, zonesTogether } from './zonesTogether.ts';
import { largeMinutes } from './stopWords.ts';

// First of all, so that they are here first.
const BesideWalk = later(async () => (await import('./BelowWalk.tsx')).BesideWalk);
const BelowWalk = later(async () => (await import('./BelowWalk.tsx')).BelowWalk);
const MissedNote = later(async () => (await import('./BelowWalk.tsx')).MissedNote);
const RoundSheet = later(async () => (await import('./BelowWalk.tsx')).RoundSheet);
const KeysSheet = later(async () => (await import('./KeysSheet.tsx')).KeysSheet);

/** So few stops are seen at a glance, in whatever order. */
const FEW_STOPS = 12;

/** The opened stop's core is so high; on a phone at most this share of the screen, so that its acts lie above the foot. */
const CORE_PX = 220;
const CORE_SHARE = 0.2;

/** Reasons by which a bed asks for nothing however dry it is. */
const AT_REST: ReadonlySet<string> = new Set(['nothing growing', 'ripened', 'killed by frost', 'frozen']);

/** The clock's minute of the day, renewed as it passes. */
function useMinute(): number {
  const now = new Date(useNow(true));
  return now.getHours() * 60 + now.getMinutes();
}

/** What was ticked took the focus with it: it goes on to the next stop, in the list or opened, wherever it was. */
function useNextFocused(opened: number | null, stops: RoundView['stops']): void {
  const last = useRef<{ opened: number | null; inList: boolean }>({ opened, inList: false });
  useEffect(() => {
    const note = (): void => {
      const at = document.activeElement;
      if (at?.closest('[data-stop], [data-stop-panel]'))
        last.current.inList = at.closest('[data-stop]') !== null;
    };
    document.addEventListener('focusin', note);
    return () => document.removeEventListener('focusin', note);
  }, []);
  useLayoutEffect(() => {
    const { opened: before, inList } = last.current;
    last.current.opened = opened;
    if (before === null || before === opened || stops.some(({ bedId }) => bedId === before)) return;
    const goOn = (): void => {
      const at = document.activeElement;
      if (at && at !== document.body) return;
      const next = document.querySelector<HTMLElement>(
        opened === null ? '#room' : inList ? `[data-stop="${opened}"] button` : `#stop-${opened} a`,
      );
      next?.focus({ preventScroll: opened === null });
    };
    goOn();
    // A question that was answered gives its focus back a moment later.
    const timer = setTimeout(goOn, 60);
    return () => clearTimeout(timer);
  }, [opened, stops]);
}

/** Today's walk: every stop at a glance, and the one where you are opened beside it. */
export function RoundRoom() {
  const garden = useGarden();
  const round = useGardenRound();
  const units = useUnits();
  const { data: pots } = usePotsQuery(garden.id);
  const acts = useStopActs();
  const minute = useMinute();
  const [keysOn] = usePref('keys', true);
  const { leaveAlone, totals, rounds } = round;
  const partOf = partsOf(garden);
  const [byPart, setByPart] = usePref('byPart', false);
  const walk = zonesTogether(round.stops, garden);
  const parted = walk.length > FEW_STOPS && new Set(walk.map(partOf)).size > 1;
  const stops = parted && byPart ? inParts(walk, partOf) : walk;
  const done = leaveAlone.filter(
    (item): item is Settled => item.reason.code === 'settled today' && item.event !== null,
  );
  const settled = settledTogether(done, garden);
  const left = leaveAlone.filter((item) => !done.includes(item as Settled));
  const [chosen, setChosen] = useState<{ bedId: number; at: number; ticked?: boolean } | null>(null);
  const [all, setAll] = useState(false);
  const wide = useWide();
  // What was ticked leaves, and the one that takes its place in the walk is opened.
  const found = stops.findIndex(({ bedId }) => bedId === chosen?.bedId);
  const index = found >= 0 ? found : Math.min(chosen?.at ?? 0, stops.length - 1);
  const opened = stops[index];
  const open = (bedId: number): void => setChosen({ bedId, at: stops.findIndex((s) => s.bedId === bedId) });
  if (opened && found < 0) setChosen({ bedId: opened.bedId, at: index, ticked: chosen !== null });
  useNextFocused(opened?.bedId ?? null, stops);
  const { helping, setHelping } = useRoundKeys(stops, index, open);
  const empty = stops.length + leaveAlone.length === 0;
  const growing = leaveAlone.some(({ reason }) => !AT_REST.has(reason.code));
  const runs = stops.flatMap((stop) => stop.runs);
  const mine =
    totals.handsOnMinutes < 0.5 ? 'Timers water today' : `${minutesText(totals.handsOnMinutes)} of your time`;
  const next = nextRound(rounds, round.date);
  const today = round.ribbon.find(({ date }) => date === round.date);
  const place = settled.length + index + 1;
  const count = settled.length + stops.length;

  const bare = empty && !pots?.spots.length;
  // Beds that were just added are told of before they are planned.
  const begun = garden.beds.some(({ archived, startOn }) => !archived && startOn <= round.date);
  const potsDue = pots?.totals.pots ?? 0;
  const awaitsRain = round.leaveAlone.some(({ reason }) => reason.code === 'rain coming');
  // A line is left free for it before it is here.
  const missed = (short: boolean) =>
    stops.some(({ reason }) => reason.carriedFrom) ? (
      <div className="min-h-6">
        <MissedNote stops={stops} short={short} />
      </div>
    ) : null;
  const head = (
    <header>
      <h1 className="text-3xl">{dayName(round.date)}’s round</h1>
      {stops.length > 0 ? (
        <p>
          <strong>
            <OpensTree
              title="Minutes of your own time"
              working={summed(
                'Minutes of your own time',
                'min',
                stops.map((s) => ({ label: s.bedName, value: s.handsOnMinutes })),
              )}
            >
              {mine}
            </OpensTree>
          </strong>
          {runs.length > 0
            ? ` from ${timeOfDay(Math.min(...runs.map((r) => r.from)), units)} to ${timeOfDay(Math.max(...runs.map((r) => r.until)), units)}`
            : ''}
          {' · '}
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
          {potsDue > 0 && pots
            ? ` · pots ${minutesText(pots.totals.minutes)}, ${units.text('litresFine', pots.totals.litres)}`
            : ''}
          {next ? ` · next round ${dayName(next)}` : ''}
        </p>
      ) : null}
      <p className="text-quiet">
        {roundsWords(rounds)}{' '}
        <Link className="no-print underline underline-offset-4" to="../fortnight#rounds">
          Choose other days
        </Link>
        {parted ? (
          <button
            type="button"
            className="no-print ml-4 min-h-11 underline underline-offset-4 md:min-h-0"
            onClick={() => setByPart(!byPart)}
          >
            {byPart ? 'In order of time' : 'By part of the garden'}
          </button>
        ) : null}
      </p>
      {missed(false)}
      {round.alerts.length > 0 ? <AlertLines alerts={round.alerts} /> : null}
    </header>
  );

  return (
    <>
      <AfterFirst>
        <RoundSheet round={{ ...round, stops }} pots={pots} />
      </AfterFirst>
      {helping ? <KeysSheet open onClose={() => setHelping(false)} /> : null}
      <div className="print:hidden">
        <Unplanned items={round.unplanned} />
        {opened ? null : head}
        {opened && !all ? <h1 className="sr-only lg:hidden">{dayName(round.date)}’s round</h1> : null}
        {bare && round.unplanned.length === 0 ? (
          <Empty title={begun ? 'Your beds are being planned' : 'No bed is planted yet on this date'}>
            {begun ? null : (
              <p>
                Add a bed in{' '}
                <Link className="underline" to="../beds">
                  Beds
                </Link>
                , or step to a day after planting.
              </p>
            )}
          </Empty>
        ) : null}
        {!bare && stops.length === 0 ? (
          <Empty title={potsDue > 0 ? 'No bed asks for water today' : 'Nothing asks for water today'}>
            <p>
              {growing
                ? `Every bed that grows has enough in store until its next round${awaitsRain ? ', or waits for rain that is likely' : ''}. Watering now would fill air the roots need, or run past them.`
                : empty
                  ? ''
                  : 'Nothing needs water now.'}
            </p>
          </Empty>
        ) : null}
        <div className={opened ? 'gap-x-6 lg:grid lg:grid-cols-[minmax(0,1fr)_19.5rem]' : 'mt-2'}>
          {opened ? (
            <aside
              aria-label="Where you are"
              className="lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:border-l-2 lg:border-ink lg:pl-5"
            >
              <p className="flex justify-between gap-4 text-sm lg:hidden">
                <strong>
                  Stop {place} of {count}
                </strong>
                <span className="text-quiet">
                  {today ? `${units.text('temperature', today.tMaxC)} today · ` : ''}
                  {mine}
                </span>
              </p>
              <div aria-hidden className="mt-1 mb-2 flex gap-1 lg:hidden">
                {Array.from({ length: count }, (_, i) => (
                  <span
                    key={i}
                    className={`h-1.5 flex-1 ${i + 1 < place ? 'bg-ink' : i + 1 === place ? 'bg-water' : 'bg-rule'}`}
                  />
                ))}
              </div>
              <div className="lg:hidden">
                {missed(true)}
                <AlertLines short alerts={round.alerts} />
              </div>
              <OpenedStop
                key={opened.bedId}
                stop={opened}
                place={place}
                of={count}
                next={stops[index + 1] ?? null}
                acts={acts}
                coreHeight={wide ? CORE_PX : Math.min(CORE_PX, Math.round(window.innerHeight * CORE_SHARE))}
                afterTick={chosen?.ticked ?? false}
              />
              <p className="mt-3 hidden text-sm text-quiet lg:block">
                {keysOn
                  ? 'Keys with a stop focused: j k move, d done, o tap, w working, ? all'
                  : 'Letter keys are off on this device.'}
              </p>
              <div className="mt-2 lg:hidden">
                <HotWork alerts={round.alerts} />
              </div>
            </aside>
          ) : null}
          {opened && !all && !wide ? null : (
            <section className="lg:col-start-1" aria-label="The walk">
              {opened ? <div className="mb-1">{head}</div> : null}
              <StopList
                stops={stops}
                settled={settled}
                opened={opened?.bedId ?? null}
                onOpen={(bedId) => {
                  open(bedId);
                  setAll(false);
                }}
                acts={acts}
                now={minute}
                partOf={parted && byPart ? partOf : null}
              />
            </section>
          )}
          <div className={opened ? 'lg:col-start-1 lg:row-start-2' : ''}>
            <AfterFirst>
              <BesideWalk round={round} pots={pots} left={left} />
            </AfterFirst>
          </div>
        </div>
        <AfterFirst>
          <BelowWalk round={round} empty={empty} />
        </AfterFirst>
        {opened ? (
          <div className="sticky bottom-14 -mx-4 mt-4 flex items-center gap-4 border-t border-rule bg-sheet px-4 py-1 lg:hidden">
            {stops[index + 1] ? (
              <button
                type="button"
                className="min-h-14 min-w-0 flex-1 text-left leading-tight"
                onClick={() => open(stops[index + 1]?.bedId ?? 0)}
              >
                <span className="block text-sm text-quiet">then</span>
                <span className="block truncate font-serif text-lg font-semibold">
                  {place + 1} {stops[index + 1]?.bedName}
                </span>
              </button>
            ) : (
              <span className="min-h-14 flex-1 py-4 text-quiet">the last stop</span>
            )}
            {stops[index + 1] ? (
              <LargeTime
                minutes={largeMinutes(stops[index + 1] as (typeof stops)[number])}
                className="text-2xl"
              />
            ) : null}
            <button
              type="button"
              aria-expanded={all}
              className="min-h-14 px-2 whitespace-nowrap underline underline-offset-4"
              onClick={() => {
                setAll(!all);
                window.scrollTo({ top: 0 });
              }}
            >
              {all ? 'this stop' : 'all stops'}
            </button>
          </div>
        ) : null}
      </div>
    </>
  );
}
