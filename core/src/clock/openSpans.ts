import { bestHour } from '../delivery/bestHour.ts';
import { METHOD_FACTS, type Method } from '../delivery/methods.ts';
import type { CropEntry } from '../plants/types.ts';
import { within } from '../units/guard.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';

/** A stretch of a day, minutes of the clock from midnight, 0–1440. */
export interface Span {
  from: number;
  until: number;
}

export const DAY_MINUTES = 1440;

/** Hours in which a garden may be watered, as told: from 18:00 until 06:00 goes over midnight. Equal ends are the whole day. Source: arithmetic. */
export function openHours(hours: readonly Span[] | undefined): Span[] {
  if (!hours || hours.length === 0) return [{ from: 0, until: DAY_MINUTES }];
  const spans = hours.flatMap(({ from, until }) => {
    within('open from', from, 0, DAY_MINUTES, 'minutes');
    within('open until', until, 0, DAY_MINUTES, 'minutes');
    if (from < until) return [{ from, until }];
    return [
      { from: 0, until },
      { from, until: DAY_MINUTES },
    ];
  });
  return joined(spans);
}

/** Spans in order, with those that touch made one. */
function joined(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const span of [...spans].filter((s) => s.until > s.from).sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && span.from <= last.until) last.until = Math.max(last.until, span.until);
    else out.push({ ...span });
  }
  return out;
}

const common = (a: readonly Span[], b: readonly Span[]): Span[] =>
  joined(
    a.flatMap((x) => b.map((y) => ({ from: Math.max(x.from, y.from), until: Math.min(x.until, y.until) }))),
  );

const minutes = (hour: number): number => Math.max(0, Math.min(DAY_MINUTES, hour * 60));

/**
 * When in a day a watering may run, best hours first: each list holds the hours of the one before and more.
 * A spray never runs in the evening or at night, and nobody waters by hand in the dark; plants that hang are
 * watered at any hour. The garden's own open hours hold for all of them.
 * @param options method, crop, the sun on the clock, the garden's open hours (see `openHours`), wilting now
 * @returns three lists: the best hours, the second best too, and all that does no harm
 * Source: common practice, as `bestHour`.
 */
export function openSpans(options: {
  method: Method;
  crop?: CropEntry;
  sun: SunOnClock;
  open: readonly Span[];
  wilting?: boolean;
}): [Span[], Span[], Span[]] {
  const { sun, open } = options;
  const { overhead, slow } = METHOD_FACTS[options.method];
  const hour = bestHour({ ...options, sun });
  const span = (from: number, until: number): Span => ({ from: minutes(from), until: minutes(until) });
  const daylight = span(sun.sunrise - 0.5, sun.sunset);
  const anyHour = slow || Boolean(options.wilting);
  // Any hour will do, but somebody has to be up to open the tap.
  const best = anyHour ? daylight : span(hour.fromHour, hour.toHour);
  const second = hour.fallback ? [span(hour.fallback.fromHour, hour.fallback.toHour)] : [];
  // A spray at noon loses some of it; in the evening it leaves wet leaves over night, and that is worse.
  const dryByDark = span(sun.sunrise - 1, hour.fallback?.toHour ?? sun.sunset);
  const harmless = anyHour ? [span(0, 24)] : [overhead ? dryByDark : daylight];
  const first = [best];
  return [
    common(first, open),
    common([...first, ...second], open),
    common([...first, ...second, ...harmless], open),
  ];
}
