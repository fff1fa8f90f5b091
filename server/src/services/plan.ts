import type {
  BedPageView,
  BedView,
  ChartDay,
  CoreView,
  EventView,
  LeaveView,
  RoundView,
  SharpenView,
  StopView,
  TaskView,
} from '@kibble/contract';
import { knownBed } from '@kibble/contract';
import {
  addDays,
  assumedOf,
  bedTasks,
  bestHour,
  dayOfYear,
  handPasses,
  plantCount,
  secondsPerPlant,
  defaultSchool,
  litresPerPlant,
  localDepth,
  type PlanConstraints,
  type SchoolId,
  cropCautions,
  stageStrip,
  type CropEntry,
  type WeatherAlert,
  balanceTotals,
  cropById,
  METHOD_FACTS,
  nextBestTest,
  plantOnDay,
  rainClimatology,
  referenceEt,
  soilProfile,
  usualLeafOut,
  weatherAlerts,
  type BedInput,
  type BedOutlook,
  type DailyRecord,
  type GardenPlan,
  type KnownBed,
  type PlanBed,
  type PlannedWatering,
  type PlantingInput,
  type SourcedDay,
  type StartMethod,
} from '@kibble/core';
import type { Logger } from 'pino';
import { EventRow, type Bed, type Garden } from '../db/models.ts';
import { planInBackground } from '../jobs/planInBackground.ts';
import { todayOf, type WallClock } from './clock.ts';
import { eventToView } from './events.ts';
import { gardenToView, START_FULLNESS } from './setup.ts';
import { BALANCE_DAYS, earliestStart, gardenWeather, siteOf } from './weather.ts';

const HORIZON_DAYS = 14;
/** Members of the forecast behind the due windows: enough for a 10 and a 90 % day. */
const MEMBERS = 100;
/** A large garden gets fewer, so that its round stays quick: members times beds, and the fewest that still tell a window. */
const MEMBER_BEDS = 6000;
const LEAST_MEMBERS = 20;
const RIBBON_PAST_DAYS = 6;
/** Latest measured days from which rain past the forecast is guessed. */
const CLIMATOLOGY_DAYS = 60;

export const plantingsOf = (bed: BedView, latitudeDeg: number): PlantingInput[] =>
  bed.plantings.map((planting) => ({
    cropId: planting.cropId,
    custom: planting.custom,
    plantedOn: planting.plantedOn,
    endedOn: planting.endedOn ?? undefined,
    method: planting.method as StartMethod | undefined,
    share: planting.share,
    seen: planting.seen,
    leafOut: usualLeafOut(latitudeDeg),
  }));

/** The plant that stands on a bed, of the catalogue or the gardener's own. */
const cropOfBed = (bed: BedView): CropEntry | null =>
  bed.planting ? (bed.planting.custom ?? cropById(bed.planting.cropId)) : null;

const mulchOf = (bed: BedView): BedInput['mulch'] =>
  bed.mulchMaterial && bed.mulchMm ? { material: bed.mulchMaterial, depthMm: bed.mulchMm } : undefined;

const bedInput = (bed: BedView, known: KnownBed, latitudeDeg: number): BedInput => ({
  areaM2: known.areaM2,
  ground: known.ground,
  plantings: plantingsOf(bed, latitudeDeg),
  form: bed.form,
  mulch: mulchOf(bed),
  place: known.place,
  goal: bed.goal,
});

/** Where a bed's balance begins: with its planting, or, on old plantings, after a winter that filled the ground. */
function startOf(bed: BedView, today: string): Pick<PlanBed, 'startOn' | 'startFullness'> {
  const earliest = addDays(today, -BALANCE_DAYS);
  return bed.startOn < earliest
    ? { startOn: earliest, startFullness: 1 }
    : { startOn: bed.startOn, startFullness: START_FULLNESS[bed.startWetness] ?? 1 };
}

