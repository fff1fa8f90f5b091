import { type PotPageView, type PotsView, type PotView, type SpotView } from '@kibble/contract';
import {
  addDays,
  cropById,
  drinksAtNight,
  forecastEnsemble,
  isWaterToStand,
  KINDS,
  latestClimatology,
  likesAcid,
  phVerdict,
  planPot,
  potHelp,
  potSanity,
  potStart,
  potWalk,
  tasksOf,
  unplannedBy,
  usualWay,
  vesselKind,
  vesselModel,
  weatherSeries,
  type CropEntry,
  type PlantingInput,
  type Pot,
  type PotPlan,
  type PotSpan,
  type PotTask,
} from '@kibble/core';
import { rangeWordsOf } from '../../errors.ts';
import type { PotOnRecord } from '../../services/potsOnRecord.ts';
import { sequenceToView } from '../../services/sequenceView.ts';
import { vesselOf } from '../../services/vesselOf.ts';
import type { Facts } from '../facts.ts';
import { HORIZON_DAYS } from '../context.ts';

const MEMBERS = 24;

/** A pot with its plan. */
interface Potted {
  record: PotOnRecord;
  pot: Pot;
  plan: PotPlan;
  view: PotView;
  /** What it was made from, as text: as long as that is the same it need not be followed again. */
  from: string;
}

/** The pots of a garden, followed and planned: what the shelf, a pot's page, the round and the fortnight show of them. */
export interface Shelf {
  view: PotsView;
  potted: ReadonlyMap<number, Potted>;
  span: PotSpan | null;
  /** The weather and the plants of the gardener's own that it was made under. */
  under: { weather: Facts['weather']; crops: string };
}

const cropOfPot = (facts: Facts, cropId: string): CropEntry | undefined =>
  facts.garden.ownCrops.find(({ id }) => id === cropId);

function potOf(facts: Facts, record: PotOnRecord): Pot {
  const { latitudeDeg } = facts.site;
  const { seedlings } = vesselKind(record.kind);
  const plantings = record.plantings.map(({ cropId, plantedOn, endedOn }): PlantingInput => ({
    cropId,
    custom: cropOfPot(facts, cropId),
    plantedOn,
    endedOn: endedOn ?? undefined,
    method: seedlings ? undefined : 'pot',
    latitudeDeg,
  }));
  const vessel = vesselOf(record.kind, record.facts, plantings);
  const first = facts.weather[0]?.date ?? facts.today;
  return {
    id: record.id,
    seedlings,
    vessel,
    earlier: record.earlier.map(({ until, facts: was }) => ({
      until,
      vessel: vesselOf(record.kind, was, plantings),
    })),
    ...potStart(record, first, facts.today),
    way: record.facts.way ?? usualWay(vessel, seedlings).way,
    entries: record.entries.filter(({ date }) => date <= facts.today),
  };
}

