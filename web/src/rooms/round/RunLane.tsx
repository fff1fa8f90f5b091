import type { StopView } from '@kibble/contract';

/** Hours that the morning's clock shows. */
export interface Lane {
  from: number;
  until: number;
  /** Hours written at its head. */
  ticks: number[];
}

/** Hours from the first drop to the last, in whole ones, with no more marks than there is room for. */
export function laneOf(stops: readonly Pick<StopView, 'runs'>[]): Lane | null {
  const runs = stops.flatMap((stop) => stop.runs);
  if (runs.length === 0) return null;
  const from = Math.floor(Math.min(...runs.map((run) => run.from)) / 60);
  const until = Math.max(from + 2, Math.ceil(Math.max(...runs.map((run) => run.until)) / 60));
  const step = Math.max(1, Math.ceil((until - from) / 6));
  const ticks = Array.from({ length: Math.floor((until - from) / step) + 1 }, (_, i) => from + i * step);
  return { from: from * 60, until: until * 60, ticks };
}

const share = (minute: number, { from, until }: Lane): number =>
  (100 * Math.min(Math.max(minute - from, 0), until - from)) / (until - from);

/** A stop's own runs on the morning's clock, with the moment it is now. */
export function RunLane({
  runs,
  lane,
  now,
  done,
}: {
  runs: StopView['runs'];
  lane: Lane;
  now: number;
  done: boolean;
}) {
  const first = runs[0];
  const last = runs.at(-1);
  return (
    <span aria-hidden className={`relative block h-full ${done ? 'opacity-40' : ''}`}>
      {lane.ticks.map((hour) => (
        <span
          key={hour}
          className="absolute inset-y-0 border-l border-rule/60"
          style={{ left: `${share(hour * 60, lane)}%` }}
        />
      ))}
      {first && last && runs.length > 1 ? (
        <span
          className="absolute top-1/2 border-t-2 border-dotted border-water"
          style={{ left: `${share(first.from, lane)}%`, right: `${100 - share(last.until, lane)}%` }}
        />
      ) : null}
      {runs.map((run) => (
        <span
          key={run.cycle}
          className="absolute top-1/2 h-4 -translate-y-1/2 bg-water"
          style={{
            left: `${share(run.from, lane)}%`,
            width: `max(4px, ${share(run.until, lane) - share(run.from, lane)}%)`,
          }}
        />
      ))}
      {now > lane.from && now < lane.until ? (
        <span
          className="absolute inset-y-0 border-l-2 border-brick"
          style={{ left: `${share(now, lane)}%` }}
        />
      ) : null}
    </span>
  );
}

/** The hours at the head of the list. */
export function LaneHead({ lane }: { lane: Lane }) {
  return (
    <span aria-hidden className="relative block h-5 text-sm text-quiet">
      {lane.ticks.map((hour) => (
        <span key={hour} className="absolute -translate-x-1/2" style={{ left: `${share(hour * 60, lane)}%` }}>
          {String(hour).padStart(2, '0')}
        </span>
      ))}
    </span>
  );
}