/** A bed and its events as the core's plan takes them. */
export function planBed(
  bed: BedView,
  events: readonly EventView[],
  today: string,
  latitudeDeg: number,
  known: KnownBed = knownBed(bed, today),
): PlanBed {
  const mine = events.filter((event) => event.bedId === bed.id);
  return {
    id: bed.id,
    bed: bedInput(bed, known, latitudeDeg),
    delivery: known.delivery,
    ...startOf(bed, today),
    irrigations: mine
      .filter((event) => event.kind === 'watering' && event.netMm !== null)
      .map((event) => ({ date: event.date, netMm: event.netMm ?? 0 })),
    settledToday: mine.some((event) => event.date === today && event.kind !== 'rain'),
    school: schoolChosen(bed, today, latitudeDeg).id,
    ...heldBy(bed, today),
    ...setByHand(bed, today, known),
  };
}

/** The school that decides on a bed: the gardener's choice, or the usual one for what stands there. */
export function schoolChosen(
  bed: BedView,
  today: string,
  latitudeDeg: number,
): { id: SchoolId; own: boolean; usual: ReturnType<typeof defaultSchool> | null } {
  const crop = cropOfBed(bed);
  if (!crop) return { id: 'deep and seldom', own: false, usual: null };
  const at = bed.plantings.findIndex((p) => p.id === bed.planting?.id);
  const planting = plantingsOf(bed, latitudeDeg)[at];
  const stage = planting ? (plantOnDay(planting, today)?.stage ?? null) : null;
  const usual = defaultSchool(crop, stage);
  const own = bed.planting?.school ?? null;
  return { id: own ?? usual.id, own: own !== null, usual };
}

/** A dry spell under way, and plants that hang today. */
export function heldBy(bed: BedView, today: string): Pick<PlanBed, 'holdUntil' | 'wilting'> {
  const wilted = bed.findings.find(({ input }) => input.kind === 'wilt' && !input.recovers);
  const wilting = wilted?.on === today;
  const spell = bed.findings.find(({ input }) => input.kind === 'toughen');
  if (spell?.input.kind !== 'toughen' || spell.input.what === 'end') return { wilting };
  // Wilting ends it at once.
  if (wilted && wilted.on >= spell.on) return { wilting };
  const until = addDays(spell.on, spell.input.days);
  return { wilting, holdUntil: until > today ? until : undefined };
}

/** Waterings moved, resized or skipped by hand, from today on; the latest word for a day counts. */
function setByHand(bed: BedView, today: string, known: KnownBed): Pick<PlanBed, 'fixed' | 'blocked'> {
  const blocked = new Set<string>();
  const fixed = new Map<string, number | undefined>();
  for (const { input } of [...bed.findings].reverse()) {
    if (input.kind !== 'plan') continue;
    const { date, to, litres } = input;
    const localMm = litres === undefined ? undefined : localDepth(litres, known.areaM2, known.delivery);
    fixed.delete(date);
    if (to === undefined && litres === undefined) blocked.add(date);
    else if (to === undefined || to === date) {
      blocked.delete(date);
      fixed.set(date, localMm);
    } else {
      for (let day = date; day < to; day = addDays(day, 1)) blocked.add(day);
      blocked.delete(to);
      fixed.set(to, localMm);
    }
  }
  return {
    fixed: [...fixed].filter(([date]) => date >= today).map(([date, localMm]) => ({ date, localMm })),
    blocked: [...blocked].filter((date) => date >= today),
  };
}

/** A garden's limits as the core takes them. */
export const constraintsOf = ({ limits }: RoundView['garden']): PlanConstraints => ({
  minutesPerDay: limits.minutesPerDay ?? undefined,
  litresPerDay: limits.litresPerDay ?? undefined,
  weekdays: limits.weekdays ?? undefined,
});

export interface Context {
  garden: RoundView['garden'];
  today: string;
  weather: SourcedDay[];
  plan: GardenPlan;
  events: EventView[];
  beds: BedView[];
  /** What in the past weeks’ and the forecast’s weather asks for action. */
  alerts: WeatherAlert[];
  now: Date;
}

