import type { BedView, Costs, FortnightView, PlanChange, PlanTryView, SchoolsView } from '@kibble/contract';
import {
  addDays,
  compareSchools,
  defaultSchool,
  mayToughen,
  METHOD_FACTS,
  planGarden,
  SCHOOLS,
  schoolOf,
  SHORT_OF_WATER,
  weekdayOf,
  cropById,
  type BedOutlook,
  type GardenPlan,
} from '@kibble/core';
import type { Logger } from 'pino';
import type { Bed, Garden } from '../db/models.ts';
import { rangeWordsOf, Refusal, refusing } from '../errors.ts';
import type { WallClock } from './clock.ts';
import { contextOf, type Context } from './context.ts';
import { placesOf } from './places.ts';
import { heldBy, planBed, plantingsOf, schoolChosen } from './planBeds.ts';
import { siteOf } from './weather.ts';

const DAYS = 14;

/** What each school would do on a bed, over its season so far and over the fortnight. */
export async function schoolsOf(
  garden: Garden,
  bed: Bed,
  wall: WallClock,
  log: Logger,
): Promise<SchoolsView> {
  const context = await contextOf(garden, wall, log, { bedId: bed.id, members: 0 });
  const { today } = context;
  const view = context.beds[0];
  if (!view)
    throw new Refusal('not-found', `${bed.name} is put away or not planted yet on this date.`, 'bed');
  if ([...context.unplanned, ...context.plan.unplanned].length > 0)
    throw new Refusal('conflict', `${bed.name} cannot be planned, so nothing can be compared on it.`, 'bed');
  const planned = planBed(view, context.events, today, garden.latitudeDeg);
  const { id, own, usual } = schoolChosen(view, today, garden.latitudeDeg);
  const yesterday = addDays(today, -1);
  const on = { site: siteOf(garden), bed: planned, weather: context.weather };
  const at = view.plantings.findIndex((p) => p.id === view.planting?.id);
  const planting = plantingsOf(view, garden.latitudeDeg)[at];
  return {
    chosen: id,
    own,
    usual: usual ?? defaultSchool(cropById('tomato'), null),
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
    fortnight: compareSchools({ ...on, from: today, to: addDays(today, DAYS - 1) }),
    toughen: planting ? mayToughen(planting, today) : null,
    holdUntil: heldBy(view, today).holdUntil ?? null,
  };
}

function costsOf(outlook: BedOutlook, plan: GardenPlan): Costs {
  const mine = plan.waterings.filter((w) => w.bedId === outlook.bedId);
  return {
    litres: mine.reduce((sum, w) => sum + w.run.litres, 0),
    waterings: mine.length,
    stressDays: outlook.ahead.filter((day) => day.stressCoefficient < SHORT_OF_WATER).length,
    lostBelowRootsMm: outlook.ahead.reduce((sum, day) => sum + day.lostBelowRootsMm, 0),
  };
}

const gardenCosts = (plan: GardenPlan): Costs =>
  plan.beds
    .map((outlook) => costsOf(outlook, plan))
    .reduce(
      (sum, c) => ({
        litres: sum.litres + c.litres,
        waterings: sum.waterings + c.waterings,
        stressDays: sum.stressDays + c.stressDays,
        lostBelowRootsMm: sum.lostBelowRootsMm + c.lostBelowRootsMm,
      }),
      { litres: 0, waterings: 0, stressDays: 0, lostBelowRootsMm: 0 },
    );

