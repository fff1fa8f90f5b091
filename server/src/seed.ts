import { addDays, followSeason } from '@kibble/core';
import { beds, threePoplars } from '@kibble/demo';
import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { EventRow, Garden } from './db/models.ts';
import { todayOf, type WallClock } from './services/clock.ts';
import { planBed } from './services/plan.ts';
import { createBed, createGarden, gardenToView } from './services/setup.ts';
import { earliestStart, gardenWeather, siteOf } from './services/weather.ts';

/** Puts the demo garden into an empty database; an existing one only learns where its station is now. */
export async function seedDemo(
  sequelize: Sequelize,
  stationUrl: string,
  wall: WallClock,
  log: Logger,
): Promise<void> {
  const known = await Garden.findOne({ where: { isDemo: true } });
  if (known) {
    await known.update({ stationUrl });
    return;
  }
  await sequelize.transaction(async (transaction) => {
    const garden = await createGarden(threePoplars, { transaction, stationUrl, isDemo: true });
    for (const { followedUntil: _, ...body } of beds) await createBed(garden.id, body, transaction);
  });
  const garden = await Garden.findOne({ where: { isDemo: true } });
  if (garden) await waterAsPlanned(garden, wall, log);
}

/** Fills the demo's past with what a gardener who followed the plan would have done. */
async function waterAsPlanned(garden: Garden, wall: WallClock, log: Logger): Promise<void> {
  const today = todayOf(garden, wall);
  const weather = await gardenWeather(garden, today, await earliestStart(garden, today), 1, log);
  const view = await gardenToView(garden, wall);
  for (const bed of view.beds) {
    const until = beds.find((b) => b.name === bed.name)?.followedUntil ?? addDays(today, -1);
    const waterings = followSeason({
      site: siteOf(garden),
      bed: planBed(bed, [], today, garden.latitudeDeg),
      weather,
      to: until,
    });
    await EventRow.bulkCreate(
      waterings.map(({ date, run }) => ({
        gardenId: garden.id,
        bedId: bed.id,
        kind: 'watering' as const,
        date,
        at: wall.now(),
        litres: run.litres,
        minutes: run.minutes,
        netMm: run.bedMm,
        rainMm: null,
        reason: 'as planned',
        note: null,
        removedAt: null,
      })),
    );
  }
}
