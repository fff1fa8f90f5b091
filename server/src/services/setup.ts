import {
  isShared,
  type BedBody,
  type BedLinks,
  type BedView,
  type FindingView,
  type GardenBody,
  type GardenView,
  type TapBody,
  type TapView,
} from '@kibble/contract';
import { cropById } from '@kibble/core';
import type { Sequelize, Transaction } from 'sequelize';
import { Bed, Delivery, FindingRow, Garden, Planting, Tap } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';
import { findingToView } from './findings.ts';

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
  const taps = await Tap.findAll({ where: { gardenId: garden.id }, order: ['id'] });
  const findings = (
    await FindingRow.findAll({
      where: { gardenId: garden.id, removedAt: null },
      order: [
        ['date', 'DESC'],
        ['id', 'DESC'],
      ],
    })
  ).map(findingToView);
  const groundOf = new Map(beds.map((bed) => [bed.id, bed.groundOf ?? bed.id]));
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
        beds.find((b) => b.id === bed.groundOf) ?? bed,
        plantings.find((p) => p.bedId === bed.id),
        deliveries.find((d) => d.bedId === bed.id),
        findings.filter((f) => concerns(f, bed, groundOf)),
      ),
    ),
    taps: taps.map((tap) => tapToView(tap, findings)),
  };
}

/** A finding counts for its own bed, for the beds on the same ground, and for the beds on its tap. */
function concerns(finding: FindingView, bed: Bed, groundOf: ReadonlyMap<number, number>): boolean {
  if (finding.tapId !== null) return finding.tapId === bed.tapId;
  if (finding.bedId === bed.id) return true;
  const sameGround = groundOf.get(finding.bedId ?? 0) === groundOf.get(bed.id);
  return sameGround && isShared(finding.input.kind);
}

const tapToView = (tap: Tap, findings: readonly FindingView[]): TapView => ({
  id: tap.id,
  gardenId: tap.gardenId,
  name: tap.name,
  nozzle: tap.nozzle,
  archived: Boolean(tap.archivedAt),
  findings: findings.filter((f) => f.tapId === tap.id),
});

/** One bed as the garden shows it. */
export async function findBedView(id: number, wall: WallClock): Promise<{ view: BedView; today: string }> {
  const { garden } = await findBed(id);
  const view = await gardenToView(garden, wall);
  const bed = view.beds.find((b) => b.id === id);
  if (!bed) throw new Refusal('not-found', `There is no bed ${id}.`);
  return { view: bed, today: view.today };
}

function bedToView(
  bed: Bed,
  ground: Bed,
  planting: Planting | undefined,
  delivery: Delivery | undefined,
  findings: FindingView[],
): BedView {
  return {
    id: bed.id,
    gardenId: bed.gardenId,
    name: bed.name,
    areaM2: bed.areaM2,
    textureClass: ground.textureClass as BedView['textureClass'],
    subsoilClass: ground.subsoilClass as BedView['subsoilClass'],
    form: bed.form as BedView['form'],
    underCover: bed.underCover,
    mulchMaterial: bed.mulchMaterial as BedView['mulchMaterial'],
    mulchMm: bed.mulchMm,
    startOn: bed.startOn,
    startWetness: bed.startWetness as BedView['startWetness'],
    archived: Boolean(bed.archivedAt),
    groundOf: bed.groundOf ?? null,
    tapId: bed.tapId ?? null,
    findings,
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

export async function findTap(id: number): Promise<Tap> {
  const tap = await Tap.findByPk(id);
  if (!tap) throw new Refusal('not-found', `There is no tap ${id}.`);
  return tap;
}

export const addTap = async (garden: Garden, body: TapBody): Promise<Tap> =>
  Tap.create({ gardenId: garden.id, name: body.name, nozzle: body.nozzle });

/** Changes a tap's entry. Another nozzle spoils the flow measured with the old one, and that is written down. */
export async function changeTap(
  tap: Tap,
  body: TapBody,
  sequelize: Sequelize,
  wall: WallClock,
): Promise<void> {
  const garden = await findGarden(tap.gardenId);
  await sequelize.transaction(async (transaction) => {
    if (body.nozzle !== tap.nozzle) {
      await FindingRow.create(
        {
          gardenId: tap.gardenId,
          bedId: null,
          tapId: tap.id,
          kind: 'changed',
          date: todayOf(garden, wall),
          at: wall.now(),
          method: null,
          input: JSON.stringify({ kind: 'changed', what: 'nozzle' }),
          note: null,
        },
        { transaction },
      );
    }
    await tap.update({ name: body.name, nozzle: body.nozzle }, { transaction });
  });
}

/** Says whose ground a bed shares and which tap it draws from. */
export async function linkBed(bed: Bed, links: BedLinks): Promise<void> {
  if (links.groundOf !== undefined && links.groundOf !== null) {
    const other = await Bed.findByPk(links.groundOf);
    if (!other || other.gardenId !== bed.gardenId || other.id === bed.id) {
      throw new Refusal(
        'invalid',
        `Ground must be that of another bed of this garden; got ${links.groundOf}`,
        'groundOf',
      );
    }
    const root = other.groundOf ?? other.id;
    if (root === bed.id) {
      throw new Refusal('conflict', `${other.name} already shares the ground of ${bed.name}.`, 'groundOf');
    }
    await Bed.update({ groundOf: root }, { where: { groundOf: bed.id } });
    await bed.update({ groundOf: root });
  } else if (links.groundOf === null) await bed.update({ groundOf: null });
  if (links.tapId !== undefined) {
    if (links.tapId !== null && (await findTap(links.tapId)).gardenId !== bed.gardenId) {
      throw new Refusal('invalid', `Tap must be one of this garden; got ${links.tapId}`, 'tapId');
    }
    await bed.update({ tapId: links.tapId });
  }
}
