import type { BedView, Explainable, OutcomeView, TryBody, TryView } from '@kibble/contract';
import { knownBed } from '@kibble/contract';
import {
  deliveryRate,
  explainNumber,
  explainReferenceEt,
  planGarden,
  type BedOutlook,
  type FindingInput,
  type KnownBed,
  type PlanBed,
  type PlannedWatering,
  type Working,
} from '@kibble/core';
import type { Logger } from 'pino';
import type { Bed, Garden } from '../db/models.ts';
import { rangeWordsOf, Refusal, refusing } from '../errors.ts';
import type { WallClock } from './clock.ts';
import { contextOf, type Context } from './context.ts';
import { planBed } from './planBeds.ts';
import { siteOf } from './weather.ts';

interface OnBed {
  context: Context;
  view: BedView;
  outlook: BedOutlook;
}

/** One bed's plan; the ensemble only for the number that needs it. */
async function onBed(
  garden: Garden,
  bed: Bed,
  wall: WallClock,
  log: Logger,
  members: number,
): Promise<OnBed> {
  const context = await contextOf(garden, wall, log, { bedId: bed.id, members });
  const view = context.beds[0];
  const outlook = context.plan.beds[0];
  if (!view || !outlook) {
    throw new Refusal('not-found', `${bed.name} is put away or not planted yet on this date.`, 'bed');
  }
  return { context, view, outlook };
}

const explain = (
  of: Explainable,
  garden: Garden,
  { context, outlook }: OnBed,
  bed: PlanBed,
  known: KnownBed,
): Working | null =>
  explainNumber(of, {
    bed,
    outlook,
    site: siteOf(garden),
    known: known.known,
    weather: context.weather,
    today: context.today,
  });

/** The working of one number of a bed. */
export async function numberWorking(
  garden: Garden,
  bed: Bed,
  of: Explainable,
  wall: WallClock,
  log: Logger,
): Promise<Working | null> {
  const on = await onBed(garden, bed, wall, log, of === 'fortnight' ? 100 : 0);
  const known = knownBed(on.view, on.context.today);
  const planned = planBed(on.view, on.context.events, on.context.today, garden.latitudeDeg, known);
  return explain(of, garden, on, planned, known);
}

/** The working of a day's reference demand. */
export async function dayWorking(
  garden: Garden,
  date: string,
  wall: WallClock,
  log: Logger,
): Promise<Working | null> {
  const { weather } = await contextOf(garden, wall, log, { bedId: 0 });
  const day = weather.find((d) => d.date === date);
  return day ? explainReferenceEt(day, siteOf(garden)) : null;
}

function outcomeOf(bed: PlanBed, outlook: BedOutlook, waterings: readonly PlannedWatering[]): OutcomeView {
  const { next } = outlook;
  return {
    nextDate: next?.date ?? null,
    minutes: next?.run.minutes ?? null,
    litres: next?.run.litres ?? null,
    localMm: next?.run.localMm ?? null,
    reachesMm: next?.reachesMm ?? null,
    cycles: next?.run.cycles ?? null,
    runMinutes: next?.run.runMinutes ?? null,
    soakMinutes: next?.run.soakMinutes ?? null,
    fortnightLitres: waterings.reduce((sum, w) => sum + w.run.litres, 0),
    fortnightWaterings: waterings.length,
    litresPerMinute: bed.delivery.litresPerMinute,
    rateMmPerHour: deliveryRate(bed.delivery, bed.bed.areaM2),
    spareMm: outlook.readilyMm,
    holdsMm: outlook.totalMm,
  };
}

/** What readings would change if they were kept: the bed's plan before and after, and the working asked for. */
export async function tryOnBed(
  garden: Garden,
  bed: Bed,
  body: TryBody,
  wall: WallClock,
  log: Logger,
): Promise<TryView> {
  const on = await onBed(garden, bed, wall, log, 0);
  const { context, view } = on;
  const planOf = (inputs: readonly FindingInput[], tried: boolean) => {
    const known = knownBed(
      tried ? { ...view, shadeCloth: body.shadeCloth ?? view.shadeCloth } : view,
      context.today,
      inputs,
    );
    const planned = planBed(view, context.events, context.today, garden.latitudeDeg, known);
    if (tried && body.mulch !== undefined) planned.bed.mulch = body.mulch ?? undefined;
    if (tried && body.goal) planned.bed.goal = body.goal;
    const plan = planGarden(
      { site: siteOf(garden), beds: [planned] },
      context.weather.filter((day) => day.date >= planned.startOn),
      context.constraints,
      { today: context.today, members: 0 },
    );
    return { known, planned, plan, outlook: plan.beds[0] as BedOutlook };
  };
  const before = planOf([], false);
  const after = refusing(() => planOf(body.inputs, true), 'inputs.');
  for (const fault of [...before.plan.unplanned, ...after.plan.unplanned])
    throw new Refusal(
      'invalid',
      `With this the bed cannot be planned: ${fault.range ? rangeWordsOf(fault.range) : fault.message}.`,
      'inputs',
    );
  return {
    before: outcomeOf(before.planned, before.outlook, before.plan.waterings),
    after: outcomeOf(after.planned, after.outlook, after.plan.waterings),
    working: body.of
      ? explain(body.of, garden, { ...on, outlook: after.outlook }, after.planned, after.known)
      : null,
  };
}