function viewOf(facts: Facts, record: PotOnRecord, pot: Pot, plan: PotPlan): PotView {
  const { today } = facts;
  const model = vesselModel(pot.vessel, { startOn: today, dayCount: 1, latitudeDeg: facts.site.latitudeDeg });
  const lastWater = record.entries.findLastIndex(({ entry }) => entry.kind === 'given');
  const weights = record.entries.slice(lastWater + 1).filter(({ entry }) => entry.kind === 'weighed');
  const last = weights.at(-1)?.entry;
  const changedOn = record.earlier.at(-1)?.until ?? null;
  const since = weights.at(-1)?.date ?? today;
  const rained =
    model.rained && facts.weather.some(({ date, rainMm }) => date >= since && date < today && rainMm > 0);
  return {
    id: record.id,
    version: record.version,
    kind: record.kind,
    name: record.name,
    spot: record.spot,
    facts: record.facts,
    plantings: pot.vessel.plantings.map(({ cropId, plantedOn, endedOn, custom }) => {
      const crop = custom ?? cropById(cropId);
      return { cropId, plantedOn, endedOn: endedOn ?? null, cropName: crop.name, group: crop.group };
    }),
    startOn: record.startOn,
    notes: record.notes,
    shape: {
      volumeL: model.shape.volumeL,
      topM: model.shape.topM,
      baseM:
        record.facts.baseM ??
        (record.facts.trough ? model.shape.openingM2 / model.shape.topM : model.shape.topM * 0.75),
      heightM: model.shape.heightM,
    },
    way: pot.way,
    usual: usualWay(pot.vessel, pot.seedlings),
    holdsMl: plan.holdsMl,
    heldMl: plan.heldMl,
    lineMl: plan.lineMl,
    dayUseMl: plan.dayUseMl,
    doubt: plan.doubt,
    useFactor: plan.useFactor,
    give: plan.give,
    leave: plan.leave,
    givings: plan.givings,
    next: plan.next,
    lastsUntil: plan.lastsUntil,
    lastsShaded: plan.lastsShaded,
    vwcPct: plan.vwcPct,
    lineVwcPct: plan.lineVwcPct,
    resting: plan.resting,
    shrunk: plan.shrunk,
    emptiesInADay: plan.emptiesInADay,
    atNight:
      pot.vessel.plantings.length > 0 &&
      pot.vessel.plantings.every((p) => drinksAtNight(p.custom ?? cropById(p.cropId))),
    missedShare: plan.missedShare,
    fullKg: plan.fullKg,
    weighedOn: plan.weighedOn,
    lastKg: last?.kind === 'weighed' && !rained ? last.kg : null,
    weights: record.entries
      .flatMap(({ date, entry }) => (entry.kind === 'weighed' ? [{ kg: entry.kg, date }] : []))
      .slice(-2),
    lostMl: plan.spans.at(-1)?.until === plan.weighedOn ? (plan.spans.at(-1)?.lostMl ?? null) : null,
    tasks: tasksOf<PotTask>(
      { kind: 'pot', id: record.id },
      KINDS.vessel.tasks({
        pot,
        plan,
        today,
        latitudeDeg: facts.site.latitudeDeg,
        weather: facts.weather.filter(({ date }) => date >= addDays(today, -1)),
        changedOn,
      }),
      facts.done,
      { today },
    ).flatMap(({ reason, key, due, done }) => (done ? [] : [{ ...reason, key, due }])),
    today: record.entries
      .filter(({ date }) => date === today)
      .map(({ id, entry }) => ({ id, entry }))
      .reverse(),
  };
}

/** What some pots come to on each day of the plan. */
const dayByDay = (potted: readonly Potted[], today: string): PotsView['perDay'] =>
  Array.from({ length: HORIZON_DAYS }, (_, k) => {
    const date = addDays(today, k);
    const on = potted.flatMap(({ plan }) =>
      plan.givings
        .filter((giving) => giving.date === date)
        .map(({ millilitres, how, again }) => ({
          millilitres: millilitres + (again?.millilitres ?? 0),
          how,
        })),
    );
    const { pots, litres, minutes } = potWalk(on);
    return { date, pots, litres, minutes };
  });

/** Pots that stand together, with their walk. */
function spotOf(name: string, potted: readonly Potted[], today: string): SpotView {
  const due = potted.filter(({ plan }) => plan.give);
  const again = due.filter(({ plan }) => plan.give?.again);
  const firsts = potted.flatMap(({ plan }) => plan.lastsUntil ?? []).sort();
  return {
    name,
    pots: potted.map(({ view }) => view),
    walk: potWalk(
      due.map(({ plan }) => ({ millilitres: plan.give?.millilitres ?? 0, how: plan.give?.how ?? 'poured' })),
    ),
    atDusk: due.length > 0 && due.every(({ view }) => view.atNight),
    again:
      again.length > 0
        ? potWalk(
            again.map(({ plan }) => ({ millilitres: plan.give?.again?.millilitres ?? 0, how: 'poured' })),
          )
        : null,
    perDay: dayByDay(potted, today),
    away: { first: firsts[0] ?? null, pots: firsts.length },
  };
}

/**
 * Follows and plans every pot. One that cannot be takes nothing from the others, and one that is as it was under the same
 * weather is not followed again.
 * @param before the shelf as it was made last
 */
