import type { LeaveView, StopView } from '@kibble/contract';
import { Check } from 'lucide-react';
import { isUnderWay } from '../../api/settled.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { echoesTick, useUnderFinger } from '../../ui/underFinger.ts';
import { laneOf, LaneHead, RunLane, type Lane } from './RunLane.tsx';
import { LargeTime } from './LargeTime.tsx';
import { largeMinutes, shortHow } from './stopWords.ts';
import type { StopActs } from './useStopActs.ts';
import type { SettledStop, WalkStop } from './zonesTogether.ts';

/** A stop that has had its turn today: what it had, and the entry that can be taken back. */
export type Settled = LeaveView & { event: NonNullable<LeaveView['event']> };

const GRID =
  'grid w-full grid-cols-[1.5rem_2rem_minmax(0,1fr)_auto_2rem] items-center gap-x-2.5 xl:grid-cols-[1.2rem_1.9rem_minmax(0,1fr)_4.6rem_4rem_11.5rem_2rem]';

/** A bed's row, whether it waits or has had its turn. */
const tickOf = ({ bedId }: { bedId: number }): string => `bed ${bedId}`;

/** The whole walk at a glance: every stop one ruled row, with its runs on the morning's clock and a box to tick. */
export function StopList({
  stops,
  settled,
  opened,
  onOpen,
  acts,
  now,
  partOf,
}: {
  stops: WalkStop[];
  settled: SettledStop[];
  opened: number | null;
  onOpen: (bedId: number) => void;
  acts: StopActs;
  /** Minutes after midnight. */
  now: number;
  /** The part of the garden a stop is in, where they are listed by it. */
  partOf: ((stop: StopView) => string) | null;
}) {
  const lane = laneOf(stops);
  const under = useUnderFinger(stops);
  return (
    <>
      <div className={`${GRID} hidden xl:grid`}>
        <span className="col-span-5" />
        {lane ? <LaneHead lane={lane} /> : <span />}
      </div>
      <ol className="border-b border-ink">
        {settled.map((item) => (
          <SettledRow key={item.bedId} item={item} acts={acts} held={under === tickOf(item)} />
        ))}
        {stops.flatMap((stop, i) => {
          const part = partOf?.(stop);
          const before = stops[i - 1];
          const begins = part !== undefined && (!before || partOf?.(before) !== part);
          return [
            begins ? (
              <li key={`part ${part}`} className="sticky top-0 z-10 bg-paper pt-2 text-lg font-semibold">
                {part}
              </li>
            ) : null,
            <StopRow
              key={stop.bedId}
              stop={stop}
              place={settled.length + i + 1}
              lane={lane}
              now={now}
              opened={stop.bedId === opened}
              onOpen={() => onOpen(stop.bedId)}
              acts={acts}
              held={under === tickOf(stop)}
            />,
          ];
        })}
      </ol>
    </>
  );
}

function StopRow({
  stop,
  place,
  lane,
  now,
  opened,
  onOpen,
  acts,
  held,
}: {
  stop: WalkStop;
  place: number;
  lane: Lane | null;
  now: number;
  opened: boolean;
  onOpen: () => void;
  acts: StopActs;
  /** It came under the finger that ticked another one. */
  held: boolean;
}) {
  const units = useUnits();
  return (
    <li
      data-stop={stop.bedId}
      data-tick={tickOf(stop)}
      aria-label={stop.bedName}
      className={`far relative border-t ${opened ? 'border-y-2 border-ink bg-sheet' : 'border-rule'}`}
    >
      {/* The whole row opens the stop; the box beside it ticks it. */}
      <button
        type="button"
        aria-pressed={opened}
        className={`${GRID} min-h-11 text-left lg:min-h-10`}
        onClick={onOpen}
        onFocus={(e) => {
          if (e.currentTarget.matches(':focus-visible')) onOpen();
        }}
      >
        <span className="font-serif text-lg text-quiet">{place}</span>
        <span className="flex justify-center">
          <PlaceDrawing
            kind={stop.kind}
            core={stop.core}
            width={25}
            height={34}
            depthMm={Math.min(1000, Math.max(500, stop.core.rootDepthMm * 1.3))}
            title={stop.bedName}
          />
        </span>
        <span className="min-w-0 leading-none">
          <span className="block truncate font-serif text-lg leading-5.5 font-semibold">{stop.bedName}</span>
          <span className="block truncate text-sm leading-4 text-quiet">
            {stop.beds ? `${stop.beds.length} beds, ` : ''}
            {shortHow(stop)}
            {acts.runs(stop.bedId) ? ', the tap runs' : ''}
          </span>
        </span>
        <span className="text-right whitespace-nowrap">
          <LargeTime minutes={largeMinutes(stop)} className="text-2xl" />
        </span>
        <span className="hidden text-right whitespace-nowrap xl:block">
          {units.text('volume', stop.run.litres)}
        </span>
        <span className="hidden self-stretch xl:block">
          {lane ? <RunLane runs={stop.runs} lane={lane} now={now} done={false} /> : null}
        </span>
        <span />
      </button>
      <button
        type="button"
        aria-label={`Done: ${stop.bedName}`}
        className="absolute inset-y-0 right-0 flex w-11 items-center justify-center"
        disabled={held}
        onClick={(e) => {
          if (!echoesTick(e)) void acts.done(stop).catch(() => undefined);
        }}
      >
        <span aria-hidden className="size-6 border-2 border-ink bg-paper" />
      </button>
    </li>
  );
}

function SettledRow({ item, acts, held }: { item: SettledStop; acts: StopActs; held: boolean }) {
  const units = useUnits();
  const { event } = item;
  const had =
    event.kind === 'skip'
      ? `skipped: ${event.reason ?? 'no reason given'}${event.by ? `, ${event.by}` : ''}`
      : `had ${item.eventIds.length > 1 ? `${minutesText(event.minutes ?? 0)} on ${item.eventIds.length} beds` : units.text('volume', event.litres ?? 0)}${event.by ? `, ${event.by}` : ''}`;
  return (
    <li
      data-tick={tickOf(item)}
      aria-label={item.bedName}
      className="relative border-t border-rule text-quiet"
    >
      <div className={`${GRID} min-h-11 lg:min-h-10`}>
        <span />
        <span />
        <span className="min-w-0 leading-tight">
          <span className="block truncate font-serif text-lg leading-5.5 font-semibold">{item.bedName}</span>
          <span className="block truncate text-sm leading-4">{had}</span>
        </span>
      </div>
      <button
        type="button"
        aria-label={`Take it back: ${item.bedName}`}
        disabled={held || isUnderWay(event)}
        className="absolute inset-y-0 right-0 flex w-11 items-center justify-center"
        onClick={(e) => {
          if (!echoesTick(e)) acts.takeBack(item.eventIds);
        }}
      >
        <span aria-hidden className="flex size-6 items-center justify-center bg-ink text-paper">
          <Check size={18} />
        </span>
      </button>
    </li>
  );
}
