import type { BedBody, BedView, GardenBody, GardenView } from '@kibble/contract';
import { cropById } from '@kibble/core';
import type { Sequelize, Transaction } from 'sequelize';
import { Bed, Delivery, Garden, Planting } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';

/** Share of the available water in the ground by what the gardener remembers of its first day. Judgement. */
export const START_FULLNESS: Readonly<Record<string, number>> = { soaked: 1, moist: 0.65, dry: 0.2 };

export async function createGarden(
  body: GardenBody,
  options: { transaction: Transaction; stationUrl?: string; isDemo?: boolean },
): Promise<Garden> {
  return Garden.create(
    {
      name: body.name,
      latitudeDeg: body.latitudeDeg,
      elevationM: body.elevationM,
      timeZone: body.timeZone,
      units: body.units,
      clockMode: body.clock.mode,
      practiceDate: body.clock.mode === 'practice' ? body.clock.date : null,
      stationUrl: options.stationUrl ?? null,
      isDemo: options.isDemo ?? false,
    },
    { transaction: options.transaction },
  );
}

/** A bed's own columns. Its balance starts on the day of planting. */
const bedColumns = (body: BedBody) => ({
  name: body.name,
  areaM2: body.areaM2,
  textureClass: body.textureClass,
  subsoilClass: body.subsoilClass ?? null,
  form: body.form,
  underCover: body.underCover,
  mulchMaterial: body.mulchMaterial ?? null,
  mulchMm: body.mulchMm ?? null,
  startOn: body.planting.plantedOn,
  startWetness: body.startWetness,
});

/** Adds a bed with its planting and delivery: all of them, or none. */
export async function createBed(gardenId: number, body: BedBody, transaction: Transaction): Promise<Bed> {
  const position = await Bed.count({ where: { gardenId }, transaction });
  const bed = await Bed.create({ gardenId, position, ...bedColumns(body) }, { transaction });
  await Planting.create(
    {
      bedId: bed.id,
      cropId: body.planting.cropId,
      plantedOn: body.planting.plantedOn,
      endedOn: null,
      method: body.planting.method ?? null,
    },
    { transaction },
  );
  await Delivery.create({ bedId: bed.id, ...body.delivery }, { transaction });
  return bed;
}

/** Changes a bed, its planting and its delivery together. */
export async function changeBed(bed: Bed, body: BedBody, sequelize: Sequelize): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await bed.update(bedColumns(body), { transaction });
    await Planting.update(
      {
        cropId: body.planting.cropId,
        plantedOn: body.planting.plantedOn,
        method: body.planting.method ?? null,
      },
      { where: { bedId: bed.id }, transaction },
    );
    await Delivery.update(body.delivery, { where: { bedId: bed.id }, transaction });
  });
}

export async function findGarden(id: number): Promise<Garden> {
  const garden = await Garden.findByPk(id);
  if (!garden) throw new Refusal('not-found', `There is no garden ${id}.`);
  return garden;
}

export async function findBed(id: number): Promise<{ bed: Bed; garden: Garden }> {
  const bed = await Bed.findByPk(id);
  if (!bed) throw new Refusal('not-found', `There is no bed ${id}.`);
  return { bed, garden: await findGarden(bed.gardenId) };
}

/** A planting lies in the past or today: a plan cannot water what is not there. */
export function checkPlantedBy(body: BedBody, today: string): void {
  if (body.planting.plantedOn > today) {
    throw new Refusal(
      'invalid',
      `Planting date must be ${today} (today at this garden) or earlier; got ${body.planting.plantedOn}`,
      'planting.plantedOn',
    );
  }
}

export async function gardenToView(garden: Garden, wall: WallClock): Promise<GardenView> {
  const beds = await Bed.findAll({ where: { gardenId: garden.id }, order: ['position', 'id'] });
  const ids = beds.map((bed) => bed.id);
  const plantings = await Planting.findAll({ where: { bedId: ids } });
  const deliveries = await Delivery.findAll({ where: { bedId: ids } });
  return {
    id: garden.id,
    name: garden.name,
    latitudeDeg: garden.latitudeDeg,
    elevationM: garden.elevationM,
    timeZone: garden.timeZone,
    units: garden.units,
    clockMode: garden.clockMode,
    today: todayOf(garden, wall),
    isDemo: garden.isDemo,
    hasStation: garden.stationUrl !== null,
    beds: beds.map((bed) =>
      bedToView(
        bed,
        plantings.find((p) => p.bedId === bed.id),
        deliveries.find((d) => d.bedId === bed.id),
      ),
    ),
  };
}

function bedToView(bed: Bed, planting: Planting | undefined, delivery: Delivery | undefined): BedView {
  return {
    id: bed.id,
    gardenId: bed.gardenId,
    name: bed.name,
    areaM2: bed.areaM2,
    textureClass: bed.textureClass as BedView['textureClass'],
    subsoilClass: bed.subsoilClass as BedView['subsoilClass'],
    form: bed.form as BedView['form'],
    underCover: bed.underCover,
    mulchMaterial: bed.mulchMaterial as BedView['mulchMaterial'],
    mulchMm: bed.mulchMm,
    startOn: bed.startOn,
    startWetness: bed.startWetness as BedView['startWetness'],
    archived: Boolean(bed.archivedAt),
    planting: planting
      ? {
          id: planting.id,
          cropId: planting.cropId,
          cropName: cropById(planting.cropId).name,
          plantedOn: planting.plantedOn,
          endedOn: planting.endedOn,
          method: (planting.method ?? undefined) as NonNullable<BedView['planting']>['method'],
        }
      : null,
    delivery: {
      method: (delivery?.method ?? 'watering can') as BedView['delivery']['method'],
      litresPerMinute: delivery?.litresPerMinute ?? 1,
      measured: delivery?.measured ?? false,
    },
  };
}
