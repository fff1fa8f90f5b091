import { addDays, type IsoDate } from '../units/dates.ts';

/** A dry spell on purpose: the day on which it began, and how many dry days are wanted. */
export interface DrySpell {
  on: IsoDate;
  days: number;
  /** It is over by then whatever has been reached: the first flower of a legume. */
  endsBy?: IsoDate;
}

/** A day with more rain is no dry one; and so much soaks the ground, so that the spell begins anew. Judgements, mm. */
const DAMP_MM = 1;
const SOAKING_MM = 8;
/** A spell that rain keeps breaking is given up after so many days more than were wanted. Judgement. */
const GIVEN_UP_DAYS = 14;

/**
 * The first day on which a dry spell is over: dry days are counted, not days of the calendar, and a soaking rain begins it anew.
 * @param rainOn rain of a day, mm: what fell, or what is likely to
 * Source: common practice (four to six dry days are wanted); the thresholds are judgements.
 */
export function drySpellEnds({ on, days, endsBy }: DrySpell, rainOn: (date: IsoDate) => number): IsoDate {
  const last = addDays(on, days + GIVEN_UP_DAYS);
  const latest = endsBy !== undefined && endsBy < last ? endsBy : last;
  let dryDays = 0;
  let date = on;
  while (dryDays < days && date < latest) {
    const rainMm = rainOn(date);
    if (rainMm >= SOAKING_MM) dryDays = 0;
    else if (rainMm <= DAMP_MM) dryDays += 1;
    date = addDays(date, 1);
  }
  return date;
}

/**
 * The first day of a window from which enough days on end are forecast dry; null where the forecast has none.
 * @param from today or the window's first day; `until` the last day on which it may begin, and `seenTo` the last of the forecast
 */
export function dryDaysFrom(
  window: { from: IsoDate; until: IsoDate; seenTo: IsoDate; days: number },
  rainOn: (date: IsoDate) => number,
): IsoDate | null {
  for (let first = window.from; first <= window.until; first = addDays(first, 1)) {
    const last = addDays(first, window.days - 1);
    if (last > window.seenTo) return null;
    let isDry = true;
    for (let date = first; date <= last && isDry; date = addDays(date, 1)) isDry = rainOn(date) <= DAMP_MM;
    if (isDry) return first;
  }
  return null;
}
