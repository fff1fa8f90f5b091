import { type BedView, type CoreView, type LeaveView, type StopView, type TreeNow } from '@kibble/contract';
import {
  addDays,
  aimOf,
  beyondNeedL,
  FED_DAYS,
  FEED_NOTE,
  intakeRate,
  localDepth,
  onLeavesL,
  overdoneOn,
  bestHour,
  checkFirst,
  efficiencyAt,
  FINDING_FACTS,
  fillLitresOf,
  fillsFor,
  isRinsed,
  leafCare,
  leafWetHours,
  METHOD_FACTS,
  passesOf,
  handPace,
  isBaked,
  plantCount,
  SEED_STRIP_MM,
  seedRows,
  rowLength,
  plantOnDay,
  shedsSpray,
  standingOn,
  type BedOutlook,
  type KnownBed,
  type PlanBed,
  type PlannedWatering,
  knownBed,
  MOIST,
  cropOfBed,
  plantingsOf,
  treeNow,
  zoneOf,
  zoneTotals,
} from '@kibble/core';
import type { Context } from '../context.ts';
import { coreView } from './core.ts';

/** What stands on a bed today, as it is by now; null of bare ground. */
function plantOf(bed: BedView, site: Context['site'], today: string): ReturnType<typeof plantOnDay> {
  const planting = standingOn(plantingsOf(bed, site.latitudeDeg), today);
  return planting ? plantOnDay(planting, today) : null;
}

function coreOf(bed: BedView, outlook: BedOutlook, { today, site }: Context): CoreView {
  const plant = plantOf(bed, site, today);
  const lastWet = outlook.past.findLast((day) => day.wetFrontMm > 0 && day.irrigationMm + day.rainMm >= 2);
  return coreView(outlook, {
    ground: knownBed(bed, today).ground,
    mulchMm: bed.mulchMm,
    crop: cropOfBed(bed),
    heightM: plant?.heightM ?? null,
    lastFrontMm: lastWet?.wetFrontMm ?? null,
  });
}

/** Room that a bed has for water today. */
function roomOf(bed: BedView, outlook: BedOutlook, context: Context): StopView['room'] {
  const planned = context.planBeds.find(({ id }) => id === bed.id);
  const { areaM2, delivery, ground } = planned
    ? { areaM2: planned.bed.areaM2, delivery: planned.delivery, ground: planned.bed.ground }
    : knownBed(bed, context.today);
  const since = addDays(context.today, -FED_DAYS);
  const fed = context.events.filter(
    ({ bedId, kind, note, date }) =>
      bedId === bed.id && kind === 'watering' && note === FEED_NOTE && date >= since,
  );
  return {
    depletionMm: outlook.depletionMm,
    mmPerLitre: localDepth(1, areaM2, delivery),
    litresPerMinute: delivery.litresPerMinute,
    overdone: overdoneOn(intakeRate(ground, (bed.mulchMm ?? 0) > 0)),
    fedOn:
      fed
        .map(({ date }) => date)
        .sort()
        .at(-1) ?? null,
  };
}

export function headOf(bed: BedView, outlook: BedOutlook, context: Context) {
  const { today } = context;
  const known = knownBed(bed, today);
  return {
    bedId: bed.id,
    kind: bed.kind,
    bedName: bed.name,
    cropName: bed.planting?.cropName ?? null,
    stage: outlook.stage,
    textureClass:
      known.ground.horizons[0]?.fill ?? known.ground.horizons[0]?.textureClass ?? bed.textureClass,
    areaM2: known.areaM2,
    room: roomOf(bed, outlook, context),
    core: coreOf(bed, outlook, context),
    tree: treeNow(bed, outlook, context),
    beyond: known.beyond,
    unread: known.unread.map(({ id = 0, on, kind }) => ({ id, on, label: FINDING_FACTS[kind].label })),
  };
}
/** Passes and seconds a plant, where somebody stands there with a hose or a can. */
function byHandOf(
  bed: BedView,
  planned: PlanBed,
  watering: PlannedWatering,
  known: KnownBed,
): StopView['byHand'] {
  if (!METHOD_FACTS[bed.delivery.method].byHand) return null;
  const { run } = watering;
  const { passes, restMinutes } = passesOf(planned, watering);
  if (watering.reason.code === 'seedbed') return { passes, restMinutes, pace: null };
  const crop = cropOfBed(bed);
  if (!crop) return { passes, restMinutes, pace: null };
  const { spacing } = crop;
  const area = { areaM2: known.areaM2, share: bed.planting?.share };
  const pace = handPace({
    litres: run.litres,
    litresPerMinute: known.delivery.litresPerMinute,
    passes,
    plants: plantCount({ ...area, spacing }),
    rowM: rowLength({ ...area, spacing }),
    canLitres: fillLitresOf(known.delivery),
  });
  return { passes, restMinutes, pace };
}

