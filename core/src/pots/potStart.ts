import { addDays, type IsoDate } from '../units/dates.ts';

/** Share of its water a pot has by a word about it; and after a time nobody can tell of. Judgements. */
const FULLNESS: Readonly<Record<string, number>> = {
  soaked: 1,
  moist: 0.75,
  drying: 0.45,
  dry: 0.1,
  'not known': 0.6,
};
const UNTOLD = 0.8;
/** Days of a pot that are followed: its season and the one before. Judgement. */
const FOLLOWED_DAYS = 200;

/** Where a pot's balance begins: on its first day, or where the weather or what is followed does; and how full it then was, 0–1. */
export function potStart(
  pot: { startOn: IsoDate; startWetness: string },
  firstWeather: IsoDate,
  today: IsoDate,
): { startOn: IsoDate; startFullness: number } {
  const earliest = addDays(today, -FOLLOWED_DAYS);
  const from = earliest > firstWeather ? earliest : firstWeather;
  return pot.startOn >= from
    ? { startOn: pot.startOn, startFullness: FULLNESS[pot.startWetness] ?? 1 }
    : { startOn: from, startFullness: UNTOLD };
}
