import type { FortnightView } from '@kibble/contract';
import { addDays, METHOD_FACTS, shareOfRun, weekdayOf, zoneOf } from '@kibble/core';
import { HORIZON_DAYS, type Context } from '../context.ts';
import type { Places } from '../places.ts';
import { costsOf } from './costs.ts';
import { overOf } from './ladder.ts';
import { roundsOf } from './rounds.ts';

/** Beds by days: what is planned for the fortnight within the garden's limits. */
export function fortnightOf(context: Context, { unplanned }: Places): FortnightView {
  const { plan, today, beds } = context;
  const dates = Array.from({ length: HORIZON_DAYS }, (_, i) => addDays(today, i));
  const { weekdays: open, restricts } = context.garden.limits;
  const nameOf = (bedId: number): string => beds.find((b) => b.id === bedId)?.name ?? '';
  return {
    unplanned,
    dates,
    closed: open && restricts !== 'sprays' ? dates.filter((date) => !open.includes(weekdayOf(date))) : [],
    beds: beds.flatMap((bed) => {
      const outlook = plan.beds.find((o) => o.bedId === bed.id);
      if (!outlook) return [];
      return [
        {
          bedId: bed.id,
          bedName: bed.name,
          cropName: bed.planting?.cropName ?? null,
          byHand: METHOD_FACTS[bed.delivery.method].byHand,
          zone: zoneOf(bed, context.garden.taps)?.id ?? null,
          timer: context.planBeds.find(({ id }) => id === bed.id)?.delivery.timer ?? false,
          carried: METHOD_FACTS[bed.delivery.method].fillLitres !== undefined,
          waterings: plan.waterings
            .filter((w) => w.bedId === bed.id)
            .map((w) => ({
              date: w.date,
              minutes: w.run.minutes,
              handsOnMinutes: w.handsOnMinutes,
              litres: w.run.litres,
              localMm: w.run.localMm,
              reachesMm: w.reachesMm,
              reason: w.reason.code,
              byHand: w.reason.code === 'set by hand',
            })),
          stress: outlook.ahead.map((day) => day.stressCoefficient),
          window: outlook.dates && { early: outlook.dates.early, late: outlook.dates.late },
          soak: outlook.soak,
          costs: costsOf(outlook, plan),
        },
      ];
    }),
    perDay: dates.map((date) => {
      const due = plan.waterings.filter((w) => w.date === date);
      return {
        handsOnMinutes: due.reduce((sum, w) => sum + w.handsOnMinutes, 0),
        minutes: due.reduce((sum, w) => sum + w.run.minutes * shareOfRun(w), 0),
        litres: due.reduce((sum, w) => sum + w.run.litres, 0),
      };
    }),
    leftOut: plan.leftOut.map((left) => ({ ...left, bedName: nameOf(left.bedId) })),
    givenUp: plan.givenUp.map((given) => ({ ...given, bedName: nameOf(given.bedId) })),
    rounds: roundsOf(context),
    over: overOf(context),
    schedule: plan.schedule.map(({ date, slots }) => ({
      date,
      slots: slots.map((slot) => ({ ...slot, bedName: nameOf(slot.bedId) })),
    })),
  };
}
