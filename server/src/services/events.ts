import { knownBed, type BedView, type EventView, type SkipBody, type WateringBody } from '@kibble/contract';
import { addDays, efficiencyOf, minutesFor, netDepth, spotLitres } from '@kibble/core';
import { EventRow, type Bed } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import type { WallClock } from './clock.ts';
import { findBedView } from './setup.ts';

export const eventToView = (row: EventRow): EventView => ({
  id: row.id,
  gardenId: row.gardenId,
  bedId: row.bedId,
  kind: row.kind,
  date: row.date,
  at: new Date(row.at).toISOString(),
  litres: row.litres,
  minutes: row.minutes,
  netMm: row.netMm,
  rainMm: row.rainMm,
  reason: row.reason,
  note: row.note,
});

const blank = {
  litres: null,
  minutes: null,
  netMm: null,
  rainMm: null,
  reason: null,
  note: null,
  removedAt: null,
};

/** Deepest watering of one day that is believed, mm over the bed; more is a slip of the keys. */
const DEEPEST_MM = 400;

/** Days back for which a watering can still be entered. */
const ENTERED_DAYS = 30;

/** The day a watering is entered for: today, or one of the last thirty on which the bed stood. */
function entryDay(on: string | undefined, bed: BedView, today: string): string {
  if (on === undefined) return today;
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
function standing(bed: Bed): void {
  if (bed.archivedAt)
    throw new Refusal(
      'conflict',
      `${bed.name} is put away. Bring it back first, then write this down.`,
      'bed',
    );
}

/** Writes down a watering: litres as told, or minutes at the bed's flow. */
export async function logWatering(
  bed: Bed,
  body: WateringBody,
  today: string,
  wall: WallClock,
): Promise<EventView> {
  standing(bed);
  const { view } = await findBedView(bed.id, wall);
  const date = entryDay(body.on, view, today);
  const { areaM2, delivery } = knownBed(view, date);
  const { litresPerMinute } = delivery;
  const litres = body.litres ?? spotLitres({ litresPerMinute, minutes: body.minutes ?? 0 });
  const netMm = netDepth(litres, areaM2, efficiencyOf(delivery));
  if (netMm > DEEPEST_MM) {
    throw new Refusal(
      'invalid',
      `${body.litres === undefined ? 'Minutes' : 'Litres'} must come to at most ${DEEPEST_MM} mm over the bed; ${Math.round(litres)} L on ${areaM2} m² is ${Math.round(netMm)} mm`,
      body.litres === undefined ? 'minutes' : 'litres',
    );
  }
  const row = await EventRow.create({
    ...blank,
    gardenId: bed.gardenId,
    bedId: bed.id,
    kind: 'watering',
    date,
    at: wall.now(),
    litres,
    minutes: body.minutes ?? minutesFor({ litres, litresPerMinute }),
    netMm,
    reason: body.asPlanned ? 'as planned' : 'done differently',
    note: body.note ?? null,
  });
  return eventToView(row);
}

export async function logSkip(bed: Bed, body: SkipBody, date: string, wall: WallClock): Promise<EventView> {
  standing(bed);
  const row = await EventRow.create({
    ...blank,
    gardenId: bed.gardenId,
    bedId: bed.id,
    kind: 'skip',
    date,
    at: wall.now(),
    reason: body.reason,
    note: body.note ?? null,
  });
  return eventToView(row);
}

/** A gauge reading for a day; a later reading for the same day takes the place of the earlier. */
export async function logRain(
  gardenId: number,
  date: string,
  rainMm: number,
  wall: WallClock,
): Promise<EventView> {
  await EventRow.update(
    { removedAt: wall.now() },
    { where: { gardenId, kind: 'rain', date, removedAt: null } },
  );
  const row = await EventRow.create({
    ...blank,
    gardenId,
    bedId: null,
    kind: 'rain',
    date,
    at: wall.now(),
    rainMm,
  });
  return eventToView(row);
}

/** Marks an event as taken back, or brings it back. Of gauge readings of one day only one stands. */
export async function markEvent(id: number, removedAt: Date | null, wall: WallClock): Promise<EventView> {
  const row = await EventRow.findByPk(id);
  if (!row) throw new Refusal('not-found', `There is no entry ${id}.`, 'entry');
  if (row.kind === 'rain' && removedAt === null) {
    const { gardenId, date } = row;
    await EventRow.update(
      { removedAt: wall.now() },
      { where: { gardenId, kind: 'rain', date, removedAt: null } },
    );
  }
  await row.update({ removedAt });
  return eventToView(row);
}
