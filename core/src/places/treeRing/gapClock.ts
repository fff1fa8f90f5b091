import type { TextureClass } from '../../soil/textureClass.ts';
import { TEXTURES } from '../../soil/soils.ts';
import { addDays, daysBetween, type IsoDate } from '../../units/dates.ts';
import { OutOfRange } from '../../units/guard.ts';
import { referenceEt } from '../../weather/referenceEt.ts';
import type { Site, WeatherDay } from '../../weather/types.ts';

/** Days between soaks of an established tree: fine, better, and the limit. Common practice. */
export const GAP_DAYS = { fine: 7, better: 14, limit: 21 } as const;

/** Three ways in which people who keep trees count the longest gap. */
export const GAP_SCHOOLS = ['at most 21', '14 to 21', 'by soil'] as const;
export type GapSchool = (typeof GAP_SCHOOLS)[number];

interface GapRule {
  label: string;
  /** The longest gap, days, by the clay in the soil, %. */
  limitDays: (clayPct: number) => number;
  /** The earliest at which a soak may stand for one that falls due between two rounds, share of the limit. */
  earliest: number;
}
/** A soak on the round before may shorten a gap by so much. Judgement. */
const EARLIEST = 0.75;
/** Sand and clay between which a gap by soil lies, % of clay and days. Common practice: ten days to four weeks; the clay is a judgement. */
const SANDY = { clayPct: 5, days: 10 };
const CLAYEY = { clayPct: 40, days: 28 };

/**
 * Common practice, all three, said of established trees in hot, dry and windy weather: no weather shortens them again. A mild day
 * counts as any other; that is the safe side.
 */
export const GAP_RULES: Readonly<Record<GapSchool, GapRule>> = {
  'at most 21': { label: '21 days at most', limitDays: () => GAP_DAYS.limit, earliest: EARLIEST },
  '14 to 21': {
    label: '14 to 21 days',
    limitDays: () => GAP_DAYS.limit,
    earliest: GAP_DAYS.better / GAP_DAYS.limit,
  },
  'by soil': {
    label: '10 to 28 days, by the soil',
    limitDays: (clayPct) => {
      const share = (clayPct - SANDY.clayPct) / (CLAYEY.clayPct - SANDY.clayPct);
      return Math.round(SANDY.days + (CLAYEY.days - SANDY.days) * Math.min(1, Math.max(0, share)));
    },
    earliest: EARLIEST,
  },
};

type Soil = TextureClass | { textureClass?: TextureClass; clayPct?: number };
/** Clay of a soil, %; a loam's where nothing is known of it. */
function clayOf(soil: Soil | undefined): number {
  if (soil === undefined) return TEXTURES.loam.clayPct;
  if (typeof soil === 'string') {
    if (!Object.hasOwn(TEXTURES, soil)) throw new OutOfRange('soil', 'be a texture class', soil);
    return TEXTURES[soil].clayPct;
  }
  return soil.clayPct ?? TEXTURES[soil.textureClass ?? 'loam'].clayPct;
}

/** The longest gap of an established tree, days. @param school by which it is counted; default 21 days at most. Source: as `GAP_RULES`. */
export const gapLimit = (soil: Soil | undefined, school: GapSchool = 'at most 21'): number =>
  GAP_RULES[school].limitDays(clayOf(soil));

/**
 * How long a tree has stood since its last soak, and until when it may. It forces a watering and never delays one.
 * @param from the day of the last soak, and today
 * @param weather days that are only checked: the limits were given for hot, dry and windy weather, so no weather changes them
 * @param options where it stands; its soil, and the school by which the gap is counted, default 21 days at most
 * @returns days since, days as the school counts them, and the date on which its limit is reached
 * @throws RangeError when the last soak lies after today, or a day's weather is impossible
 * Source: common practice (7 days fine, 14 better, 21 the limit; 14 to 21; 10 to 28 by soil).
 */
export function gapClock(
  from: { lastSoakOn: IsoDate; today: IsoDate },
  weather: readonly WeatherDay[],
  options: { site: Site; soil?: Soil; school?: GapSchool },
): { days: number; clockDays: number; limitOn: IsoDate } {
  const days = daysBetween(from.lastSoakOn, from.today);
  if (!(days >= 0)) throw new OutOfRange('lastSoakOn', `not lie after today, ${from.today}`, from.lastSoakOn);
  for (const day of weather) referenceEt(day, options.site);
  const limit = gapLimit(options.soil, options.school);
  return { days, clockDays: days, limitOn: addDays(from.lastSoakOn, limit) };
}
