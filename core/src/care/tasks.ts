import type { TreeTask } from './treeTasks.ts';
import type { Mulch } from '../places/ground/mulch.ts';
import { isGerminating, usuallyUpAfter } from '../plants/emergence.ts';
import { cropOf, plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import type { CropEntry, PlantingInput, StageName } from '../plants/types.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { isResting } from '../plants/restSeason.ts';
import { airForBodies, hasBody } from '../plants/wetLeaves.ts';
import type { WeatherAlert } from '../weather/alerts.ts';
import type { WeatherForEt } from '../weather/types.ts';

/** Something to do or look at on a bed besides watering. */
export type BedTask =
  | { code: 'are all standing'; days: number; of: number }
  /** A sowing is usually up by now; until somebody says so it is kept moist. */
  | { code: 'are they up'; days: number; of: number }
  | { code: 'put the mulch back'; days: number }
  | { code: 'look at the mulch'; days: number }
  | { code: 'mulch before the heat'; soakFirst: boolean }
  | { code: 'shade before the heat' }
  /** Its next watering lies in the heat: it could be moved to the day before. */
  | { code: 'soak before the heat'; from: IsoDate; next: IsoDate; to: IsoDate }
  | { code: 'rinse against mites' }
  | { code: 'rinse dust' }
  | { code: 'wet bodies' }
  | { code: 'do the spots join'; day: number }
  | { code: 'a little every day'; days: number }
  | { code: 'probe it now'; minutes: number }
  | { code: 'has it begun'; stage: StageName; about: IsoDate; of: number }
  | TreeTask;

const BEFORE_HEAT: ReadonlySet<BedTask['code']> = new Set([
  'mulch before the heat',
  'shade before the heat',
  'soak before the heat',
]);
/** Whether a task is one of those before heat. Source: common practice, as `bedTasks`. */
export const isBeforeHeat = ({ code }: BedTask): boolean => BEFORE_HEAT.has(code);

export interface TaskFacts {
  today: IsoDate;
  plantings: readonly PlantingInput[];
  alerts: readonly WeatherAlert[];
  mulch?: Mulch;
  mulchLaidOn?: IsoDate;
  /** The mulch was moved aside on this day and is not back. */
  mulchMovedOn?: IsoDate;
  shaded: boolean;
  underCover: boolean;
  /** Plantings, by their place, whose stand was looked at. */
  standSeen: readonly number[];
  /** Minutes since today's watering, while nobody has probed it. */
  minutesSinceWatering?: number;
  /** Days of the last seven on which it was watered though the plan did not ask. */
  offPlanDays?: number;
  /** Gone from the root zone as a share of what it can spare. */
  depletionShare: number;
  /** When it is watered next, as planned. */
  nextOn?: IsoDate;
  /** There is no water to give it more than is planned. */
  isWaterShort?: boolean;
  latitudeDeg: number;
  /** The day's weather, where it is known. */
  day?: WeatherForEt;
  /** Pulses a day were chosen on this day. */
  pulsesSince?: IsoDate;
}

/** Birds and slugs do their harm in the first days; then it is time to fill gaps. Common practice. */
const STAND_FROM_DAYS = 2;
const STAND_UNTIL_DAYS = 14;
/** Organic mulch rots: look at its depth this often. Judgement. */
const MULCH_LOOK_DAYS = 60;
const ROTS: ReadonlySet<string> = new Set(['straw', 'grass clippings', 'compost', 'needles']);
/** A stage is asked about this many days round its calendar date. Judgement. */
const STAGE_DAYS = 4;
/** Mulch keeps water out of dry ground too: soak first when this much of the spare is gone. Judgement. */
const SOAK_FIRST_SHARE = 0.4;

/** Whether ground is to be soaked before it is mulched. @param depletionShare gone as a share of what can be spared. Source: common practice. */
export const soakBeforeMulch = (depletionShare: number): boolean => depletionShare > SOAK_FIRST_SHARE;
/** Crops with roots no deeper gain most from mulch. Common practice; the depth is a judgement. */
const SHALLOW_M = 0.6;

/** Water has gone where it goes after one to two hours; later in the day it still tells. Common practice; the end is a judgement. */
const PROBE_FROM_MINUTES = 60;
const PROBE_UNTIL_MINUTES = 360;

/** So many days of the last seven make a habit. Judgement; that a little every day harms is common practice. */
const HABIT_DAYS = 4;

/** Pulses are judged on these days: damp spots take one to three weeks to join. Common practice. */
const SPOT_DAYS: readonly number[] = [7, 14, 21];
/** Mulch smothers what is smaller: a sowing bears it from so many days on, a transplant sooner. Judgements. */
const SOWN_BEARS_DAYS = 21;
const PLANTED_BEARS_DAYS = 7;
/** Whether mulch can be laid round a planting; grass and cacti never bear it. Common practice. */
function isBigEnough(planting: PlantingInput, today: IsoDate): boolean {
  const crop = cropOf(planting);
  if (crop.group === 'turf' || hasBody(crop)) return false;
  const isSown = (planting.method ?? crop.usualStart) === 'direct-sown';
  return (
    !isGerminating(planting, today) &&
    daysBetween(planting.plantedOn, today) >= (isSown ? SOWN_BEARS_DAYS : PLANTED_BEARS_DAYS)
  );
}
/** A bed with less gone is full enough to meet the heat. Judgement. */
const SOAK_BEFORE_SHARE = 0.3;

/**
 * Whether the leaves of a crop may be rinsed this morning, to cool them and keep mites off.
 * @param alerts what the weather asks to be warned of: it is offered in a heat wave only
 * Source: common practice, for roses and shrubs.
 */
export const isRinsed = (crop: CropEntry, alerts: readonly WeatherAlert[], today: IsoDate): boolean =>
  crop.group === 'shrubs and roses' &&
  alerts.some((a) => a.code === 'heat wave' && a.from <= today && daysBetween(a.from, today) < a.days);

const ASKED_STAGES: readonly StageName[] = ['growing', 'in full leaf', 'ripening'];

/** Tasks of one bed today, most pressing first. Source: common practice, with the judgements named above. */
export function bedTasks(facts: TaskFacts): BedTask[] {
  const { today } = facts;
  const tasks: BedTask[] = [];
  const standing = facts.plantings.flatMap((planting, i) =>
    plantOnDay(planting, today) ? [{ planting, i, crop: cropOf(planting) }] : [],
  );
  const heat = facts.alerts.some(
    (a) =>
      (a.code === 'heat wave' || a.code === 'hot dry wind') &&
      a.from >= today &&
      daysBetween(today, a.from) <= 4,
  );
  if (facts.mulchMovedOn !== undefined)
    tasks.push({ code: 'put the mulch back', days: daysBetween(facts.mulchMovedOn, today) });
  const since = facts.minutesSinceWatering;
  if (since !== undefined && since >= PROBE_FROM_MINUTES && since <= PROBE_UNTIL_MINUTES)
    tasks.push({ code: 'probe it now', minutes: since });
  if ((facts.offPlanDays ?? 0) >= HABIT_DAYS)
    tasks.push({ code: 'a little every day', days: facts.offPlanDays ?? 0 });
  const crops: CropEntry[] = standing.map((s) => s.crop);
  const bearsMulch = standing.every(({ planting }) => isBigEnough(planting, today));
  if (heat && !facts.mulch && bearsMulch && crops.some((c) => c.roots.minM <= SHALLOW_M))
    tasks.push({ code: 'mulch before the heat', soakFirst: soakBeforeMulch(facts.depletionShare) });
  if (heat && !facts.shaded && !facts.underCover && crops.some((c) => c.traits.boltsWhenDry))
    tasks.push({ code: 'shade before the heat' });
  const toCome = facts.alerts.find((a) => a.code === 'heat wave' && a.from > today);
  const asksToSoak = tasks.some((t) => t.code === 'mulch before the heat' && t.soakFirst);
  const thirsty = !facts.isWaterShort && facts.nextOn !== today && facts.depletionShare > SOAK_BEFORE_SHARE;
  // What is watered before the heat by itself is not spoken of.
  const next = facts.nextOn;
  if (heat && toCome && next !== undefined && next >= toCome.from && thirsty && !asksToSoak)
    tasks.push({ code: 'soak before the heat', from: toCome.from, next, to: addDays(toCome.from, -1) });
  if (crops.some((crop) => isRinsed(crop, facts.alerts, today))) tasks.push({ code: 'rinse against mites' });
  const isAwake = crops.some((crop) => hasBody(crop) && !isResting(crop, today, facts.latitudeDeg));
  const air = facts.day && isAwake && !facts.underCover ? airForBodies(facts.day) : null;
  if (air) tasks.push({ code: air === 'hot and dry' ? 'rinse dust' : 'wet bodies' });
  const spots = facts.pulsesSince === undefined ? -1 : daysBetween(facts.pulsesSince, today);
  if (SPOT_DAYS.includes(spots)) tasks.push({ code: 'do the spots join', day: spots });
  for (const { planting, i, crop } of standing) {
    const age = daysBetween(planting.plantedOn, today);
    if (isGerminating(planting, today) && age >= usuallyUpAfter(planting))
      tasks.push({ code: 'are they up', days: age, of: i });
    if (
      !isGerminating(planting, today) &&
      age >= STAND_FROM_DAYS &&
      age <= STAND_UNTIL_DAYS &&
      !facts.standSeen.includes(i) &&
      crop.cycle === 'annual'
    )
      tasks.push({ code: 'are all standing', days: age, of: i });
    if (crop.cycle !== 'annual') continue;
    for (const { stage, from } of stageDates(planting, today)) {
      const seen = planting.seen?.some((s) => s.stage === stage);
      const near = from >= addDays(today, -STAGE_DAYS) && from <= addDays(today, STAGE_DAYS);
      if (near && !seen && ASKED_STAGES.includes(stage))
        tasks.push({ code: 'has it begun', stage, about: from, of: i });
    }
  }
  if (facts.mulch && facts.mulchLaidOn !== undefined && ROTS.has(facts.mulch.material)) {
    const days = daysBetween(facts.mulchLaidOn, today);
    if (days >= MULCH_LOOK_DAYS) tasks.push({ code: 'look at the mulch', days });
  }
  return tasks;
}
