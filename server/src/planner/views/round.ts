import type { LeaveView, RoundView, StopView } from '@kibble/contract';
import { addDays, byWalk, referenceEt } from '@kibble/core';
import type { Context } from '../context.ts';
import type { Places } from '../places.ts';
import { alertsOf } from './alerts.ts';
import { roundsOf } from './rounds.ts';

const RIBBON_PAST_DAYS = 6;

/** Today's round: what to water, what to leave, and the weather that decides it. */
export function roundOf(context: Context, { places, unplanned }: Places): RoundView {
  const { today, plan, weather } = context;
  const stops: StopView[] = places.flatMap(({ stop }) => stop ?? []);
  const leaveAlone: LeaveView[] = places.flatMap(({ leave }) => leave ?? []);
  stops.sort(byWalk);
  const tasks = places.flatMap((place) => place.tasks);
  const from = addDays(today, -RIBBON_PAST_DAYS);
  const fortnight = weather.filter((day) => day.date >= addDays(today, -14) && day.date < today);
  // What somebody said of a day is known of it too.
  const measured = fortnight.filter(({ source }) => source === 'record' || source === 'said').length;
  return {
    date: today,
    stops,
    leaveAlone,
    alerts: alertsOf(context, tasks),
    tasks,
    unplanned,
    sun: { ...context.sun, assumed: context.garden.longitudeDeg === null },
    putOff: plan.leftOut
      .filter((left) => left.date === today)
      .map(({ bedId, why, until, minutes, litres }) => ({
        bedId,
        bedName: context.beds.find((b) => b.id === bedId)?.name ?? '',
        why,
        until,
        minutes,
        litres,
      })),
    totals: plan.todayTotals,
    rounds: roundsOf(context),
    ribbon: weather
      .filter((day) => day.date >= from)
      .map((day) => ({
        date: day.date,
        tMinC: day.tMinC,
        tMaxC: day.tMaxC,
        rainMm: day.rainMm,
        rainChance: day.rainChance,
        et0Mm: referenceEt(day, context.site).mm,
        source: day.source,
      })),
    measuredShare: fortnight.length > 0 ? measured / fortnight.length : 0,
  };
}
