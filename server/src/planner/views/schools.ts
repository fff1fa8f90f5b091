import type { SchoolsView } from '@kibble/contract';
import {
  addDays,
  compareSchools,
  cropById,
  defaultSchool,
  dryDaysFrom,
  heldDry,
  likelyRain,
  mayToughen,
  SCHOOLS,
  schoolOf,
  standingOn,
  plantingsOf,
  type ToughenWindow,
  schoolChosen,
} from '@kibble/core';
import { HORIZON_DAYS, type Context } from '../context.ts';
import { bedOnPlan } from '../onPlan.ts';

/** The first day of a dry spell's window from which the forecast has enough dry days. */
function dryFrom({ weather, today }: Context, { until, days }: ToughenWindow): string | null {
  const rain = new Map(weather.map((day) => [day.date, likelyRain(day)]));
  const seenTo = weather.findLast(({ source }) => source === 'forecast')?.date ?? today;
  return dryDaysFrom({ from: today, until, seenTo, days }, (date) => rain.get(date) ?? 0);
}

/** What each school would do on a bed, over its season so far and over the fortnight. */
export function schoolsOf(context: Context, bedId: number): SchoolsView {
  const { today, site } = context;
  const { view, planned } = bedOnPlan(context, bedId);
  const { id, own, usual } = schoolChosen(view);
  const yesterday = addDays(today, -1);
  const on = { site, bed: planned, weather: context.weather };
  const planting = standingOn(plantingsOf(view, site.latitudeDeg), today);
  const toughen = planting ? mayToughen(planting, today) : null;
  return {
    chosen: id,
    own,
    usual: usual ?? defaultSchool(cropById('tomato')),
    words: SCHOOLS.map((school) => {
      const { words, warning } = schoolOf(school);
      return { id: school, words, warning: warning ?? null };
    }),
    season: {
      from: planned.startOn,
      to: yesterday,
      rows:
        yesterday > planned.startOn ? compareSchools({ ...on, from: planned.startOn, to: yesterday }) : [],
    },
    fortnight: compareSchools({ ...on, from: today, to: addDays(today, HORIZON_DAYS - 1) }),
    toughen,
    dryFrom: toughen ? dryFrom(context, toughen) : null,
    holdUntil: heldDry(planned, context.weather, today).holdUntil ?? null,
  };
}