/** Beds by days: what is planned for the fortnight within the garden's limits. */
export async function fortnightOf(garden: Garden, wall: WallClock, log: Logger): Promise<FortnightView> {
  const context = await contextOf(garden, wall, log);
  const { plan, today, beds } = context;
  const dates = Array.from({ length: DAYS }, (_, i) => addDays(today, i));
  const { weekdays: open, restricts } = context.garden.limits;
  const nameOf = (bedId: number): string => beds.find((b) => b.id === bedId)?.name ?? '';
  return {
    unplanned: placesOf(context).unplanned,
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
          waterings: plan.waterings
            .filter((w) => w.bedId === bed.id)
            .map((w) => ({
              date: w.date,
              minutes: w.run.minutes,
              litres: w.run.litres,
              localMm: w.run.localMm,
              reachesMm: w.reachesMm,
              reason: w.reason.code,
              byHand: w.reason.code === 'set by hand',
            })),
          stress: outlook.ahead.map((day) => day.stressCoefficient),
          window: outlook.window ? { early: outlook.window.early, late: outlook.window.late } : null,
          costs: costsOf(outlook, plan),
        },
      ];
    }),
    perDay: dates.map((date) => {
      const due = plan.waterings.filter((w) => w.date === date);
      return {
        minutes: due.reduce((sum, w) => sum + w.run.minutes, 0),
        litres: due.reduce((sum, w) => sum + w.run.litres, 0),
      };
    }),
    leftOut: plan.leftOut.map((left) => ({ ...left, bedName: nameOf(left.bedId) })),
    givenUp: plan.givenUp.map((given) => ({ ...given, bedName: nameOf(given.bedId) })),
    sparedRounds: plan.sparedRounds,
    schedule: plan.schedule.map(({ date, slots }) => ({
      date,
      slots: slots.map((slot) => ({ ...slot, bedName: nameOf(slot.bedId) })),
    })),
  };
}

/** What a change by hand would cost, on its bed and in the garden, before it is kept. */
export async function tryPlanChange(
  garden: Garden,
  change: PlanChange,
  wall: WallClock,
  log: Logger,
): Promise<PlanTryView> {
  const context = await contextOf(garden, wall, log, { members: 0 });
  const { today } = context;
  checkChange(change, today);
  const bed = context.beds.find((b) => b.id === change.bedId);
  if (!bed) throw new Refusal('not-found', `There is no such bed on the plan; got ${change.bedId}.`, 'bedId');
  const { bedId, ...input } = change;
  const changed = {
    ...bed,
    findings: [
      {
        id: Number.MAX_SAFE_INTEGER,
        bedId,
        tapId: null,
        on: today,
        method: null,
        note: null,
        input: { kind: 'plan' as const, ...input },
      },
      ...bed.findings,
    ],
  };
  const after = refusing(() => planWith(garden, context, changed));
  const of = (plan: GardenPlan): Costs => {
    const outlook = plan.beds.find((o) => o.bedId === bedId);
    const fault = plan.unplanned.find((u) => u.bedId === bedId);
    if (fault)
      throw new Refusal(
        'invalid',
        `With this the bed cannot be planned: ${fault.range ? rangeWordsOf(fault.range) : fault.message}.`,
        'litres',
      );
    if (!outlook) throw new Refusal('not-found', `There is no such bed on the plan; got ${bedId}.`, 'bedId');
    return costsOf(outlook, plan);
  };
  return {
    before: of(context.plan),
    after: of(after),
    garden: { before: gardenCosts(context.plan), after: gardenCosts(after) },
  };
}

/** A change lies within the fortnight. */
function checkChange(change: PlanChange, today: string): void {
  const last = addDays(today, DAYS - 1);
  for (const field of ['date', 'to'] as const) {
    const date = change[field];
    if (date !== undefined && (date < today || date > last))
      throw new Refusal('invalid', `Day must lie from ${today} to ${last}; got ${date}`, field);
  }
}

const planWith = (garden: Garden, context: Context, changed: BedView): GardenPlan =>
  planGarden(
    {
      site: siteOf(garden),
      beds: context.planBeds.map((bed) =>
        bed.id === changed.id ? planBed(changed, context.events, context.today, garden.latitudeDeg) : bed,
      ),
    },
    context.weather,
    context.constraints,
    { today: context.today, horizonDays: DAYS, members: 0 },
  );
