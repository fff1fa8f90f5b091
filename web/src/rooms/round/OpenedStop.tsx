import type { StopView } from '@kibble/contract';
import { DRY_TO_MM } from '@kibble/core';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../../words/units.ts';
import {
  AIM_WORDS,
  checkFirstWords,
  dayName,
  paceWords,
  timeOfDay,
  waitingWords,
  waterSentence,
} from '../../words/words.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { Button } from '../../ui/Button.tsx';
import { Opens, Sentence } from '../../ui/Opens.tsx';
import { LargeTime } from './LargeTime.tsx';
import { FillCounter } from './FillCounter.tsx';
import { largeMinutes, leavesWords, shortHow } from './stopWords.ts';
import { isCarried, type StopActs } from './useStopActs.ts';
import type { WalkStop } from './zonesTogether.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { later } from '../../ui/later.tsx';
import { ECHO_MS } from '../../ui/underFinger.ts';

const Fold = later(async () => (await import('../../ui/Fold.tsx')).Fold);

const PartNote = later(async () => (await import('../../ui/PartNote.tsx')).PartNote);
const WetFirst = later(async () => (await import('../../ui/WetFirst.tsx')).WetFirst);
const ZoneNote = later(async () => (await import('./ZoneNote.tsx')).ZoneNote);
const StopInFull = later(async () => (await import('./StopInFull.tsx')).StopInFull);
const CheckSheet = later(async () => (await import('./CheckSheet.tsx')).CheckSheet);
const DifferentSheet = later(async () => (await import('./DifferentSheet.tsx')).DifferentSheet);
const SkipSheet = later(async () => (await import('./SkipSheet.tsx')).SkipSheet);

/** Its first word is what waiting would cost. */
const isWaited = ({ code }: StopView['reason']): boolean => code === 'growth' || code === 'floor';

/** What else can be said of a stop: its key, what it asks, a short word for the button and its name. */
const OTHER_ACTS = [
  ['a', 'different', 'Other', 'Other amount'],
  ['l', 'check', 'Look', 'Look first'],
  ['s', 'skip', 'Skip', 'Skip'],
] as const;

/** What came under the finger by a tick does nothing until the finger has had time to go: a double tap ticks one stop. */
function useSettled(afterTick: boolean): boolean {
  const [ready, setReady] = useState(!afterTick);
  useEffect(() => {
    if (ready) return;
    const timer = setTimeout(() => setReady(true), ECHO_MS);
    return () => clearTimeout(timer);
  }, [ready]);
  return ready;
}