function alertsOf(weather: readonly SourcedDay[], today: string): WeatherAlert[] {
  const ahead = weather.filter(
    (day) => day.date >= today && (day.source === 'forecast' || day.source === 'record'),
  );
  const behind = weather.filter((day) => day.date < today && day.source === 'record');
  return [
    ...weatherAlerts(ahead).filter((alert) => alert.code !== 'dry spell'),
    ...weatherAlerts(behind).filter((alert) => alert.code === 'dry spell'),
  ];
}

/** Loads a garden's facts and lets the core plan it, or one bed of it. */
export async function contextOf(
  garden: Garden,
  wall: WallClock,
  log: Logger,
  options: { bedId?: number; members?: number } = {},
): Promise<Context> {
  const today = todayOf(garden, wall);
  const view = await gardenToView(garden, wall);
  const beds = view.beds.filter(
    (bed) =>
      !bed.archived && bed.startOn <= today && (options.bedId === undefined || bed.id === options.bedId),
  );
  const weather = await gardenWeather(garden, today, await earliestStart(garden, today), HORIZON_DAYS, log);
  const events = (
    await EventRow.findAll({
      where: { gardenId: garden.id, removedAt: null },
      order: ['date', 'id'],
      raw: true,
    })
  ).map(eventToView);
  const planBeds = beds.map((bed) => planBed(bed, events, today, garden.latitudeDeg));
  const measured = weather.filter((day) => day.source === 'record').slice(-CLIMATOLOGY_DAYS);
  const plan = await planInBackground(
    { site: siteOf(garden), beds: planBeds },
    weather,
    constraintsOf(view),
    {
      today,
      horizonDays: HORIZON_DAYS,
      members:
        options.members ??
        Math.max(LEAST_MEMBERS, Math.min(MEMBERS, Math.floor(MEMBER_BEDS / Math.max(1, beds.length)))),
      climatology: measured.length >= CLIMATOLOGY_DAYS / 2 ? rainClimatology(measured) : undefined,
    },
  );
  return {
    garden: view,
    today,
    weather,
    plan,
    events,
    beds,
    alerts: alertsOf(weather, today),
    now: wall.now(),
  };
}

function coreOf(bed: BedView, outlook: BedOutlook, today: string, latitudeDeg: number): CoreView {
  const profile = soilProfile(knownBed(bed, today).ground);
  const crop = cropOfBed(bed);
  const planting = plantingsOf(bed, latitudeDeg).find((_, i) => bed.plantings[i]?.id === bed.planting?.id);
  const plant = planting ? plantOnDay(planting, today) : null;
  const lastWet = [...outlook.past]
    .reverse()
    .find((day) => day.wetFrontMm > 0 && day.irrigationMm + day.rainMm >= 2);
  return {
    layersMm: outlook.layersMm,
    fieldCapacityMm: outlook.fieldCapacityMm,
    wiltingPointMm: outlook.wiltingPointMm,
    saturationMm: outlook.saturationMm,
    textures: profile.textureOfLayer,
    rootDepthMm: outlook.rootDepthMm,
    depletionMm: outlook.depletionMm,
    readilyMm: outlook.readilyMm,
    totalMm: outlook.totalMm,
    mulchMm: bed.mulchMm ?? 0,
    lastFrontMm: lastWet?.wetFrontMm ?? null,
    cropId: crop?.id ?? null,
    group: crop?.group ?? null,
    growth: plant && crop ? plant.heightM / crop.heightM : 0,
  };
}

export function headOf(bed: BedView, outlook: BedOutlook, { today, garden }: Context) {
  const known = knownBed(bed, today);
  return {
    bedId: bed.id,
    bedName: bed.name,
    cropName: bed.planting?.cropName ?? null,
    stage: outlook.stage,
    textureClass: known.ground.horizons[0]?.textureClass ?? bed.textureClass,
    areaM2: known.areaM2,
    core: coreOf(bed, outlook, today, garden.latitudeDeg),
  };
}

