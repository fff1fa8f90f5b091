import type { Explainable, OutcomeView, TryBody, TryView } from '@kibble/contract';
import {
  deliveryRate,
  explainNumber,
  explainReferenceEt,
  type BedOutlook,
  type GardenPlan,
  type PlanBed,
  type Setting,
  type Working,
  happenedIfTried,
  planBed,
} from '@kibble/core';
import { refusing } from '../../errors.ts';
import type { Context } from '../context.ts';
import { bedOnPlan, checkPlanned } from '../onPlan.ts';
import { wholePast } from '../wholePast.ts';

function explain(of: Explainable, bed: PlanBed, outlook: BedOutlook, context: Context): Working | null {
  const { site, weather, today } = context;
  const whole = { ...outlook, past: wholePast(bed, outlook, context) };
  return explainNumber(of, { bed, outlook: whole, site, weather, today });
}

/** The working of one number of a bed, as the plan has it. */
export function numberWorking(context: Context, bedId: number, of: Explainable): Working | null {
  const { planned, outlook } = bedOnPlan(context, bedId);
  return explain(of, planned, outlook, context);
}

/** The working of a day's reference demand. */
export function dayWorking({ weather, site }: Context, date: string): Working | null {
  const day = weather.find((d) => d.date === date);
  return day ? explainReferenceEt(day, site) : null;
}

function outcomeOf(bed: PlanBed, plan: GardenPlan): OutcomeView {
  const outlook = plan.beds.find(({ bedId }) => bedId === bed.id);
  const mine = plan.waterings.filter(({ bedId }) => bedId === bed.id);
  const next = mine[0];
  return {
    nextDate: next?.date ?? null,
    minutes: next?.run.minutes ?? null,
    litres: next?.run.litres ?? null,
    localMm: next?.run.localMm ?? null,
    reachesMm: next?.reachesMm ?? null,
    cycles: next?.run.cycles ?? null,
    runMinutes: next?.run.runMinutes ?? null,
    soakMinutes: next?.run.soakMinutes ?? null,
    fortnightLitres: mine.reduce((sum, w) => sum + w.run.litres, 0),
    fortnightWaterings: mine.length,
    litresPerMinute: bed.delivery.litresPerMinute,
    rateMmPerHour: deliveryRate(bed.delivery, bed.bed.areaM2),
    spareMm: outlook?.readilyMm ?? 0,
    holdsMm: outlook?.totalMm ?? 0,
  };
}

/** Settings that are tried: they hold from today, and what was before stays as it was. */
const settingsOf = ({ mulch, shadeCloth, goal }: TryBody): Setting[] => [
  ...(mulch === undefined ? [] : [{ kind: 'mulched' as const, value: mulch }]),
  ...(shadeCloth === undefined ? [] : [{ kind: 'shade' as const, value: shadeCloth }]),
  ...(goal === undefined ? [] : [{ kind: 'goal' as const, value: goal }]),
];

/** What readings and covers would change if they were kept: the garden's plan before and after, on one bed, and the working asked for. */
export function tryOnBed(context: Context, bedId: number, body: TryBody): TryView {
  const { view, planned } = bedOnPlan(context, bedId);
  const { today, site } = context;
  const tried = { inputs: body.inputs, settings: settingsOf(body) };
  const changed = refusing(
    () =>
      planBed(
        view,
        happenedIfTried(view, context.events, today, tried),
        { today, latitudeDeg: site.latitudeDeg },
        tried,
      ),
    'inputs.',
  );
  const after = refusing(() => context.planWith(changed), 'inputs.');
  const outlook = checkPlanned(after, bedId, 'inputs');
  return {
    before: outcomeOf(planned, context.plan),
    after: outcomeOf(changed, after),
    working: body.of ? explain(body.of, changed, outlook, context) : null,
  };
}