/** What wind takes from a spray, and how long its leaves stay wet. */
function sprayOf(
  bed: BedView,
  { run }: PlannedWatering,
  runs: StopView['runs'],
  { today, weather, sun, site }: Context,
): StopView['spray'] {
  const { method } = bed.delivery;
  if (!METHOD_FACTS[method].overhead) return null;
  const day = weather.find((d) => d.date === today);
  const windMs = day?.windMs ?? null;
  const end = (runs.at(-1)?.until ?? sun.noon * 60) / 60;
  const wet = leafWetHours({ endHour: end, sun, rhMinPct: day?.rhMinPct });
  return {
    windMs,
    tMaxC: day?.tMaxC ?? null,
    lostShare: 1 - efficiencyAt({ method, hour: 'morning', windMs: windMs ?? 0 }),
    leafWetHours: wet.hours,
    overNight: wet.overNight,
    onLeavesL: onLeavesL(run),
    sheds: shedsSpray(method, plantOf(bed, site, today)?.canopyCover ?? 0),
  };
}

/** Where the water belongs on a bed today. */
function aimOfBed(bed: BedView, { today, site }: Context): StopView['aim'] {
  const crop = cropOfBed(bed);
  if (!crop || !METHOD_FACTS[bed.delivery.method].aimed) return null;
  const plant = plantOf(bed, site, today);
  return aimOf(crop, plant?.rooted ?? true, plant?.heightM ?? 0);
}

/** How this watering is to treat the leaves; a matter only where water may come on them. */
function leavesOf(bed: BedView, { today, site, weather, alerts }: Context): StopView['leaves'] {
  const crop = cropOfBed(bed);
  if (!crop) return null;
  return leafCare(crop, {
    plant: plantOf(bed, site, today),
    underCover: bed.underCover,
    rinsed: isRinsed(crop, alerts, today),
    day: weather.find(({ date }) => date === today),
  });
}

/** Cans or buckets for a watering, where they are filled and carried; at trees each has its own. */
function fillsOf(bed: BedView, { run }: PlannedWatering, tree: TreeNow | null): StopView['fills'] {
  if (tree?.plan.laid.by === 'buckets') {
    const count = tree.plan.laid.pieces * tree.facts.count;
    return { count, litresEach: run.litres / count };
  }
  const fillLitres = fillLitresOf(bed.delivery);
  if (fillLitres === undefined) return null;
  const { fills } = fillsFor({ litres: run.litres, containerLitres: fillLitres });
  return { count: fills, litresEach: fillLitres };
}

/** What cannot wait for a look, or is seen on top. */
const LOOKS_LATER: ReadonlySet<string> = new Set(['wilting', 'planting drench', 'seedbed', 'plug']);

/** The last day on which a bed was left or found moist. */
function foundMoistOn(bed: BedView, { events }: Context): string | undefined {
  const skipped = events
    .filter((e) => e.bedId === bed.id && e.kind === 'skip' && e.reason === MOIST)
    .map((e) => e.date);
  const looked = bed.findings
    .filter(({ input }) => input.kind === 'look' && input.state !== 'dry')
    .map((f) => f.on);
  return [...skipped, ...looked].sort().at(-1);
}

