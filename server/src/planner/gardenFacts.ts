import { EVENT_KINDS, type BedView, type EventView } from '@kibble/contract';
import { addDays, type EventEntry } from '@kibble/core';
import { Op } from 'sequelize';
import { EntryRow, type Garden } from '../db/models.ts';
import { bedOf, ofBeds } from '../record/log.ts';
import { GLANCE_DAYS, HORIZON_DAYS } from './context.ts';
import type { Facts } from './facts.ts';
import type { WallClock } from '../services/clock.ts';
import { doneTasks } from '../services/doneTasks.ts';
import { proposedRoundsOf } from '../services/proposedRounds.ts';
import { gardenToView } from '../services/gardens.ts';
import { earliestStart } from '../services/earliestStart.ts';
import { gardenWeather, siteOf } from '../services/weather.ts';
import { NO_POTS, potsOnRecord } from '../services/potsOnRecord.ts';
import { eventEntry, eventToView } from '../services/waterings.ts';

/** What was entered of waterings, skips and the gauge, of some beds or of a whole garden. */
async function eventRows(
  gardenId: number,
  options: { from?: string; beds?: readonly number[] } = {},
): Promise<EntryRow[]> {
  const { from, beds } = options;
  return EntryRow.findAll({
    where: {
      gardenId,
      sort: ['watering', 'weather'],
      kind: [...EVENT_KINDS],
      removedAt: null,
      ...(from === undefined ? {} : { on: { [Op.gte]: from } }),
      ...(beds ? ofBeds(beds) : {}),
    },
    order: ['on', 'id'],
    raw: true,
  });
}

/** What was entered of waterings and skips on some beds. */
export const eventEntries = async (gardenId: number, beds: readonly number[]): Promise<EventEntry[]> =>
  (await eventRows(gardenId, { beds })).map(eventEntry);

/** What happened on some beds, or in a whole garden, from a day on. */
async function eventsOf(
  gardenId: number,
  beds: readonly BedView[],
  today: string,
  options: { from?: string; only?: boolean } = {},
): Promise<EventView[]> {
  const { from, only = false } = options;
  const rows = await eventRows(gardenId, { from, beds: only ? beds.map(({ id }) => id) : undefined });
  const byId = new Map(beds.map((bed) => [bed.id, bed]));
  return rows.map((row) => eventToView(row, byId.get(bedOf(row) ?? 0) ?? null, today));
}

/** Everything a garden's plan rests on, as it is on record. */
export async function gardenFacts(garden: Garden, wall: WallClock): Promise<Facts> {
  const view = await gardenToView(garden, wall);
  const { today } = view;
  const from = await earliestStart(garden, today);
  const weather = await gardenWeather(garden, today, from, HORIZON_DAYS);
  const events = await eventsOf(garden.id, view.beds, today);
  return {
    garden: view,
    events,
    site: siteOf(garden),
    today,
    weather,
    proposal: await proposedRoundsOf(garden.id),
    done: await doneTasks(garden.id),
    pots: await potsOnRecord(garden),
  };
}

/** Some beds of a garden as they are now, and what happened on them. */
export async function bedFacts(
  garden: Garden,
  bedIds: readonly number[],
  wall: WallClock,
): Promise<{ beds: BedView[]; events: EventView[] }> {
  const { beds, today } = await gardenToView(garden, wall, bedIds);
  return { beds, events: await eventsOf(garden.id, beds, today, { only: true }) };
}

/** One bed's facts of the last days: enough to tell whether it can be planned. */
export async function glanceFacts(garden: Garden, bedId: number, wall: WallClock): Promise<Facts> {
  const view = await gardenToView(garden, wall, [bedId]);
  const { today } = view;
  const from = addDays(today, -GLANCE_DAYS);
  const weather = await gardenWeather(garden, today, from, HORIZON_DAYS, { pastYears: false });
  const events = await eventsOf(garden.id, view.beds, today, { from, only: true });
  return {
    garden: view,
    events,
    site: siteOf(garden),
    today,
    weather,
    proposal: null,
    done: [],
    pots: NO_POTS,
  };
}
