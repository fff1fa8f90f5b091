import { simulateBed } from '../places/ground/simulateBed.ts';
import type { BedInput } from '../places/ground/bedModel.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { within } from '../units/guard.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import type { Irrigation } from '../places/place.ts';
import { LAYER_MM, type SoilProfile } from '../soil/soilProfile.ts';
import { at } from '../units/at.ts';
import type { Site } from '../weather/types.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { START_FULLNESS } from './balanceStart.ts';

/** What a gardener remembers of the last month, each in a word. */
export const RAINS_LATELY = ['hardly any', 'less than usual', 'as usual', 'more than usual'] as const;
export const HEATS_LATELY = ['cooler than usual', 'as usual', 'hotter than usual'] as const;
export const WATERED_LATELY = ['not at all', 'now and then', 'every week', 'every few days'] as const;
export const LAST_WATERED = ['today or yesterday', 'in the last week', 'longer ago'] as const;

export interface Lately {
  rain: (typeof RAINS_LATELY)[number];
  heat: (typeof HEATS_LATELY)[number];
  watered: (typeof WATERED_LATELY)[number];
  last: (typeof LAST_WATERED)[number];
}

/** How wet a ground is, in the words of the form. */
export type GroundWord = Exclude<keyof typeof START_FULLNESS, 'not known'>;

/** Days before today whose weather and watering are looked back upon: a month as remembered, and one before it as usual. Judgement. */
export const LOOKED_BACK_DAYS = 60;
const REMEMBERED_DAYS = 30;

/** Share of the usual rain, and degrees off the usual day, by the word. Judgements. */
const RAIN_SHARE: Readonly<Record<Lately['rain'], number>> = {
  'hardly any': 0.1,
  'less than usual': 0.55,
  'as usual': 1,
  'more than usual': 1.7,
};
const HEAT_C: Readonly<Record<Lately['heat'], number>> = {
  'cooler than usual': -4,
  'as usual': 0,
  'hotter than usual': 5,
};
/**
 * How often, days, and how much of what the roots' ground lacked it brought back each time: nobody remembers litres, and who
 * waters often and still has plants gave about what was gone. Judgements.
 */
const HABITS: Readonly<Record<Lately['watered'], { everyDays: number; refills: number } | null>> = {
  'not at all': null,
  'now and then': { everyDays: 12, refills: 0.5 },
  'every week': { everyDays: 7, refills: 0.9 },
  'every few days': { everyDays: 3, refills: 0.9 },
};
/** Days since the last watering, by the word. Judgement: the middle of what it says. */
const SINCE_DAYS: Readonly<Record<Lately['last'], number>> = {
  'today or yesterday': 1,
  'in the last week': 4,
  'longer ago': 12,
};
/** What was in the ground two months ago, share of what it can give: as where nobody knows. */
const BEFORE = START_FULLNESS['not known'];

/** Ground that counts at least, mm, however short the roots: a spade's depth. Judgement. */
const LEAST_DEPTH_MM = 300;

/** What each month was: days that somebody measured stay as they were measured. */
function rememberedDays(
  weather: readonly SourcedDay[],
  today: IsoDate,
  { rain, heat }: Lately,
): SourcedDay[] {
  const from = addDays(today, -REMEMBERED_DAYS);
  return weather
    .filter(({ date }) => date >= addDays(today, -LOOKED_BACK_DAYS) && date < today)
    .map((day) =>
      day.date < from || day.source === 'record'
        ? day
        : {
            ...day,
            rainMm: day.rainMm * RAIN_SHARE[rain],
            tMinC: day.tMinC + HEAT_C[heat],
            tMaxC: day.tMaxC + HEAT_C[heat],
          },
    );
}

/** Days on which it was watered, the first of them first. */
function wateredOn({ watered, last }: Lately, today: IsoDate): { date: IsoDate; refills: number }[] {
  const habit = HABITS[watered];
  if (!habit) return [];
  const days: { date: IsoDate; refills: number }[] = [];
  for (let ago = SINCE_DAYS[last]; ago < LOOKED_BACK_DAYS; ago += habit.everyDays)
    days.unshift({ date: addDays(today, -ago), refills: habit.refills });
  return days;
}

/** Share of what the ground can give that is in it, as deep as the roots are, or as the next ones will soon be. */
function storeShare({ layersMm = [], rootDepthMm }: DailyRecord, profile: SoilProfile): number {
  const count = Math.ceil(Math.max(rootDepthMm, LEAST_DEPTH_MM) / LAYER_MM);
  let stored = 0;
  let most = 0;
  for (const [i, mm] of layersMm.slice(0, count).entries()) {
    const available = at(profile.availableMm, i);
    stored += Math.min(available, Math.max(0, mm - at(profile.wiltingPointMm, i)));
    most += available;
  }
  return most > 0 ? stored / most : BEFORE;
}

/**
 * How wet the ground of a bed likely is today, from what is remembered of the last month: its balance run through those days,
 * with the weather as usual there, made drier or wetter and hotter or cooler, and with the waterings that were told.
 * @param weather days before today without a gap, at least `LOOKED_BACK_DAYS` of them
 * @returns the share of what the ground that the roots are in can give that is in store, 0–1, and the word of the form that lies nearest
 * @throws RangeError where the weather is too short
 * Source: FAO-56 as `simulateBed`; what the words come to are judgements named in this file.
 */
export function groundByLately(
  bed: BedInput,
  weather: readonly SourcedDay[],
  lately: Lately,
  { site, today }: { site: Site; today: IsoDate },
): { fullness: number; word: GroundWord } {
  const days = rememberedDays(weather, today, lately);
  within('weather', days.length, LOOKED_BACK_DAYS, LOOKED_BACK_DAYS, 'days');
  const evening = (
    until: IsoDate,
    waterings: readonly Irrigation[],
  ): { depletionMm: number; fullness: number } => {
    const upTo = days.filter(({ date }) => date < until);
    if (upTo.length === 0) return { depletionMm: 0, fullness: BEFORE };
    const { days: records, model } = simulateBed(bed, upTo, waterings, { site, startFullness: BEFORE });
    const last = records.at(-1);
    return last
      ? { depletionMm: last.depletionMm, fullness: storeShare(last, model.profile) }
      : { depletionMm: 0, fullness: BEFORE };
  };
  const waterings: Irrigation[] = [];
  for (const { date, refills } of wateredOn(lately, today))
    waterings.push({ date, netMm: Math.max(0, evening(date, waterings).depletionMm * refills) });
  const { fullness } = evening(today, waterings);
  const words = Object.entries(START_FULLNESS).filter(([word]) => word !== 'not known');
  const [[word] = ['moist']] = words.sort(([, a], [, b]) => Math.abs(a - fullness) - Math.abs(b - fullness));
  return { fullness, word: word as GroundWord };
}
