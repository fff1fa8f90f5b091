import { fillsFor } from './fills.ts';
import { METHOD_FACTS, type Method } from './methods.ts';
import type { Delivery, RunPlan } from './runPlan.ts';

/** What of a watering is a person's own time, minutes. */
interface HandsOn {
  /** Somebody holds it while it runs. */
  runs: boolean;
  /** Going there, opening and shutting; each further run; each filling; each spot it is moved to. */
  once: number;
  perCycle: number;
  perFill: number;
  perSpot: number;
}
const of = (once: number, more: Partial<HandsOn> = {}): HandsOn => ({
  runs: false,
  once,
  perCycle: 0,
  perFill: 0,
  perSpot: 0,
  ...more,
});
const opened = of(4, { perCycle: 1 });

/** Judgements, all of them. */
const HANDS_ON: Readonly<Record<Method, HandsOn>> = {
  'hose wand': of(2, { runs: true }),
  'watering can': of(0, { runs: true, perFill: 1.5 }),
  bubbler: of(4, { perSpot: 2 }),
  'slow bucket': of(0, { perFill: 3 }),
  'gravity drip kit': of(4, { perFill: 3 }),
  sprinkler: opened,
  'micro-spray': opened,
  drip: opened,
  'soaker hose': opened,
};

/**
 * Minutes that a watering takes of a person's own time: that is what the limits of a day speak of. A tap that runs by itself
 * takes little of it, and one on a timer none.
 * @param run its litres, minutes and runs; `spots` plants that a bubbler is moved between, 1 or more
 * Source: the judgements of this file.
 */
export function handsOnMinutes(
  delivery: Pick<Delivery, 'method' | 'timer' | 'spots' | 'fillLitres'>,
  run: Pick<RunPlan, 'litres' | 'minutes' | 'cycles'>,
  spots: number,
): number {
  if (delivery.timer) return 0;
  const { runs, once, perCycle, perFill, perSpot } = HANDS_ON[delivery.method];
  const fillLitres = fillLitresOf(delivery);
  const fills =
    perFill > 0 && fillLitres && run.litres > 0
      ? // Where each plant has its own, each is filled.
        Math.max(delivery.spots ?? 0, fillsFor({ litres: run.litres, containerLitres: fillLitres }).fills)
      : 0;
  return (runs ? run.minutes : 0) + once + perCycle * run.cycles + perFill * fills + perSpot * spots;
}

/**
 * What the can, bucket or tank holds that is filled for a way of watering: as it is here, else the method's usual.
 * @returns L; undefined where nothing is filled
 * Source: `METHOD_FACTS`.
 */
export const fillLitresOf = ({
  method,
  fillLitres,
}: Pick<Delivery, 'method' | 'fillLitres'>): number | undefined =>
  METHOD_FACTS[method].fillLitres === undefined ? undefined : (fillLitres ?? METHOD_FACTS[method].fillLitres);

/** Whether its water is a few small fills a day. */
export const isByFills = (method: Method): boolean => METHOD_FACTS[method].fillsPerDay !== undefined;

/** Whether a timer can open and shut it. */
export const canHaveTimer = (method: Method): boolean =>
  !METHOD_FACTS[method].aimed && METHOD_FACTS[method].fillLitres === undefined;
