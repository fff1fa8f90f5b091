import {
  gardenLimits,
  isShared,
  type GardenLimits,
  type BedBody,
  type BedLinks,
  type BedView,
  type FindingView,
  type GardenBody,
  type GardenView,
  type OwnCropBody,
  type PlantingBody,
  type TapBody,
  type TapView,
} from '@kibble/contract';
import { checkPlantings } from '@kibble/core';
import type { Sequelize, Transaction } from 'sequelize';
import { Bed, Delivery, FindingRow, Garden, OwnCrop, Planting, Tap } from '../db/models.ts';
import { read, Refusal } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';
import { findingToView } from './findingView.ts';
import { bedToView, currentPlanting, ownCropEntry } from './bedView.ts';

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
      longitudeDeg: body.longitudeDeg ?? null,
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
  place: body.place || null,
  goal: body.goal,
  rank: body.rank ?? null,
  shadeCloth: body.shadeCloth,
  lengthM: body.lengthM ?? null,
  widthM: body.widthM ?? null,
  notes: body.notes,
});

/** Adds a bed with its planting and delivery: all of them, or none. */
export async function createBed(gardenId: number, body: BedBody, transaction: Transaction): Promise<Bed> {
  await checkCrop(gardenId, body.planting.cropId, transaction);
  const position = await Bed.count({ where: { gardenId }, transaction });
  const mulchLaidOn = body.mulchMm ? body.planting.plantedOn : null;
  const bed = await Bed.create({ gardenId, position, mulchLaidOn, ...bedColumns(body) }, { transaction });
  await Planting.create({ bedId: bed.id, ...plantingColumns(body.planting) }, { transaction });
  await Delivery.create({ bedId: bed.id, ...body.delivery }, { transaction });
  return bed;
}

export const limitsOf = (garden: Garden): GardenLimits =>
  read(gardenLimits, JSON.parse(garden.limits || '{}'));

const plantingColumns = (body: PlantingBody) => ({
  cropId: body.cropId,
  plantedOn: body.plantedOn,
  endedOn: body.endedOn ?? null,
  method: body.method ?? null,
  share: body.share,
  school: body.school ?? null,
});

/** The school chosen, and the day on which it became another. */
function schoolColumns(
  body: PlantingBody,
  known: Planting | undefined,
  today: string,
): { school: string | null; schoolSince: string | null } {
  const was = known?.school ?? null;
  const school = body.school === undefined ? was : body.school;
  return { school, schoolSince: school === was ? (known?.schoolSince ?? null) : school && today };
}

/** A plant of the garden's own must be there. */
async function checkCrop(gardenId: number, cropId: string, transaction?: Transaction): Promise<void> {
  if (!cropId.startsWith('own-')) return;
  const own = await OwnCrop.findOne({ where: { id: Number(cropId.slice(4)), gardenId }, transaction });
  if (!own)
    throw new Refusal(
      'invalid',
      `Crop must be one of this garden's plants; got "${cropId}"`,
      'planting.cropId',
    );
}

/** Refuses plantings of a bed that cannot stand together, in words. */
function checkTogether(
  plantings: readonly { cropId: string; plantedOn: string; endedOn: string | null; share: number }[],
): void {
  checkPlantings(
    plantings.map(({ cropId, plantedOn, endedOn, share }) => ({
      cropId,
      plantedOn,
      endedOn: endedOn ?? undefined,
      share,
    })),
  );
}

const standingOf = (bedId: number): Promise<Planting[]> =>
  Planting.findAll({ where: { bedId, removedAt: null }, order: ['plantedOn', 'id'] });

/** Changes a bed, the planting that stands on it `today`, and its delivery together. */
export async function changeBed(bed: Bed, body: BedBody, today: string, sequelize: Sequelize): Promise<void> {
  await checkCrop(bed.gardenId, body.planting.cropId);
  const plantings = await standingOf(bed.id);
  const current = currentPlanting(plantings, today);
  const changed = {
    ...plantingColumns({ ...body.planting, endedOn: body.planting.endedOn ?? current?.endedOn }),
    // A form that knows nothing of schools leaves the one that was chosen.
    ...schoolColumns(body.planting, current, today),
  };
  checkTogether(plantings.map((p) => (p.id === current?.id ? changed : p)));
  const first = [changed, ...plantings.filter((p) => p.id !== current?.id)].map((p) => p.plantedOn).sort()[0];
  const mulchChanged =
    (body.mulchMm ?? null) !== bed.mulchMm || (body.mulchMaterial ?? null) !== bed.mulchMaterial;
  await sequelize.transaction(async (transaction) => {
    await bed.update(
      {
        ...bedColumns(body),
        startOn: first ?? body.planting.plantedOn,
        ...(mulchChanged ? { mulchLaidOn: body.mulchMm ? today : null } : {}),
      },
      { transaction },
    );
    if (current) await Planting.update(changed, { where: { id: current.id }, transaction });
    else await Planting.create({ bedId: bed.id, ...changed }, { transaction });
    await Delivery.update(body.delivery, { where: { bedId: bed.id }, transaction });
  });
}

