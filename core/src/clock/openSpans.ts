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

/** Hours in which a person waters, and in which a timer runs what drips and what sprays. Judgement; any of them may be told. */
export const USUAL_HOURS: Readonly<{ people: readonly Span[]; drips: Span; sprays: Span }> = {
  people: [
    { from: 6 * 60, until: 10 * 60 },
    { from: 17 * 60, until: 20 * 60 },
  ],
  drips: { from: 22 * 60, until: 7 * 60 },
  sprays: { from: 4 * 60, until: 8 * 60 },
};

/**
 * When in a day a watering may run, best hours first: each list holds the hours of the one before and more. Nobody waters in
 * the dark, a spray never runs so late that leaves stay wet over night, and plants that hang are watered at any hour. A timer
 * runs by itself in the hours that are best for what it feeds. The garden's own open hours hold for all of them.
 * @param options method, crop, the sun on the clock, the garden's open hours (see `openHours`), wilting now; whether it is on
 *   a timer, and the hours of people and of timers, minutes after midnight
 * @returns three lists: the best hours, the second best too, and all that does no harm
 * Source: common practice, as `bestHour`; the hours are the judgements of `USUAL_HOURS`.
 */
export function openSpans(options: {
  method: Method;
  crop?: CropEntry;
  sun: SunOnClock;
  open: readonly Span[];
  wilting?: boolean;
  timer?: boolean;
  people?: readonly Span[];
  timers?: { drips: Span; sprays: Span };
}): [Span[], Span[], Span[]] {
  const { sun, open } = options;
  const { overhead, slow } = METHOD_FACTS[options.method];
  const hour = bestHour({ ...options, sun });
  const span = (from: number, until: number): Span => ({ from: minutes(from), until: minutes(until) });
  if (options.wilting) {
    const [light, any] = [common([span(sun.sunrise, sun.sunset)], open), common([span(0, 24)], open)];
    return [light, any, any];
  }
  // A spray in the evening leaves wet leaves over night.
  const dryByDark = hour.fallback?.toHour ?? sun.sunset;
  if (options.timer) {
    const { drips, sprays } = options.timers ?? USUAL_HOURS;
    const best = common(openHours([overhead ? sprays : drips]), open);
    // A spray that does not fit into its hours goes on into the morning, never back into the night: leaves would stay wet.
    const morning = { from: sprays.from, until: Math.max(sprays.until, NOON) };
    const harmless = overhead ? [morning] : [span(0, 24)];
    return [best, best, common([...best, ...harmless], open)];
  }
  const night = options.crop?.group === 'cacti and succulents';
  const light = night
    ? [span(hour.fromHour, hour.toHour)]
    : [span(sun.sunrise, overhead ? dryByDark : sun.sunset)];
  const up = night ? [span(0, 24)] : openHours(options.people ?? USUAL_HOURS.people);
  const people = common(common(up, light), open);
  const morning = people.filter(({ from }) => from < NOON);
  // What runs by itself for long is opened in those hours and shut in them, and runs on between.
  const first = people[0]?.from;
  const last = people.at(-1)?.until;
  const through = first === undefined || last === undefined ? [] : [{ from: first, until: last }];
  // A sprinkler is shut before the heat of noon; what lies on the ground may run through it.
  const early = first === undefined ? [] : [{ from: first, until: Math.max(first, NOON) }];
  const long = slow
    ? common(through, common(light, open))
    : overhead
      ? common(early, common(light, open))
      : people;
  const all = joined([...people, ...common(light, open)]);
  return [morning.length > 0 ? morning : people, joined([...people, ...long]), all];
}

const NOON = 12 * 60;
