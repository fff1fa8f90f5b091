import { knownBed, NO_TIME, type BedView, type EventView, type RoundView } from '@kibble/contract';
import {
  addDays,
  bucketTest,
  cropById,
  defaultSchool,
  givenSoFar,
  localDepth,
  plantOnDay,
  usualLeafOut,
  type BedInput,
  type CropEntry,
  type KnownBed,
  type PlanBed,
  type PlanConstraints,
  type PlantingInput,
  type SchoolId,
  type StartMethod,
} from '@kibble/core';
import { utcOffsetHours } from './clock.ts';
import { START_FULLNESS } from './setup.ts';
import { BALANCE_DAYS } from './weather.ts';

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
export const cropOfBed = (bed: BedView): CropEntry | null =>
  bed.planting ? (bed.planting.custom ?? cropById(bed.planting.cropId)) : null;

export const mulchOf = (bed: BedView): BedInput['mulch'] =>
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
  const start = startOf(bed, today);
  // What happened before the balance begins, or lies ahead of a practice date set back, is not in it.
  const mine = events.filter(
    (event) => event.bedId === bed.id && event.date >= start.startOn && event.date <= today,
  );
  return {
    id: bed.id,
    bed: bedInput(bed, known, latitudeDeg),
    delivery: known.delivery,
    ...start,
    irrigations: mine
      .filter((event) => event.kind === 'watering' && event.netMm !== null)
      .map((event) => ({ date: event.date, netMm: event.netMm ?? 0 })),
    settledToday: mine.some((event) => event.date === today && event.kind !== 'rain'),
    leftOn: mine
      .filter((event) => event.kind === 'skip' && event.reason !== NO_TIME)
      .map((event) => event.date),
    tap: bed.tapId ?? undefined,
    rank: bed.rank ?? undefined,
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

/** No plan reaches further ahead than this, days: what was moved beyond it is out of sight all the same. */
const FARTHEST_DAYS = 28;

/** Waterings moved, resized or skipped by hand, from today on; the latest word for a day counts. */
function setByHand(bed: BedView, today: string, known: KnownBed): Pick<PlanBed, 'fixed' | 'blocked'> {
  const blocked = new Set<string>();
  const fixed = new Map<string, number | undefined>();
  const last = addDays(today, FARTHEST_DAYS);
  for (const { input } of [...bed.findings].reverse()) {
    if (input.kind !== 'plan' || (input.to ?? input.date) < today) continue;
    const { date, litres } = input;
    if (date > last) continue;
    const to = input.to !== undefined && input.to > last ? last : input.to;
    const localMm = litres === undefined ? undefined : localDepth(litres, known.areaM2, known.delivery);
    fixed.delete(date);
    if (to === undefined && litres === undefined) blocked.add(date);
    else if (to === undefined || to === date) {
      blocked.delete(date);
      fixed.set(date, localMm);
    } else {
      for (let day = date < today ? today : date; day < to; day = addDays(day, 1)) blocked.add(day);
      blocked.delete(to);
      fixed.set(to, localMm);
    }
  }
  return {
    fixed: [...fixed].filter(([date]) => date >= today).map(([date, localMm]) => ({ date, localMm })),
    blocked: [...blocked].filter((date) => date >= today),
  };
}

/** A garden's limits, its clock and its taps as the core takes them. */
export function constraintsOf(
  { limits, longitudeDeg, timeZone, taps }: RoundView['garden'],
  events: readonly EventView[],
  today: string,
): PlanConstraints {
  const flows = taps.flatMap((tap) => {
    const timed = tap.findings.find(({ input }) => input.kind === 'bucket')?.input;
    return timed?.kind === 'bucket' ? [[tap.id, bucketTest(timed).litresPerMinute] as const] : [];
  });
  return {
    minutesPerDay: limits.minutesPerDay ?? undefined,
    litresPerDay: limits.litresPerDay ?? undefined,
    litresPerWeek: limits.litresPerWeek ?? undefined,
    ...givenSoFar(
      events.filter((e) => e.kind === 'watering'),
      today,
    ),
    weekdays: limits.weekdays ?? undefined,
    hours: limits.hours ?? undefined,
    restricts: limits.restricts ?? undefined,
    windHoldMs: limits.windHoldMs ?? undefined,
    fewRounds: limits.fewRounds ?? false,
    clock: { longitudeDeg: longitudeDeg ?? undefined, utcOffsetHours: utcOffsetHours(timeZone, today) },
    lines: { lines: limits.lines ?? undefined, tapLitresPerMinute: Object.fromEntries(flows) },
  };
}
