import type { PlanConstraints } from '../clock/constraints.ts';
import { SAVED_NOTE } from '../delivery/givenWater.ts';
import { bucketTest } from '../delivery/bucketTest.ts';
import { NO_TIME } from '../entries/bodies.ts';
import { balanceStart } from '../follow/balanceStart.ts';
import { byHand } from '../follow/byHand.ts';
import type { PlanBed } from '../follow/types.ts';
import { creditFrom } from '../places/treeRing/credit.ts';
import { mainPlanting, treePlantings, treeSetMm } from '../places/treeRing/treeGround.ts';
import { treeSoaks } from '../places/treeRing/treeSoaks.ts';
import { beliefAfter } from '../plants/rootBelief.ts';
import { afterPots } from '../pots/afterPots.ts';
import type { ProposedRounds } from '../rounds/types.ts';
import { givenSoFar } from '../share/givenSoFar.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { kindOfBed } from './kindOfBed.ts';
import { cropOfBed, plantingsOf, schoolChosen } from './bedFacts.ts';
import { earlierOf, rowsWatered, seedRows } from './seedRows.ts';
import { foundOf, historyOf, nowOf, type HistoryOfBed, type TriedOnBed } from './history.ts';
import type { BedOnRecord, EventOnRecord, GardenOnRecord } from './place.ts';
import { deliveryInZone, rootTap, zoneOf } from './zoneOf.ts';

/** A watering of a place whose ground a tree's roots share. */
export interface Borrowed {
  date: string;
  mm: number;
  areaM2: number;
  lawn: boolean;
}

/** What was given to the places whose ground a tree shares, of all that happened: mm over m². Source: none needed, a matter of record. */
export function borrowedBy(
  bed: BedOnRecord,
  beds: readonly BedOnRecord[],
  happened: ReadonlyMap<number | null, EventOnRecord[]>,
  today: string,
): Borrowed[] {
  const { tree } = nowOf(historyOf(bed, today).periods);
  return (tree?.facts.shares ?? []).flatMap((id) => {
    const other = beds.find((b) => b.id === id && b.id !== bed.id);
    if (!other) return [];
    const lawn = cropOfBed(other)?.group === 'turf';
    return (happened.get(id) ?? [])
      .filter((event) => event.kind === 'watering')
      .map(({ date, netMm }) => ({ date, mm: netMm ?? 0, areaM2: other.areaM2, lawn }));
  });
}

/** A bed and its events as the core's plan takes them; `tried` is taken as if it had been kept today. */
export function planBed(
  bed: BedOnRecord,
  events: readonly EventOnRecord[],
  { today, latitudeDeg, borrowed = [] }: { today: string; latitudeDeg: number; borrowed?: Borrowed[] },
  tried?: TriedOnBed,
): PlanBed {
  const { periods }: HistoryOfBed = historyOf(bed, today, tried);
  const now = nowOf(periods);
  const { tree } = now;
  const declared = plantingsOf(bed, latitudeDeg);
  const woody = tree ? mainPlanting(declared) : undefined;
  const plantings = tree ? treePlantings(declared, tree.facts, tree.ground) : declared;
  const spans = rowsWatered(
    periods.map(({ from, bed: was, delivery }) => ({ from, bed: { ...was, plantings }, delivery })),
    tree ? null : seedRows(declared, now.delivery, today),
  );
  const start = balanceStart(bed.startOn, bed.startWetness, today, bed.wetnessOn);
  // What happened before the balance begins, or lies ahead of a practice date set back, is not in it.
  const mine = events.filter(
    (event) => event.bedId === bed.id && event.date >= start.startOn && event.date <= today,
  );
  // Saved water of today counts as poured the evening before: the stop stays, and asks for so much less.
  const isOnTop = ({ kind, note, date }: EventOnRecord): boolean =>
    kind === 'watering' && note === SAVED_NOTE && date === today;
  const evening = addDays(today, -1);
  return {
    id: bed.id,
    kind: kindOfBed(bed, today),
    bed: {
      ...now.bed,
      plantings,
      ...(tree && woody
        ? { soaks: treeSoaks(tree.facts, woody, { ground: now.bed.ground, made: tree.ground, on: today }) }
        : {}),
    },
    delivery: spans.at(-1)?.delivery ?? now.delivery,
    earlier: earlierOf(spans),
    known: now.known.known,
    rootBelief: now.known.rootsSeen && beliefAfter(plantings, now.known.rootsSeen),
    ...start,
    ...(tree && woody ? { setMm: treeSetMm(tree.facts, tree.ground) } : {}),
    irrigations: [
      ...mine
        .filter((event) => event.kind === 'watering')
        .map((event) => ({
          date: isOnTop(event) && evening >= start.startOn ? evening : event.date,
          netMm: event.netMm ?? 0,
        })),
      ...(tree
        ? borrowed
            .filter(({ date }) => date >= start.startOn && date < today)
            // Only what reaches the ring is counted.
            .map(({ date, ...given }) => ({
              date,
              netMm: tree.ground.wettedFraction * creditFrom(given, tree.ground.areaM2),
            }))
            .filter(({ netMm }) => netMm > 0)
        : []),
    ],
    settledToday: mine.some((event) => event.date === today && event.kind !== 'rain' && !isOnTop(event)),
    leftOn: mine
      .filter((event) => event.kind === 'skip' && event.reason !== NO_TIME)
      .map((event) => event.date),
    tap: bed.tapId ?? undefined,
    rank: bed.rank ?? undefined,
    school: schoolChosen(bed).id,
    ...byHand(bed.findings.map(foundOf), today, now.known.areaM2, now.delivery, plantings),
  };
}