/** Adds a planting to a bed, or changes one. */
export async function savePlanting(
  bed: Bed,
  plantingId: number | null,
  body: PlantingBody,
  today: string,
): Promise<number> {
  await checkCrop(bed.gardenId, body.cropId);
  const plantings = await standingOf(bed.id);
  const known = plantings.find((p) => p.id === plantingId);
  const columns = {
    ...plantingColumns(body),
    ...schoolColumns(body, known, today),
  };
  if (plantingId !== null && !plantings.some((p) => p.id === plantingId))
    throw new Refusal('not-found', `There is no planting ${plantingId} on ${bed.name}.`);
  checkTogether(
    plantingId === null ? [...plantings, columns] : plantings.map((p) => (p.id === plantingId ? columns : p)),
  );
  const saved =
    plantingId === null
      ? await Planting.create({ bedId: bed.id, ...columns })
      : await Planting.update(columns, { where: { id: plantingId } }).then(() => ({ id: plantingId }));
  await startWithFirst(bed);
  return saved.id;
}

/** Takes a planting off the record, or brings it back where it still fits. */
export async function markPlanting(plantingId: number, removedAt: Date | null): Promise<void> {
  const planting = await Planting.findByPk(plantingId);
  if (!planting) throw new Refusal('not-found', `There is no planting ${plantingId}.`);
  const others = (await standingOf(planting.bedId)).filter((p) => p.id !== plantingId);
  if (removedAt === null) checkTogether([...others, planting]);
  else if (others.length === 0)
    throw new Refusal(
      'conflict',
      'A bed keeps its last planting; give it the day it was cleared instead.',
      'plantingId',
    );
  await planting.update({ removedAt });
  const { bed } = await findBed(planting.bedId);
  await startWithFirst(bed);
}

/** A bed's balance begins with its first planting. */
async function startWithFirst(bed: Bed): Promise<void> {
  const [first] = await standingOf(bed.id);
  if (first && first.plantedOn !== bed.startOn) await bed.update({ startOn: first.plantedOn });
}

/** More beds like one: its ground, plants and water, not its log; its ground tests are shared. */
export async function copyBed(bed: Bed, count: number, sequelize: Sequelize): Promise<number[]> {
  const plantings = await standingOf(bed.id);
  const delivery = await Delivery.findOne({ where: { bedId: bed.id } });
  const names = new Set((await Bed.findAll({ where: { gardenId: bed.gardenId } })).map((b) => b.name));
  const base = bed.name.replace(/ \d+$/, '');
  const nextName = (): string => {
    let n = 2;
    while (names.has(`${base} ${n}`)) n += 1;
    names.add(`${base} ${n}`);
    return `${base} ${n}`;
  };
  return sequelize.transaction(async (transaction) => {
    let position = await Bed.count({ where: { gardenId: bed.gardenId }, transaction });
    const ids: number[] = [];
    for (let i = 0; i < count; i += 1) {
      const {
        id: _,
        name: _name,
        position: _position,
        archivedAt: _away,
        ...like
      } = bed.get({ plain: true });
      const copy = await Bed.create(
        {
          ...like,
          name: nextName(),
          position: position++,
          groundOf: bed.groundOf ?? bed.id,
          archivedAt: null,
        },
        { transaction },
      );
      for (const { cropId, plantedOn, endedOn, method, share, school } of plantings)
        await Planting.create(
          { bedId: copy.id, cropId, plantedOn, endedOn, method, share, school },
          { transaction },
        );
      if (delivery) {
        const { method, litresPerMinute, measured } = delivery;
        await Delivery.create({ bedId: copy.id, method, litresPerMinute, measured }, { transaction });
      }
      ids.push(copy.id);
    }
    return ids;
  });
}

export const addOwnCrop = async (garden: Garden, { likeId, ...words }: OwnCropBody): Promise<string> =>
  ownCropEntry(await OwnCrop.create({ gardenId: garden.id, likeId, words: JSON.stringify(words) })).id;

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
  const plantings = await Planting.findAll({
    where: { bedId: ids, removedAt: null },
    order: ['plantedOn', 'id'],
  });
  const ownCrops = (await OwnCrop.findAll({ where: { gardenId: garden.id }, order: ['id'] })).map(
    ownCropEntry,
  );
  const today = todayOf(garden, wall);
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
    longitudeDeg: garden.longitudeDeg ?? null,
    timeZone: garden.timeZone,
    units: garden.units,
    clockMode: garden.clockMode,
    today,
    isDemo: garden.isDemo,
    hasStation: garden.stationUrl !== null,
    limits: limitsOf(garden),
    beds: beds.map((bed) =>
      bedToView({
        bed,
        ground: beds.find((b) => b.id === bed.groundOf) ?? bed,
        plantings: plantings.filter((p) => p.bedId === bed.id),
        delivery: deliveries.find((d) => d.bedId === bed.id),
        findings: findings.filter((f) => concerns(f, bed, groundOf)),
        ownCrops,
        today,
      }),
    ),
    ownCrops,
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