/** Why a light wetting comes first on a bed; null where none is needed. */
function wetFirstOf(bed: BedView, known: KnownBed, outlook: BedOutlook): StopView['wetFirst'] {
  if (known.path === 'down one channel') return 'channel';
  if (known.path === 'in patches') return 'patches';
  const top = {
    topMm: outlook.layersMm[0] ?? Number.POSITIVE_INFINITY,
    wiltingPointMm: outlook.wiltingPointMm[0] ?? 0,
    mulched: (bed.mulchMm ?? 0) > 0,
  };
  return isBaked(outlook.past, top) ? 'baked' : null;
}

/** The run of its zone that waters a bed, and what it comes to on all of them. */
function zoneRunOf(bed: BedView, watering: PlannedWatering, { plan, planBeds }: Context): StopView['zone'] {
  const { zone } = watering.reason;
  if (!zone || bed.tapId === null) return null;
  const mates = new Set(planBeds.filter((planned) => planned.zone === bed.tapId).map(({ id }) => id));
  const run = plan.waterings.filter(({ bedId, date }) => date === watering.date && mates.has(bedId));
  return { tapId: bed.tapId, lead: zone.lead, beyondL: beyondNeedL(watering), whole: zoneTotals(run) };
}

export function stopOf(
  bed: BedView,
  outlook: BedOutlook,
  watering: PlannedWatering,
  context: Context,
): StopView {
  const { today, sun, plan } = context;
  const crop = cropOfBed(bed);
  const known = knownBed(bed, today);
  const planned = context.planBeds.find((b) => b.id === bed.id) as PlanBed;
  const slots = plan.schedule.find((day) => day.date === watering.date)?.slots ?? [];
  const runs = slots
    .filter((slot) => slot.bedId === bed.id)
    .map(({ from, until, cycle }) => ({ from, until, cycle }));
  return {
    ...headOf(bed, outlook, context),
    wetFirst: wetFirstOf(bed, known, outlook),
    rowStripMm:
      watering.reason.code === 'seedbed' && seedRows(planned.bed.plantings, known.delivery, today)
        ? SEED_STRIP_MM
        : null,
    method: bed.delivery.method,
    how: METHOD_FACTS[bed.delivery.method].how,
    litresPerMinute: known.delivery.litresPerMinute,
    flowMeasured: known.known.flow !== undefined && known.known.flow.kind !== 'assumed',
    run: watering.run,
    handsOnMinutes: watering.handsOnMinutes,
    timer: planned.delivery.timer ?? false,
    reachesMm: watering.reachesMm,
    reason: watering.reason,
    hour: bestHour({
      method: bed.delivery.method,
      crop: crop ?? undefined,
      sun,
      wilting: watering.reason.code === 'wilting',
    }),
    runs,
    checkFirst: LOOKS_LATER.has(watering.reason.code)
      ? null
      : checkFirst({
          today,
          startOn: planned.startOn,
          rootDepthMm: outlook.rootDepthMm,
          window: watering.dates,
          foundMoistOn: foundMoistOn(bed, context),
        }),
    spray: sprayOf(bed, watering, runs, context),
    tapName: context.garden.taps.find(({ id }) => id === bed.tapId)?.name ?? null,
    zone: zoneRunOf(bed, watering, context),
    // Seed is sprinkled over; there is no foot to water at.
    aim: watering.reason.code === 'seedbed' ? null : aimOfBed(bed, context),
    fills: fillsOf(bed, watering, treeNow(bed, outlook, context)),
    byHand: byHandOf(bed, planned, watering, known),
    leaves: leavesOf(bed, context),
  };
}

export function leaveOf(bed: BedView, outlook: BedOutlook, context: Context): LeaveView | null {
  if (!outlook.leave) return null;
  const settled = context.events.filter((event) => event.bedId === bed.id && event.date === context.today);
  const { leave } = outlook;
  return {
    bedId: bed.id,
    bedName: bed.name,
    zone: zoneOf(bed, context.garden.taps)?.id ?? null,
    depletionMm: outlook.depletionMm,
    room: roomOf(bed, outlook, context),
    nextDate: outlook.next?.date ?? null,
    waiting: outlook.waiting,
    soak: outlook.soak,
    // Its working is asked for where somebody opens it.
    reason: leave.code === 'enough in store' ? { ...leave, because: undefined } : leave,
    event: settled.at(-1) ?? null,
  };
}