/** Beds asked about what measurement would tell most: those that will take most water. */
const ASKED_BEDS = 5;

/** The short measurement that would narrow a bed's fortnight most, or null when nothing telling is assumed. */
function sharpenBed(bed: BedView, context: Context): SharpenView | null {
  const known = knownBed(bed, context.today);
  const planned = planBed(bed, context.events, context.today, context.garden.latitudeDeg, known);
  const best = nextBestTest({
    bed: planned,
    assumed: assumedOf(known.delivery, known.known),
    site: { latitudeDeg: context.garden.latitudeDeg, elevationM: context.garden.elevationM },
    weather: context.weather.filter((day) => day.date >= planned.startOn),
    today: context.today,
  });
  const first = best?.ranking[0];
  if (!best || !first || best.litres <= 0 || narrowing(best) <= 0) return null;
  return {
    bedId: bed.id,
    bedName: bed.name,
    test: first.test,
    minutes: first.minutes,
    now: best.now,
    after: best.after,
  };
}

const narrowing = (range: Pick<SharpenView, 'now' | 'after'>): number =>
  range.now.high - range.now.low - (range.after.high - range.after.low);

/** Over the thirstiest beds, the measurement that would narrow most litres. */
function sharpenOf(context: Context): RoundView['sharpen'] {
  const thirst = (id: number): number =>
    context.plan.beds.find((b) => b.bedId === id)?.window?.litres.middle ?? 0;
  return [...context.beds]
    .sort((a, b) => thirst(b.id) - thirst(a.id))
    .slice(0, ASKED_BEDS)
    .flatMap((bed) => sharpenBed(bed, context) ?? [])
    .reduce<SharpenView | null>((best, s) => (best && narrowing(best) >= narrowing(s) ? best : s), null);
}

/** Passes and seconds a plant, where somebody stands there with a hose or a can. */
function byHandOf(bed: BedView, watering: PlannedWatering, known: KnownBed): StopView['byHand'] {
  if (!METHOD_FACTS[bed.delivery.method].byHand) return null;
  const { run, reason } = watering;
  const { passes, restMinutes } = handPasses({
    cycles: run.cycles,
    soakMinutes: run.soakMinutes,
    dryGround: reason.depletionMm > reason.readilyMm,
  });
  const crop = cropOfBed(bed);
  if (!crop) return { passes, restMinutes, plants: null, secondsEach: null };
  const plants = plantCount({ areaM2: known.areaM2, share: bed.planting?.share, spacing: crop.spacing });
  const secondsEach = secondsPerPlant({
    litres: litresPerPlant({ litres: run.litres, plants, passes }),
    litresPerMinute: known.delivery.litresPerMinute,
  });
  return { passes, restMinutes, plants, secondsEach };
}

function stopOf(bed: BedView, outlook: BedOutlook, watering: PlannedWatering, context: Context): StopView {
  const crop = cropOfBed(bed);
  const known = knownBed(bed, context.today);
  return {
    ...headOf(bed, outlook, context),
    wetFirst: known.path === 'down one channel',
    method: bed.delivery.method,
    how: METHOD_FACTS[bed.delivery.method].how,
    litresPerMinute: known.delivery.litresPerMinute,
    flowMeasured: known.known.flow !== undefined && known.known.flow.kind !== 'assumed',
    run: watering.run,
    reachesMm: watering.reachesMm,
    reason: watering.reason,
    hour: bestHour({
      method: bed.delivery.method,
      crop: crop ?? undefined,
      latitudeDeg: context.garden.latitudeDeg,
      dayOfYear: dayOfYear(context.today),
      wilting: watering.reason.code === 'wilting',
    }),
    byHand: byHandOf(bed, watering, known),
    keepLeavesDry: crop?.traits.foliageDiseaseProne ?? false,
  };
}