/** Where the water of each tap comes from, and what was taken from it today. */
function sourcesOf(
  { taps, beds }: GardenOnRecord,
  events: readonly EventOnRecord[],
  today: string,
): PlanConstraints['sources'] {
  const tapOf = new Map(beds.map(({ id, tapId }) => [id, rootTap(tapId, taps)]));
  const scarce = taps.filter(({ source }) => source !== 'mains');
  if (scarce.length === 0) return undefined;
  return Object.fromEntries(
    scarce.map(({ id, source, litresPerDay }) => {
      const mine = events.filter((e) => e.date === today && e.bedId !== null && tapOf.get(e.bedId) === id);
      const takenTodayL = mine.reduce((sum, e) => sum + (e.litres ?? 0), 0);
      return [id, { kind: source, litresPerDay: litresPerDay ?? undefined, takenTodayL }];
    }),
  );
}

/** What of a garden's record its limits follow from. */
export interface GardenFacts {
  garden: GardenOnRecord;
  events: readonly EventOnRecord[];
  today: IsoDate;
  /** Round days proposed before. */
  proposal: ProposedRounds | null;
  /** By how much the garden's clock is ahead of UTC today, hours. */
  utcOffsetHours: number;
}

/** What carries water to a bed now, and the zone that it is in. */
function carriedBy(garden: GardenOnRecord, bedId: number | null) {
  const bed = garden.beds.find(({ id }) => id === bedId);
  const zone = zoneOf(bed, garden.taps);
  return bed && zone
    ? { delivery: deliveryInZone(bed.delivery, zone, garden), zone: zone.id }
    : { delivery: bed?.delivery };
}

/** A garden's limits, its clock and its taps as the plan takes them; `potDays` is what pots take of each day. Source: none needed, a matter of record. */
export function constraintsOf(
  { garden, events, today, proposal, utcOffsetHours }: GardenFacts,
  potDays: readonly { date: IsoDate; minutes: number; litres: number }[],
): PlanConstraints {
  const { limits, longitudeDeg, taps } = garden;
  const flows = taps.flatMap((tap) => {
    const timed = tap.findings.find(({ input }) => input.kind === 'bucket')?.input;
    return timed?.kind === 'bucket' ? [[tap.id, bucketTest(timed).litresPerMinute] as const] : [];
  });
  return {
    ...afterPots(limits, potDays),
    ...givenSoFar(
      events.filter((e) => e.kind === 'watering').map((e) => ({ ...e, ...carriedBy(garden, e.bedId) })),
      today,
    ),
    weekdays: limits.weekdays ?? undefined,
    hours: limits.hours ?? undefined,
    restricts: limits.restricts ?? undefined,
    windHoldMs: limits.windHoldMs ?? undefined,
    turnsPerDay: limits.turnsPerDay ?? undefined,
    passes: limits.passes ?? undefined,
    longestMinutes: limits.longestMinutes ?? undefined,
    rounds: { weekdays: limits.roundDays ?? undefined, proposal: proposal ?? undefined },
    away: limits.away ?? undefined,
    people: limits.people ?? undefined,
    timers: limits.timers ?? undefined,
    sources: sourcesOf(garden, events, today),
    clock: { longitudeDeg: longitudeDeg ?? undefined, utcOffsetHours },
    lines: { lines: limits.lines ?? undefined, tapLitresPerMinute: Object.fromEntries(flows) },
  };
}
