import { beds, threePoplars } from '@kibble/demo';
import { efficiencyOf, netDepth } from '@kibble/core';
import type { Sequelize } from 'sequelize';
import { EventRow, Garden } from './db/models.ts';
import { createBed, createGarden } from './services/setup.ts';
import type { WallClock } from './services/clock.ts';

/** Puts the demo garden into an empty database; an existing one only learns where its station is now. */
export async function seedDemo(sequelize: Sequelize, stationUrl: string, wall: WallClock): Promise<void> {
  const known = await Garden.findOne({ where: { isDemo: true } });
  if (known) {
    await known.update({ stationUrl });
    return;
  }
  await sequelize.transaction(async (transaction) => {
    const garden = await createGarden(threePoplars, { transaction, stationUrl, isDemo: true });
    for (const { watered, ...body } of beds) {
      const bed = await createBed(garden.id, body, transaction);
      await EventRow.bulkCreate(
        watered.map(({ date, litres }) => ({
          gardenId: garden.id, bedId: bed.id, kind: 'watering' as const, date, at: wall.now(), litres,
          minutes: litres / body.delivery.litresPerMinute,
          netMm: netDepth(litres, body.areaM2, efficiencyOf(body.delivery)),
          rainMm: null, reason: 'as planned', note: null, removedAt: null,
        })),
        { transaction },
      );
    }
  });
}