function leaveOf(bed: BedView, outlook: BedOutlook, context: Context): LeaveView | null {
  if (!outlook.leave) return null;
  const settled = context.events.filter((event) => event.bedId === bed.id && event.date === context.today);
  return {
    ...headOf(bed, outlook, context),
    nextDate: outlook.next?.date ?? null,
    window: outlook.window,
    reason: outlook.leave,
    event: settled.at(-1) ?? null,
  };
}

/** Minutes since today's latest watering of a bed was written down, unless it was probed today. */
function sinceWatering(bed: BedView, { events, today, now }: Context): number | undefined {
  if (bed.findings.some((f) => f.input.kind === 'depth' && f.on === today)) return undefined;
  const last = events.filter((e) => e.bedId === bed.id && e.kind === 'watering' && e.date === today).at(-1);
  return last ? (now.getTime() - Date.parse(last.at)) / 60_000 : undefined;
}

/** What else there is to do on a bed today. */
function tasksOf(bed: BedView, outlook: BedOutlook, context: Context): TaskView[] {
  const { today, garden } = context;
  const latest = (what: string[]) =>
    bed.findings.find(({ input }) => input.kind === 'mulch' && what.includes(input.what));
  const moved = latest(['moved aside', 'put back']);
  const looked = latest(['looked at']);
  const laid = [bed.mulchLaidOn, looked?.on]
    .filter((d): d is string => Boolean(d))
    .sort()
    .at(-1);
  const plantings = plantingsOf(bed, garden.latitudeDeg);
  const tasks = bedTasks({
    today,
    plantings,
    alerts: context.alerts,
    mulch: mulchOf(bed),
    mulchLaidOn: laid,
    mulchMovedOn: moved?.input.kind === 'mulch' && moved.input.what === 'moved aside' ? moved.on : undefined,
    shaded: bed.shadeCloth,
    underCover: bed.underCover,
    standSeen: bed.plantings.flatMap((p, i) =>
      bed.findings.some((f) => f.input.kind === 'stand' && f.input.plantingId === p.id) ? [i] : [],
    ),
    minutesSinceWatering: sinceWatering(bed, context),
    offPlanDays: new Set(
      context.events
        .filter(
          (e) =>
            e.bedId === bed.id &&
            e.kind === 'watering' &&
            e.reason !== 'as planned' &&
            e.date > addDays(today, -7),
        )
        .map((e) => e.date),
    ).size,
    goneShare: outlook.readilyMm > 0 ? outlook.depletionMm / outlook.readilyMm : 0,
  });
  return tasks.map((task) => ({
    bedId: bed.id,
    bedName: bed.name,
    plantingId: bed.planting?.id ?? null,
    task,
  }));
}

/** Today's round: what to water, what to leave, and the weather that decides it. */
export async function roundOf(garden: Garden, wall: WallClock, log: Logger): Promise<RoundView> {
  const context = await contextOf(garden, wall, log);
  const { today, plan, weather } = context;
  const stops: StopView[] = [];
  const leaveAlone: LeaveView[] = [];
  for (const bed of context.beds) {
    const outlook = plan.beds.find((b) => b.bedId === bed.id);
    if (!outlook) continue;
    const watering = plan.waterings.find((w) => w.bedId === bed.id && w.date === today);
    if (watering) stops.push(stopOf(bed, outlook, watering, context));
    else {
      const leave = leaveOf(bed, outlook, context);
      if (leave) leaveAlone.push(leave);
    }
  }
  const tasks = context.beds.flatMap((bed) => {
    const outlook = plan.beds.find((b) => b.bedId === bed.id);
    return outlook ? tasksOf(bed, outlook, context) : [];
  });
  const from = addDays(today, -RIBBON_PAST_DAYS);
  const fortnight = weather.filter((day) => day.date >= addDays(today, -14) && day.date < today);
  const measured = fortnight.filter((day) => day.source === 'record').length;
  return {
    garden: context.garden,
    date: today,
    stops,
    leaveAlone,
    sharpen: sharpenOf(context),
    alerts: context.alerts,
    tasks,
    totals: plan.todayTotals,
    ribbon: weather
      .filter((day) => day.date >= from)
      .map((day) => ({
        date: day.date,
        tMinC: day.tMinC,
        tMaxC: day.tMaxC,
        rainMm: day.rainMm,
        rainChance: day.rainChance,
        et0Mm: referenceEt(day, siteOf(garden)).mm,
        source: day.source,
      })),
    measuredShare: fortnight.length > 0 ? measured / fortnight.length : 0,
  };
}