export function shelfOf(facts: Facts, before: Shelf | null = null): Shelf {
  const { today, site, weather, pots: onRecord } = facts;
  const ahead = weather.filter(({ date }) => date >= today).slice(0, HORIZON_DAYS);
  const standing = onRecord.pots.filter(({ archived, startOn }) => !archived && startOn <= today);
  const first = weather[0]?.date;
  const potted: Potted[] = [];
  const unplanned: PotsView['unplanned'] = [...onRecord.unread];
  const under = { weather, crops: JSON.stringify(facts.garden.ownCrops) };
  const known =
    before?.under.weather === weather && before.under.crops === under.crops && before.view.date === today
      ? before
      : null;
  let span: PotSpan | null = known?.span ?? null;
  if (first !== undefined && ahead.length === HORIZON_DAYS && standing.length > 0) {
    const measured = weather.filter((day) => day.source === 'record');
    const seen: PotSpan = span ?? {
      today,
      days: HORIZON_DAYS,
      weather: { from: first, series: weatherSeries(weather, site), latitudeDeg: site.latitudeDeg },
      sourced: ahead,
      nights: weather.filter(({ date }) => date < today),
      ensemble: forecastEnsemble({
        days: ahead,
        site,
        members: MEMBERS,
        seed: 1,
        climatology: latestClimatology(measured),
        yesterday: weather.find(({ date }) => date === addDays(today, -1)),
      }),
    };
    span = seen;
    for (const record of standing)
      try {
        const done = facts.done.filter(({ subject }) => subject.kind === 'pot' && subject.id === record.id);
        const from = JSON.stringify([record, done]);
        const same = known?.potted.get(record.id);
        if (same?.from === from) {
          potted.push(same);
          continue;
        }
        const pot = potOf(facts, record);
        const plan = planPot(pot, seen);
        potted.push({ record, pot, plan, view: viewOf(facts, record, pot, plan), from });
      } catch (error) {
        const { range, message } = unplannedBy(record.id, error);
        unplanned.push({
          id: record.id,
          name: record.name,
          message: range ? `${rangeWordsOf(range)}.` : message,
        });
      }
  }
  const spots = [...new Set(potted.map(({ record }) => record.spot))].map((name) =>
    spotOf(
      name,
      potted.filter(({ record }) => record.spot === name),
      today,
    ),
  );
  const tomorrow = potted.flatMap(({ plan, pot }) =>
    isWaterToStand(pot) ? plan.givings.filter(({ date }) => date === addDays(today, 1)) : [],
  );
  const stand = potWalk(tomorrow.map(({ millilitres }) => ({ millilitres, how: 'poured' })));
  const acid = potted.filter(({ pot }) => likesAcid(pot));
  const acidMl = acid
    .flatMap(({ plan }) => plan.givings)
    .reduce((sum, { millilitres }) => sum + millilitres, 0);
  const views = potted.map(({ view }) => view);
  const due = potted.flatMap(({ plan }) => plan.give ?? []);
  return {
    span,
    potted: new Map(potted.map((one) => [one.record.id, one])),
    under,
    view: {
      date: today,
      perDay: dayByDay(potted, today),
      spots,
      archived: onRecord.pots
        .filter(({ archived }) => archived)
        .map(({ id, name, spot }) => ({ id, name, spot })),
      unplanned,
      totals: potWalk(due.map(({ millilitres, how }) => ({ millilitres, how }))),
      sequences: onRecord.sequences.flatMap((row) => sequenceToView(row, views) ?? []),
      water: {
        ph: onRecord.ph
          .filter(({ date }) => date <= today)
          .map((one) => ({ ...one, verdict: phVerdict(one.ph) }))
          .reverse()
          .slice(0, SHOWN_PH),
        stand: { litres: stand.litres, cans: stand.cans, pots: stand.pots },
        acid: { litres: acidMl / 1000, pots: acid.length },
      },
      coldC: weather.find(({ date }) => date === today)?.tMinC ?? null,
    },
  };
}
const SHOWN_PH = 12;
/** Days of a drying curve that are shown. */
const CURVE_DAYS = 35;
const LOG_SHOWN = 200;

/** One pot's page. */
export function potPageOf(facts: Facts, { potted, span }: Shelf, id: number): PotPageView | null {
  const one = potted.get(id);
  if (!one || !span) return null;
  const { record, pot, plan, view } = one;
  const model = vesselModel(pot.vessel, {
    startOn: facts.today,
    dayCount: 1,
    latitudeDeg: facts.site.latitudeDeg,
  });
  const bed = facts.garden.beds.find((b) => b.id === record.fromBedId);
  return {
    pot: view,
    days: [
      ...plan.past.slice(-CURVE_DAYS).map((day) => ({ ...day, ahead: false })),
      ...plan.ahead.map((day) => ({ ...day, ahead: true })),
    ],
    found: plan.found.slice(-20).reverse(),
    spans: plan.spans.slice(-10).reverse(),
    help: potHelp(pot, plan, span, model.leafM2),
    working: plan.because ?? plan.holding,
    log: [...record.entries]
      .reverse()
      .slice(0, LOG_SHOWN)
      .map(({ id: entryId, date, entry }) => ({ id: entryId, date, entry })),
    earlier: record.earlier,
    sanity: potSanity(pot.entries, model.shape.volumeL),
    fromBed: bed ? { id: bed.id, name: bed.name } : null,
  };
}
