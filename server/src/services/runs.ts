import { knownBed, wateredWith } from '@kibble/core';
import { type runBody, type TapRunView } from '@kibble/contract';
import { Bed, RunRow } from '../db/models.ts';
import { findBedView } from './beds.ts';
import { todayOf, type WallClock } from './clock.ts';
import { findGarden } from './find.ts';
import { gardenToView } from './gardens.ts';
import { grouped } from './grouped.ts';
import { logWatering } from './waterings.ts';
import { Refusal } from '../errors.ts';
import type { z } from 'zod';

const toView = (row: RunRow, bedName: string): TapRunView => ({
  id: row.id,
  bedId: row.bedId,
  bedName,
  startedAt: new Date(row.startedAt).toISOString(),
  minutes: row.minutes,
  litresPerMinute: row.litresPerMinute,
  runs: row.runs,
  run: row.run,
  runMinutes: row.runMinutes,
  soakMinutes: row.soakMinutes,
  ranMinutes: row.ranMinutes,
  resting: Boolean(row.resting),
  secondsEach: row.secondsEach,
  selfStops: Boolean(row.selfStops),
});

/** The garden's taps under way, the longest open first. */
export async function runsOf(gardenId: number): Promise<TapRunView[]> {
  const rows = await RunRow.findAll({ where: { gardenId }, order: ['startedAt'] });
  const names = grouped(
    await Bed.findAll({ where: { id: rows.map((r) => r.bedId) }, raw: true }),
    (b) => b.id,
  );
  return rows.map((row) => toView(row, names.get(row.bedId)?.[0]?.name ?? ''));
}

/** Opens a bed's tap, or sets it to its next run or rest: its clock begins now. */
export async function openRun(bed: Bed, body: z.infer<typeof runBody>, wall: WallClock): Promise<TapRunView> {
  if (bed.archivedAt) throw new Refusal('conflict', `${bed.name} is put away. Bring it back first.`, 'bed');
  const { view, today } = await findBedView(bed.id, wall);
  const { litresPerMinute } = knownBed(view, today).delivery;
  await RunRow.destroy({ where: { bedId: bed.id } });
  const row = await RunRow.create({
    gardenId: bed.gardenId,
    bedId: bed.id,
    startedAt: wall.now(),
    litresPerMinute,
    ...body,
    runMinutes: body.runMinutes ?? body.minutes,
  });
  return toView(row, bed.name);
}

/** Lets a run go; whether it was still there. */
export const closeRun = async (bedId: number): Promise<boolean> =>
  (await RunRow.destroy({ where: { bedId } })) > 0;

/** When the next run that its own timer shuts is over; null when there is none. */
export async function nextSelfStop(): Promise<Date | null> {
  const rows = await RunRow.findAll({ where: { selfStops: true } });
  const ends = rows.map((row) => new Date(row.startedAt).getTime() + row.minutes * 60_000);
  return ends.length > 0 ? new Date(Math.min(...ends)) : null;
}

/** Writes down and lets go of every run that its own timer has shut by now: once, whether or not a page is open. */
export async function closeSelfStopped(wall: WallClock): Promise<number[]> {
  const now = wall.now().getTime();
  const over = (await RunRow.findAll({ where: { selfStops: true } })).filter(
    (row) => new Date(row.startedAt).getTime() + row.minutes * 60_000 <= now,
  );
  const gardens: number[] = [];
  for (const row of over) {
    const bed = await Bed.findByPk(row.bedId);
    await row.destroy();
    if (!bed) continue;
    gardens.push(row.gardenId);
    if (bed.archivedAt) continue;
    const garden = await findGarden(row.gardenId);
    const { beds, taps } = await gardenToView(garden, wall);
    // A valve that its timer shut has watered all the beds of its zone.
    for (const id of wateredWith(bed.id, beds, taps)) {
      const watered = await Bed.findByPk(id);
      if (!watered) continue;
      await logWatering(
        watered,
        { minutes: row.minutes, asPlanned: false, note: 'one run by the clock' },
        todayOf(garden, wall),
        wall,
        'timer',
      );
    }
  }
  return gardens;
}