function chartDay(day: DailyRecord, ahead: boolean, source: ChartDay['source']): ChartDay {
  return {
    date: day.date,
    et0Mm: day.et0Mm,
    rainMm: day.rainMm,
    irrigationMm: day.irrigationMm,
    evaporationMm: day.evaporationMm,
    transpirationMm: day.transpirationMm,
    runoffMm: day.runoffMm,
    lostBelowRootsMm: day.lostBelowRootsMm,
    depletionMm: day.depletionMm,
    readilyMm: day.readilyAvailableMm,
    totalMm: day.totalAvailableMm,
    rootDepthMm: day.rootDepthMm,
    stressCoefficient: day.stressCoefficient,
    wetFrontMm: day.wetFrontMm,
    ahead,
    source,
  };
}

/** The calendar of every planting that stands or is to come. */
const stripsOf = (bed: BedView, { today, garden }: Context): BedPageView['strips'] =>
  plantingsOf(bed, garden.latitudeDeg).flatMap((planting, i) => {
    const view = bed.plantings[i];
    if (!view || (planting.endedOn !== undefined && planting.endedOn <= today)) return [];
    return [{ plantingId: view.id, cropName: view.cropName, steps: stageStrip(planting, today) }];
  });

/** Days compared with the same days a year before. */
const COMPARED_DAYS = 30;

function lastYearOf(past: readonly DailyRecord[]): BedPageView['lastYear'] {
  if (past.length < 365 + COMPARED_DAYS) return null;
  return {
    days: COMPARED_DAYS,
    now: balanceTotals(past.slice(-COMPARED_DAYS)),
    then: balanceTotals(past.slice(-365 - COMPARED_DAYS, -365)),
  };
}

/** One bed's page: its core, its balance behind and ahead, and what happened on it. */
export async function bedPageOf(
  garden: Garden,
  bedRow: Bed,
  wall: WallClock,
  log: Logger,
): Promise<BedPageView | null> {
  const context = await contextOf(garden, wall, log);
  const { plan, today } = context;
  const bed = context.beds.find((b) => b.id === bedRow.id);
  const outlook = plan.beds.find((b) => b.bedId === bedRow.id);
  if (!bed || !outlook) return null;
  const watering = plan.waterings.find((w) => w.bedId === bed.id && w.date === today);
  const crop = cropOfBed(bed);
  const sources = new Map(context.weather.map((day) => [day.date, day.source]));
  return {
    ...headOf(bed, outlook, context),
    garden: context.garden,
    days: [
      ...outlook.past.map((day) => chartDay(day, false, sources.get(day.date) ?? 'record')),
      ...outlook.ahead.map((day, i) => chartDay(day, true, outlook.aheadSources[i] ?? 'forecast')),
    ],
    strips: stripsOf(bed, context),
    cautions: crop ? cropCautions(crop) : [],
    tasks: tasksOf(bed, outlook, context),
    lastYear: lastYearOf(outlook.past),
    window: outlook.window,
    sharpen: sharpenBed(bed, context),
    bed,
    stop: watering ? stopOf(bed, outlook, watering, context) : null,
    leave: watering ? null : leaveOf(bed, outlook, context),
    next: outlook.next
      ? {
          date: outlook.next.date,
          litres: outlook.next.run.litres,
          minutes: outlook.next.run.minutes,
          localMm: outlook.next.run.localMm,
        }
      : null,
    events: context.events.filter((event) => event.bedId === bed.id).reverse(),
    season: balanceTotals(outlook.past),
  };
}