/** Where you are: one stop opened, with its core, what to do in a few words, what waiting would cost, and the acts. */
export function OpenedStop({
  stop,
  place,
  of,
  next,
  acts,
  coreHeight,
  afterTick,
}: {
  stop: WalkStop;
  place: number;
  of: number;
  next: WalkStop | null;
  acts: StopActs;
  coreHeight: number;
  /** It came under the finger that ticked the one before. */
  afterTick: boolean;
}) {
  const units = useUnits();
  const bed = { bedId: stop.bedId, bedName: stop.bedName };
  const [asking, setAsking] = useState<'different' | 'skip' | 'check' | null>(null);
  const ready = useSettled(afterTick);
  const { waiting } = stop.reason;
  const leaves = leavesWords(stop);
  const pace = stop.byHand?.pace ? paceWords(stop.byHand.pace, stop.byHand.passes, units) : '';
  const carried = isCarried(stop);
  const running = acts.runs(stop.bedId);
  return (
    <article data-opened data-stop-panel aria-labelledby={`stop-${stop.bedId}`}>
      <p className="hidden text-quiet lg:block">
        Stop {place} of {of}, where you are
      </p>
      <h2 id={`stop-${stop.bedId}`} className="mb-2 text-3xl leading-tight">
        <Link
          to={stop.beds ? '../ground' : `../${stop.tree ? 'trees' : 'beds'}/${stop.bedId}`}
          className="decoration-rule underline-offset-4 hover:underline"
        >
          {stop.bedName}
        </Link>
      </h2>
      <div className="grid grid-cols-[6.5rem_minmax(0,1fr)] gap-x-5">
        <PlaceDrawing
          kind={stop.kind}
          core={stop.core}
          width={104}
          height={coreHeight}
          depthMm={Math.min(1200, Math.max(500, stop.core.rootDepthMm * 1.3))}
          title={stop.bedName}
        />
        <div>
          <p className="leading-none">
            <Opens {...bed} of="minutes" letter="w" assumed={!stop.flowMeasured}>
              <LargeTime minutes={largeMinutes(stop)} className="text-6xl" />
              <span className="sr-only">show the working</span>
            </Opens>
          </p>
          {stop.beds ? null : (
            <p className="mt-2 text-lg">
              <Opens {...bed} of="litres">
                {units.text('volume', stop.run.litres)}
              </Opens>
              {carried || !stop.tapName ? '' : `, ${stop.tapName}`}
            </p>
          )}
          <p className="text-quiet">
            {shortHow(stop)}
            {stop.runs[0] ? `, from ${timeOfDay(stop.runs[0].from, units)}` : ''}
          </p>
          {pace ? <p className="mt-1">{pace}.</p> : null}
          {stop.aim ? <p className="mt-1">{AIM_WORDS[stop.aim]}</p> : null}
          {leaves ? <p className="mt-1 font-semibold text-brick">{leaves}</p> : null}
        </div>
      </div>
      <div className="mt-3 mb-3">
        {stop.reason.carriedFrom ? (
          <p className="font-semibold text-brick">Carried over from {dayName(stop.reason.carriedFrom)}.</p>
        ) : null}
        {isWaited(stop.reason) ? (
          waiting ? (
            <p>
              <strong>
                <Sentence {...bed} pieces={waitingWords(waiting)} />
              </strong>
            </p>
          ) : null
        ) : (
          <p>
            <Sentence {...bed} pieces={waterSentence(stop.reason, stop.reachesMm, units, stop.run.localMm)} />
          </p>
        )}
        {stop.beds ? null : stop.reason.partBy || stop.reason.shallowMm !== null ? (
          <AfterFirst>
            <PartNote reason={stop.reason} />
          </AfterFirst>
        ) : null}
        {stop.beds ? (
          <AfterFirst>
            <ZoneNote stop={stop} />
          </AfterFirst>
        ) : null}
        {stop.checkFirst ? <p>{checkFirstWords(stop.checkFirst, units)}</p> : null}
        {stop.rowStripMm ? (
          <p className="mt-1">
            Water only the rows, a strip {units.text('depth', stop.rowStripMm)} wide along each. The litres
            are meant for these strips, and what you enter counts there.
          </p>
        ) : null}
        {stop.wetFirst ? (
          <AfterFirst>
            <WetFirst why={stop.wetFirst} />
          </AfterFirst>
        ) : null}
      </div>
      <div className="no-print">
        {carried ? (
          <FillCounter stop={stop} onLast={() => acts.done(stop)} />
        ) : running ? (
          <p className="bg-sheet px-4 py-3 text-center font-semibold">The tap runs: its clock is above.</p>
        ) : (
          <Button
            data-key="o"
            className="min-h-14 w-full text-lg"
            onClick={() => void acts.openTap(stop).catch(() => undefined)}
          >
            Open the tap
          </Button>
        )}
        <div className="grid grid-cols-4 divide-x divide-rule border border-ink">
          <Button
            look="plain"
            data-key="d"
            className="px-1"
            disabled={!ready}
            onClick={() => void acts.done(stop).catch(() => undefined)}
          >
            Done
          </Button>
          {OTHER_ACTS.map(([key, which, short, name]) => (
            <Button
              key={key}
              look="plain"
              data-key={key}
              className="px-1"
              aria-label={name}
              onClick={() => setAsking(which)}
            >
              {short}
            </Button>
          ))}
        </div>
        {acts.refused ? (
          <p role="alert" className="mt-2 font-semibold text-brick">
            {acts.refused}{' '}
            {acts.twice ? (
              <Button
                look="quiet"
                className="px-0"
                onClick={() => void acts.done(stop).catch(() => undefined)}
              >
                Yes, write it down as well
              </Button>
            ) : null}
          </p>
        ) : null}
        <div className="mt-3 min-h-11 border-t border-rule">
          <Fold heading="Why, and how in full" look="text-quiet">
            <AfterFirst>
              <StopInFull stop={stop} />
            </AfterFirst>
          </Fold>
        </div>
        {next ? (
          <p className="mt-2 hidden border-t border-rule pt-2 lg:block">
            <strong>Then</strong> {next.bedName}
            {next.runs[0] ? ` at ${timeOfDay(next.runs[0].from, units)}` : ''}
            {running ? ', while this runs' : ''}.
          </p>
        ) : null}
      </div>
      {asking === 'different' ? <DifferentSheet stop={stop} open onClose={() => setAsking(null)} /> : null}
      {asking === 'check' ? (
        <CheckSheet
          stop={stop}
          depthMm={stop.checkFirst?.depthMm ?? DRY_TO_MM}
          open
          onClose={() => setAsking(null)}
        />
      ) : null}
      {asking === 'skip' ? <SkipSheet stop={stop} open onClose={() => setAsking(null)} /> : null}
    </article>
  );
}
