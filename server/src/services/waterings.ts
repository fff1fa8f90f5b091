import {
  bodyFromStore,
  EVENT_KINDS,
  type BedView,
  type EventView,
  type SkipBody,
  type WateringBody,
} from '@kibble/contract';
import { addDays, givenOf, happened, type EntrySource, type EventEntry } from '@kibble/core';
import { EntryRow, type Bed } from '../db/models.ts';
import { append, bedOf, ofBeds } from '../record/log.ts';
import { Refusal } from '../errors.ts';
import { beforeItsTime } from './beforeItsTime.ts';
import { findBedView } from './beds.ts';
import type { WallClock } from './clock.ts';

/** Whether the device's clock, put right as far as the device knew, still said a moment to come: such an entry counts as made on arrival. */
const wasAhead = ({ at, enteredAt, clockOffsetMs }: EntryRow): boolean =>
  new Date(enteredAt ?? 0).getTime() + (clockOffsetMs ?? 0) > new Date(at).getTime();

/** A watering, a skip or a gauge reading as it lies in the log. */
export const eventEntry = (row: EntryRow): EventEntry => ({
  id: row.id,
  gardenId: row.gardenId,
  bedId: bedOf(row),
  kind: row.kind as EventEntry['kind'],
  on: row.on,
  at: new Date(row.at).toISOString(),
  body: bodyFromStore(row.kind, row.version, row.body),
  note: row.note ?? null,
  by: row.by ?? null,
  clockWasAhead: wasAhead(row),
});

/** An event as it is shown: what was entered, and what follows from it as its day is known now. */
export const eventToView = (row: EntryRow, bed: BedView | null, today: string): EventView =>
  happened(eventEntry(row), bed, today);

/** Deepest watering of one day that is believed, mm over the bed; more is a slip of the keys. */
const DEEPEST_MM = 400;

/** Days back for which a watering can still be entered. */
const ENTERED_DAYS = 30;

/** The day a watering is entered for: today, or one of the last thirty on which the bed stood. */
function entryDay(on: string | undefined, bed: BedView, today: string): string {
  if (on === undefined) {
    // Only what was entered offline, by a clock of its own, can be of such a day.
    if (today < bed.startOn) throw beforeItsTime(today, bed.name, bed.startOn);
    return today;
  }
  const first = addDays(today, -ENTERED_DAYS);
  if (on < first || on > today)
    throw new Refusal(
      'invalid',
      `Day must lie from ${first} to ${today}, the last ${ENTERED_DAYS} days; got ${on}`,
      'on',
    );
  if (on < bed.startOn)
    throw new Refusal(
      'invalid',
      `Day must be ${bed.startOn}, when ${bed.name} was planted, or later; got ${on}`,
      'on',
    );
  return on;
}

/** What happens on a bed is written down while it stands, not once it is put away. */
function inUse(bed: Bed): void {
  if (bed.archivedAt)
    throw new Refusal(
      'conflict',
      `${bed.name} is put away. Bring it back first, then write this down.`,
      'bed',
    );
}

/** Asks about a second watering of one place on one day: most often somebody else has written down the same. */
async function askTwice(bed: BedView, today: string, date: string): Promise<void> {
  const row = await EntryRow.findOne({
    where: { ...ofBeds(bed.id), kind: 'watering', on: date, removedAt: null },
    order: [['at', 'DESC']],
  });
  if (!row) return;
  const { litres, at, by } = eventToView(row, bed, today);
  const had = litres === null ? 'water' : `${Math.round(litres)} L`;
  throw new Refusal(
    'needs-consent',
    `${bed.name} had ${had} ${date === today ? 'today' : `on ${date}`} already, written down${by === null ? '' : ` on ${by}`} at ${at.slice(11, 16)} UTC. Was this a second time?`,
    'onlyOne',
  );
}

/** Writes down a watering as it was told: litres, or minutes of the tap. */
export async function logWatering(
  bed: Bed,
  body: WateringBody,
  today: string,
  wall: WallClock,
  source?: EntrySource,
): Promise<EventView> {
  inUse(bed);
  const { view } = await findBedView(bed.id, wall);
  const date = entryDay(body.on, view, today);
  const told = { litres: body.litres ?? null, minutes: body.minutes ?? null, depthMm: null };
  const { litres, netMm } = givenOf(view, today, date, told);
  if (netMm > DEEPEST_MM) {
    throw new Refusal(
      'invalid',
      `${body.litres === undefined ? 'Minutes' : 'Litres'} must come to at most ${DEEPEST_MM} mm over the bed; ${Math.round(litres)} L on ${view.areaM2} m² is ${Math.round(netMm)} mm`,
      body.litres === undefined ? 'minutes' : 'litres',
    );
  }
  if (body.onlyOne) await askTwice(view, today, date);
  const row = await append({
    gardenId: bed.gardenId,
    subject: { kind: 'bed', id: bed.id },
    body: {
      kind: 'watering',
      ...(body.litres === undefined ? { minutes: body.minutes } : { litres: body.litres }),
      asPlanned: body.asPlanned,
    },
    on: date,
    at: wall.now(),
    note: body.note ?? null,
    source,
  });
  return eventToView(row, view, today);
}

export async function logSkip(bed: Bed, body: SkipBody, date: string, wall: WallClock): Promise<EventView> {
  inUse(bed);
  if (date < bed.startOn) throw beforeItsTime(date, bed.name, bed.startOn);
  const row = await append({
    gardenId: bed.gardenId,
    subject: { kind: 'bed', id: bed.id },
    body: { kind: 'skip', reason: body.reason },
    on: date,
    at: wall.now(),
    note: body.note ?? null,
  });
  return eventToView(row, null, date);
}

/** Of a garden's gauge one reading a day stands: what stood before makes room. */
const makeRoom = (gardenId: number, date: string, at: Date) =>
  EntryRow.update({ removedAt: at }, { where: { gardenId, kind: 'rain', on: date, removedAt: null } });

/** A gauge reading for a day; a later reading for the same day takes the place of the earlier. */
export async function logRain(
  gardenId: number,
  date: string,
  rainMm: number,
  wall: WallClock,
): Promise<EventView> {
  await makeRoom(gardenId, date, wall.now());
  const row = await append({
    gardenId,
    subject: { kind: 'garden', id: gardenId },
    body: { kind: 'rain', rainMm },
    on: date,
    at: wall.now(),
  });
  return eventToView(row, null, date);
}

/** Marks an event as taken back, or brings it back. Of gauge readings of one day only one stands. */
export async function markEvent(id: number, removedAt: Date | null, wall: WallClock): Promise<EventView> {
  const row = await EntryRow.findByPk(id);
  if (!row || !(EVENT_KINDS as readonly string[]).includes(row.kind))
    throw new Refusal('not-found', `There is no entry ${id}.`, 'entry');
  if (row.kind === 'rain' && removedAt === null) await makeRoom(row.gardenId, row.on, wall.now());
  await row.update({ removedAt });
  const bedId = bedOf(row);
  const bed = bedId === null ? null : await findBedView(bedId, wall);
  return eventToView(row, bed?.view ?? null, bed?.today ?? row.on);
}
