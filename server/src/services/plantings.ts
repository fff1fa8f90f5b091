import { PLANNED_DAYS, type BedBody, type PlantingBody, type plantingChange } from '@kibble/contract';
import { addDays, CATALOGUE, checkPlantings, isWoody, mayNotTake } from '@kibble/core';
import type { z } from 'zod';
import { Planting, type Bed } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';
import { checkVersion } from './edited.ts';
import { findBed } from './find.ts';
import { checkCrop, ownCropOf } from './ownCrops.ts';

export const plantingColumns = (body: PlantingBody) => ({
  cropId: body.cropId,
  plantedOn: body.plantedOn,
  endedOn: body.endedOn ?? null,
  method: body.method ?? null,
  share: body.share,
  school: body.school ?? null,
});

/** The school chosen, and the day on which it became another. */
export function schoolColumns(
  body: PlantingBody,
  known: Planting | undefined,
  today: string,
): { school: string | null; schoolSince: string | null } {
  const was = known?.school ?? null;
  const school = body.school === undefined ? was : body.school;
  return { school, schoolSince: school === was ? (known?.schoolSince ?? null) : school && today };
}

/** Refuses plantings of a bed that cannot stand together, in words. */
export function checkTogether(
  plantings: readonly { cropId: string; plantedOn: string; endedOn: string | null; share: number }[],
  prefix = '',
): void {
  refusing(
    () =>
      checkPlantings(
        plantings.map(({ cropId, plantedOn, endedOn, share }) => ({
          cropId,
          plantedOn,
          endedOn: endedOn ?? undefined,
          share,
        })),
      ),
    prefix,
  );
}

export const plantingsOn = (bedId: number): Promise<Planting[]> =>
  Planting.findAll({ where: { bedId, removedAt: null }, order: ['plantedOn', 'id'] });

/** A way of watering is chosen only where what stands there bears it. */
async function checkSchool({ gardenId }: Bed, body: PlantingBody, today: string): Promise<void> {
  const { school, cropId, plantedOn, method } = body;
  if (!school) return;
  const custom = await ownCropOf(gardenId, cropId);
  const why = mayNotTake(school, { cropId, plantedOn, method, custom }, today);
  if (why !== null)
    throw new Refusal(
      'invalid',
      `Way of watering must suit the crop; got “${school}”, but ${why}.`,
      'school',
    );
}

/** Adds a planting to a bed, or changes one. */
export async function savePlanting(
  bed: Bed,
  plantingId: number | null,
  body: z.infer<typeof plantingChange>,
  today: string,
): Promise<number> {
  await checkCrop(bed.gardenId, body.cropId, 'cropId');
  const plantings = await plantingsOn(bed.id);
  const known = plantings.find((p) => p.id === plantingId);
  const columns = { ...plantingColumns(body), ...schoolColumns(body, known, today) };
  if (columns.school !== (known?.school ?? null)) await checkSchool(bed, body, today);
  if (plantingId !== null && !known)
    throw new Refusal('not-found', `There is no planting ${plantingId} on ${bed.name}.`, 'planting');
  if (known) {
    const { version, ...yours } = body;
    checkVersion(`This planting of ${bed.name}`, version, known.version, yours, {
      ...known.get({ plain: true }),
      method: known.method ?? undefined,
    });
  }
  checkTogether(known ? plantings.map((p) => (p.id === plantingId ? columns : p)) : [...plantings, columns]);
  const saved = known
    ? await known.update({ ...columns, version: known.version + 1 })
    : await Planting.create({ bedId: bed.id, ...columns });
  await startWithFirst(bed, today);
  return saved.id;
}

/** Whether a tree, a shrub or a hedge of the catalogue stands there. */
const isTree = ({ cropId }: Planting): boolean => {
  const crop = CATALOGUE.find(({ id }) => id === cropId);
  return crop !== undefined && isWoody(crop);
};

/** Takes a planting off the record, or brings it back where it still fits. Gives the bed it is on. */
export async function markPlanting(
  plantingId: number,
  removedAt: Date | null,
  wall: WallClock,
): Promise<Bed> {
  const planting = await Planting.findByPk(plantingId);
  if (!planting) throw new Refusal('not-found', `There is no planting ${plantingId}.`, 'planting');
  const others = (await plantingsOn(planting.bedId)).filter((p) => p.id !== plantingId);
  if (removedAt === null) checkTogether([...others, planting]);
  else if (others.length === 0 && isTree(planting))
    throw new Refusal(
      'conflict',
      'A place of trees or shrubs keeps its last plant; give it the day it was cleared instead.',
      'plantingId',
    );
  await planting.update({ removedAt, version: planting.version + 1 });
  const { bed, garden } = await findBed(planting.bedId);
  await startWithFirst(bed, todayOf(garden, wall));
  return bed;
}

/** A bed's balance begins with its first planting; until there is one that stands, with the day on which the bed was begun. */
export async function startWithFirst(bed: Bed, today: string): Promise<void> {
  const [first] = await plantingsOn(bed.id);
  const startOn = first && first.plantedOn <= today ? first.plantedOn : bed.startOn;
  await bed.update({ startOn, version: bed.version + 1 });
}

/** A planting lies in the past, or at most a year ahead. */
export function checkPlantedBy(body: Pick<BedBody, 'planting'>, today: string, prefix = ''): void {
  const latest = addDays(today, PLANNED_DAYS);
  if (body.planting && body.planting.plantedOn > latest) {
    throw new Refusal(
      'invalid',
      `Planting date must be ${latest} (a year from today at this garden) or earlier; got ${body.planting.plantedOn}`,
      `${prefix}planting.plantedOn`,
    );
  }
}
