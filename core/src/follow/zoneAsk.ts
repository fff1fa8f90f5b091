import type { RunPlan } from '../delivery/runPlan.ts';
import { leaf, worked } from '../working/types.ts';
import { explainGoneOf } from './because.ts';
import type { DayFacts } from './dayFacts.ts';
import type { Decision } from './decide.ts';
import type { Held } from './gates.ts';
import type { PlaceRun } from './run.ts';
import type { PlanBed, Waiting, WaterReason, ZoneRun } from './types.ts';

/** What a bed asks of its zone on a morning. */
export interface ZoneAsk {
  /** Why it would be watered that day by itself; null where it would not. */
  code: WaterReason['code'] | null;
  waiting: Waiting | null;
  /** Its ground is frozen, or the day is closed to it. */
  barred: boolean;
  /** Minutes of the run that it would have by itself, 0 where it would have none, and its flow. */
  minutes: number;
  litresPerMinute: number;
  /** Turns, and the rest between two, that its ground takes so many minutes in. */
  turnsFor: (minutes: number) => Pick<RunPlan, 'cycles' | 'soakMinutes'>;
}

/** What a bed asks of its zone on the morning of day `d`. */
export function zoneAsk(
  facts: DayFacts,
  decision: Decision | null,
  held: Held,
  { run, d }: { run: PlaceRun; d: number },
): ZoneAsk {
  const own = decision && !held.by ? decision : null;
  const made = own ? run.place.give(run.state, d, own.localMm) : null;
  const state = run.place.clone(run.state);
  return {
    code: own?.code ?? null,
    waiting: facts.waiting,
    barred: held.by === 'frozen' || held.by === 'shut',
    minutes: made?.minutes ?? 0,
    litresPerMinute: made ? made.litres / made.minutes : 0,
    turnsFor: (minutes) => runInZone({ place: run.place, state }, d, { minutes, cycles: 1, soakMinutes: 0 }),
  };
}

/** The run of its zone that waters a bed on a day. */
export const zoneRunOn = ({ zoneRuns }: PlanBed, { day }: DayFacts): ZoneRun | undefined =>
  zoneRuns?.find(({ date }) => date === day.date);

/** A bed that its zone waters though it could wait: it lacks so much, and gets what the zone brings. */
export function besideOthers(facts: DayFacts): Decision {
  const localMm = Math.max(0, facts.depletionMm - facts.rainByThenMm);
  return {
    code: 'its zone',
    localMm,
    because: (grounds) =>
      worked(
        'Depth that it lacks',
        localMm,
        'mm',
        'what is gone this morning − rain that is likely before the next round',
        [explainGoneOf(grounds), leaf('Rain by then', facts.rainByThenMm, 'mm', { kind: 'worked out' })],
      ),
  };
}

/** Less than so much off is no other run, litres. */
const NEAR_L = 0.01;
/** Any depth to begin with, mm: litres and depth are nearly in proportion. */
const BEGIN_MM = 10;

/** What a run of its zone brings to a bed on day `d`: so many minutes at its own flow, in the zone's turns. */
export function runInZone(
  { place, state }: Pick<PlaceRun, 'place' | 'state'>,
  d: number,
  zone: Pick<ZoneRun, 'minutes' | 'cycles' | 'soakMinutes'>,
): RunPlan {
  const pulses = { count: zone.cycles, apartMinutes: zone.soakMinutes };
  const give = (localMm: number) => place.give(state, d, localMm, { whole: true, pulses });
  let made = give(BEGIN_MM);
  const litres = (made.litres / made.minutes) * zone.minutes;
  for (let k = 0; k < 8 && Math.abs(litres - made.litres) > NEAR_L; k += 1)
    made = give((made.localMm * litres) / made.litres);
  return made;
}

/** A watering as far as its zone's totals go. */
interface InZone {
  run: Pick<RunPlan, 'litres' | 'localMm'>;
  handsOnMinutes: number;
  reason: Pick<WaterReason, 'wantedMm' | 'zone'>;
}

/** Of a watering in a zone what its bed did not lack, litres; 0 where it is watered by itself. Source: arithmetic. */
export const beyondNeedL = ({ run, reason }: Pick<InZone, 'run' | 'reason'>): number =>
  reason.zone && run.localMm > 0 ? run.litres * Math.max(0, 1 - reason.wantedMm / run.localMm) : 0;

/**
 * What one run of a zone comes to.
 * @param waterings those of its beds on that day
 * @returns litres through the valve, a person's own minutes, and litres beyond what the beds lack
 * Source: arithmetic.
 */
export function zoneTotals(waterings: readonly InZone[]): {
  litres: number;
  handsOnMinutes: number;
  beyondL: number;
} {
  const sum = (of: (watering: InZone) => number): number =>
    waterings.reduce((total, watering) => total + of(watering), 0);
  return {
    litres: sum(({ run }) => run.litres),
    handsOnMinutes: sum((watering) => watering.handsOnMinutes),
    beyondL: sum(beyondNeedL),
  };
}
