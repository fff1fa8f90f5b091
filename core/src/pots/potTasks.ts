import { cropOf } from '../plants/plantOnDay.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { mayToughen } from '../schools/toughening.ts';
import { isResting } from '../plants/restSeason.ts';
import { airForBodies, hasBody } from '../plants/wetLeaves.ts';
import type { PotPlan } from './planPot.ts';
import type { Pot } from './pots.ts';

/** Something to do or mind about a pot besides watering; the words are made where they are shown. */
export type PotTask =
  | { code: 'weigh again'; why: 'season' | 'moved'; since: IsoDate }
  | { code: 'rest begins' | 'rest ends' }
  | { code: 'rinse dust' }
  | { code: 'wet bodies' }
  | { code: 'root-bound' }
  | { code: 'rescue' }
  | { code: 'damping off' }
  | { code: 'tip out' }
  | { code: 'bring in' }
  | { code: 'dry spell'; days: number }
  | { code: 'keep moist' }
  | { code: 'prick out' };

/** A weighing serves a season: asked again after so many days, and sooner while a plant grows. Judgement. */
const SEASON_DAYS = 90;
/** Seedlings on a wet surface under this at night are in danger of damping off. Judgement. */
const COLD_NIGHT_C = 10;
/** Roots without air: more than this of what a pot holds stands in it. Judgement. */
const STANDS = 0.05;
/** A wet tray has more than this of what it holds. Judgement. */
const WET = 0.85;
const TENDER_C = 3;
/** A pot that is held dry hangs within a day or two in such heat: no spell is begun with it so near, °C and days. Judgements. */
const TOO_HOT_C = 32;
const NEAR_DAYS = 3;
/** A tray is kept moist on top until it is up, and looked at for pricking out from here on, days from sowing. Common practice; the figures are judgements. */
const UP_DAYS = 8;
const PRICK_OUT_DAYS = 21;
const PRICK_OUT_UNTIL_DAYS = 60;

/** A pot as it stands today, with what its tasks follow from. */
export interface PotToday {
  pot: Pot;
  plan: PotPlan;
  today: IsoDate;
  latitudeDeg: number;
  /** The days from yesterday on. */
  weather: readonly SourcedDay[];
  /** The day on which it was last moved, repotted or changed. */
  changedOn: IsoDate | null;
}

/** What there is to do about a pot today besides watering. Source: common practice, with the judgements named above. */
export function potTasks({ pot, plan, today, latitudeDeg, weather, changedOn }: PotToday): PotTask[] {
  // What is dead or over asks for nothing more.
  if (plan.leave && (plan.leave.code === 'killed by frost' || plan.leave.code === 'ripened')) return [];
  const { vessel, seedlings } = pot;
  const crops = vessel.plantings.map(cropOf);
  const day = weather.find(({ date }) => date === today);
  const outdoors = !vessel.indoors;
  const tasks: PotTask[] = [];
  const rests = (date: IsoDate): boolean =>
    crops.length > 0 && crops.every((crop) => isResting(crop, date, latitudeDeg));
  // In a frozen mix there is nothing to be rescued today.
  if (plan.shrunk && !plan.resting && plan.leave?.code !== 'frozen') tasks.push({ code: 'rescue' });
  if (rests(today) !== rests(addDays(today, -7)))
    tasks.push({ code: rests(today) ? 'rest begins' : 'rest ends' });
  if (plan.standsMl > STANDS * plan.holdsMl) tasks.push({ code: 'tip out' });
  if (vessel.roots === 'root-bound') tasks.push({ code: 'root-bound' });
  if (plan.weighedOn) {
    if (changedOn && changedOn > plan.weighedOn)
      tasks.push({ code: 'weigh again', why: 'moved', since: changedOn });
    else if (daysBetween(plan.weighedOn, today) > SEASON_DAYS)
      tasks.push({ code: 'weigh again', why: 'season', since: plan.weighedOn });
  }
  const air = day && outdoors && !plan.resting && crops.some(hasBody) ? airForBodies(day) : null;
  if (air) tasks.push({ code: air === 'hot and dry' ? 'rinse dust' : 'wet bodies' });
  // What is not up yet is kept moist all the same; a room is not cold.
  const isUp = vessel.plantings.some(({ plantedOn }) => daysBetween(plantedOn, today) >= UP_DAYS);
  if (day && seedlings && outdoors && isUp && day.tMinC < COLD_NIGHT_C && plan.heldMl > WET * plan.holdsMl)
    tasks.push({ code: 'damping off' });
  const tonight = weather.find(({ date }) => date === addDays(today, 1));
  if (outdoors && tonight && tonight.tMinC <= TENDER_C && crops.some(({ frost }) => frost === 'tender'))
    tasks.push({ code: 'bring in' });
  for (const planting of vessel.plantings) {
    const age = daysBetween(planting.plantedOn, today);
    if (seedlings && age < UP_DAYS) tasks.push({ code: 'keep moist' });
    if (seedlings && age >= PRICK_OUT_DAYS && age <= PRICK_OUT_UNTIL_DAYS) tasks.push({ code: 'prick out' });
    const spell =
      cropOf(planting).toughening === 'potted potato' ? mayToughen(planting, today, { inPot: true }) : null;
    // It has one, and only one; in heat it would hang within a day or two.
    const isHot = weather.some(
      ({ date, tMaxC }) => date >= today && date <= addDays(today, NEAR_DAYS) && tMaxC >= TOO_HOT_C,
    );
    if (spell && !isHot && !pot.entries.some(({ entry }) => entry.kind === 'dry spell'))
      tasks.push({ code: 'dry spell', days: spell.days });
  }
  return tasks;
}

/** Water from the tap is let stand a day for these: what grows indoors, and acid lovers. Common practice. */
export const isWaterToStand = (pot: Pot): boolean => Boolean(pot.vessel.indoors) || likesAcid(pot);

/** Whether what grows in it wants rain or soured water. */
export const likesAcid = ({ vessel }: Pot): boolean =>
  vessel.mix === 'acid' || vessel.plantings.some((planting) => cropOf(planting).traits.likesAcidWater);
