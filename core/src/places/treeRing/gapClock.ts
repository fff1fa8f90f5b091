import type { TextureClass } from '../../soil/textureClass.ts';
import { TEXTURES } from '../../soil/soils.ts';
import { addDays, daysBetween, type IsoDate } from '../../units/dates.ts';
import { OutOfRange } from '../../units/guard.ts';
import { referenceEt } from '../../weather/referenceEt.ts';
import type { Site, WeatherDay } from '../../weather/types.ts';

/** Days between soaks of an established tree: fine, better, and the limit. Common practice. */
export const GAP_DAYS = { fine: 7, better: 14, limit: 21 } as const;

/**
 * Reference demand joins heat, dry air, wind and sun (FAO-56): above the first figure, mm a day, the clock runs as much faster;
 * up to the second it runs slow on heavy soil, and between that and the third it comes back to its pace. Judgements; that hot dry wind
 * shortens the gap, and that 28 days pass only in mild weather on soil that holds water, is common practice.
 */
const HOT_MM = 7;
const MILD_MM = 5;
const USUAL_MM = 6;
const SLOWEST = 0.75;
/** Clay that makes a soil heavy, %. Judgement: clay loam and heavier. */
const HEAVY_CLAY = 27;
const FASTEST = 2.5;

/** Whether a soil holds water so well that a mild day counts less. */
export const isHeavy = (texture: TextureClass): boolean => TEXTURES[texture].clayPct >= HEAVY_CLAY;

/** Days that one day counts for. @param et0Mm reference demand of the day */
export function clockRate(et0Mm: number, heavy: boolean): number {
  if (et0Mm > HOT_MM) return Math.min(FASTEST, et0Mm / HOT_MM);
  if (!heavy || et0Mm >= USUAL_MM) return 1;
  const share = Math.max(0, (et0Mm - MILD_MM) / (USUAL_MM - MILD_MM));
  return SLOWEST + (1 - SLOWEST) * share;
}

type Soil = TextureClass | { textureClass?: TextureClass; clayPct?: number };
function heavyOf(soil: Soil | undefined): boolean {
  if (soil === undefined) return false;
  if (typeof soil === 'string') {
    if (!Object.hasOwn(TEXTURES, soil)) throw new OutOfRange('soil', 'be a texture class', soil);
    return isHeavy(soil);
  }
  if (soil.clayPct !== undefined) return soil.clayPct >= HEAVY_CLAY;
  return soil.textureClass !== undefined && isHeavy(soil.textureClass);
}

/** Days past the weather given count as its last week did. */
const LATELY = 7;
/** Farther ahead no date is told. */
const FARTHEST = 60;

/**
 * How long a tree has stood since its last soak, by the calendar and as hot dry wind counts the days. It forces a watering
 * and never delays one.
 * @param from the day of the last soak, and today
 * @param weather days from the last soak on, past today where a forecast is known; days that are not in it count as the last week of it
 * @param options where it stands; its soil, where it is known: on a heavy one mild days count three quarters
 * @returns days since, days as counted, and the date on which 21 are reached
 * @throws RangeError when the last soak lies after today, or a day's weather is impossible
 * Source: common practice (7 days fine, 14 better, 21 the limit, 28 in mild weather on heavy soil); how a day is counted is a judgement on FAO-56's reference demand.
 */
export function gapClock(
  from: { lastSoakOn: IsoDate; today: IsoDate },
  weather: readonly WeatherDay[],
  options: { site: Site; soil?: Soil },
): { days: number; clockDays: number; limitOn: IsoDate } {
  const days = daysBetween(from.lastSoakOn, from.today);
  if (!(days >= 0)) throw new OutOfRange('lastSoakOn', `not lie after today, ${from.today}`, from.lastSoakOn);
  const heavy = heavyOf(options.soil);
  const rates = new Map(
    weather
      .filter(({ date }) => date >= from.lastSoakOn)
      .map((day) => [day.date, clockRate(referenceEt(day, options.site).mm, heavy)]),
  );
  const last = [...rates.values()].slice(-LATELY);
  const usual = last.length > 0 ? last.reduce((sum, rate) => sum + rate, 0) / last.length : 1;
  const rateOn = (date: IsoDate): number => rates.get(date) ?? usual;
  let clockDays = 0;
  for (let d = 0; d < days; d += 1) clockDays += rateOn(addDays(from.lastSoakOn, d));
  let counted = 0;
  let d = 0;
  while (d < FARTHEST && counted < GAP_DAYS.limit - 1e-9) {
    counted += rateOn(addDays(from.lastSoakOn, d));
    d += 1;
  }
  return { days, clockDays, limitOn: addDays(from.lastSoakOn, d) };
}
