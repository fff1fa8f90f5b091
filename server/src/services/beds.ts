import { nextNames, type BedBody, type bedChange, type BedLinks, type BedView } from '@kibble/contract';
import { standingOn, type Setting } from '@kibble/core';
import { Op, type CreationAttributes } from 'sequelize';
import type { z } from 'zod';
import { Bed, EntryRow, Ground, Planting, Tap } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { append, ofBeds } from '../record/log.ts';
import { sinceOf, type WallClock } from './clock.ts';
import { checkVersion } from './edited.ts';
import { findBed } from './find.ts';
import { gardenToView } from './gardens.ts';
import { grouped } from './grouped.ts';
import { checkCrop } from './ownCrops.ts';
import { checkTogether, plantingColumns, plantingsOn, schoolColumns } from './plantings.ts';
import { firstSettingsOfAll, setSince, settingsOf, settingsToView } from './settings.ts';

type BedChange = z.infer<typeof bedChange>;

/** The day on which a bed's balance begins: with what grows there, or, where nothing does yet, as somebody says the ground is. */
export const firstDayOf = (
  { planting, wetnessOn }: Pick<BedBody, 'planting' | 'wetnessOn'>,
  today: string,
): string =>
  planting && planting.plantedOn <= today
    ? planting.plantedOn
    : wetnessOn && wetnessOn < today
      ? wetnessOn
      : today;

/** A bed's own columns; what of it may change is written down with its day. */
const bedColumns = (body: Omit<BedBody, 'kind'>) => ({
  name: body.name,
  startWetness: body.startWetness,
  wetnessOn: body.wetnessOn ?? null,
  place: body.place || null,
  rank: body.rank ?? null,
  lengthM: body.lengthM ?? null,
  widthM: body.widthM ?? null,
  notes: body.notes,
});

const groundColumns = (body: Pick<BedBody, 'textureClass' | 'subsoilClass'>) => ({
  textureClass: body.textureClass,
  subsoilClass: body.subsoilClass ?? null,
});

/** A bed about to be added, with what is planted on it and how it is from its first day on. */
interface NewBed {
  columns: Omit<CreationAttributes<Bed>, 'gardenId' | 'position'>;
  plantings: Omit<CreationAttributes<Planting>, 'bedId'>[];
  settings: Setting[];
}

/** Writes beds down behind those that are there: all of them with a few statements, however many they are. */
async function insertBeds(gardenId: number, beds: readonly NewBed[], at: Date): Promise<number[]> {
  const position = await Bed.count({ where: { gardenId } });
  const known = new Set(
    (await Bed.findAll({ where: { gardenId }, attributes: ['id'], raw: true })).map(({ id }) => id),
  );
  await Bed.bulkCreate(beds.map(({ columns }, i) => ({ ...columns, gardenId, position: position + i })));
  const all = await Bed.findAll({ where: { gardenId }, attributes: ['id'], order: ['id'], raw: true });
  const ids = all.map(({ id }) => id).filter((id) => !known.has(id));
  const withIds = beds.map((bed, i) => ({ ...bed, id: ids[i] ?? 0 }));
  await Planting.bulkCreate(
    withIds.flatMap(({ id, plantings }) => plantings.map((planting) => ({ ...planting, bedId: id }))),
  );
  await firstSettingsOfAll(
    withIds.map(({ id, columns, settings }) => ({ id, gardenId, startOn: columns.startOn, settings })),
    at,
  );
  return ids;
}

/** A bed that is told in full, and the tap it draws from. */
export interface ToldBed {
  body: BedBody;
  tapId: number | null;
  groundId: number;
}

/** A ground of its own for a bed. */
export const newGround = async (gardenId: number, body: BedBody): Promise<number> =>
  (await Ground.create({ gardenId, ...groundColumns(body) })).id;

/** Adds beds with their plantings where there are some and how they are watered: all of them, or none. */
export async function createBeds(
  gardenId: number,
  beds: readonly ToldBed[],
  today: string,
  at: Date,
): Promise<number[]> {
  for (const cropId of new Set(beds.map(({ body }) => body.planting?.cropId)))
    if (cropId !== undefined) await checkCrop(gardenId, cropId, 'planting.cropId');
  for (const { body } of beds)
    if (body.planting) checkTogether([plantingColumns(body.planting)], 'planting.');
  const ids = await insertBeds(
    gardenId,
    beds.map(({ body, tapId, groundId }) => ({
      columns: { groundId, kind: body.kind, ...bedColumns(body), startOn: firstDayOf(body, today) },
      plantings: body.planting ? [plantingColumns(body.planting)] : [],
      settings: [...settingsOf(body), { kind: 'tap', value: tapId }],
    })),
    at,
  );
  for (const [i, { body, groundId }] of beds.entries())
    if (body.fill)
      await append({
        gardenId,
        subject: { kind: 'ground', id: groundId },
        bedId: ids[i] ?? null,
        body: { kind: 'filled', ...body.fill },
        on: firstDayOf(body, today),
        at,
        method: body.delivery.method,
      });
  return ids;
}

/**
 * Of beds that are alike one each: of those that differ in nothing that a plan may fail at, one is enough to try.
 * @param by what may make a plan fail
 */
export function oneOfEach(ids: readonly number[], by: (id: number, i: number) => unknown[]): number[] {
  const numbered = ids.map((id, i) => ({ id, i }));
  const alike = grouped(numbered, ({ id, i }) => JSON.stringify(by(id, i)));
  return [...alike.values()].flatMap(([first]) => (first ? [first.id] : []));
}

/** Adds one bed, on ground of its own. */
export async function createBed(gardenId: number, body: BedBody, today: string, at: Date): Promise<Bed> {
  const groundId = await newGround(gardenId, body);
  const [id = 0] = await createBeds(gardenId, [{ body, tapId: null, groundId }], today, at);
  return (await findBed(id)).bed;
}

/** A bed as its form would send it, to lay beside what somebody else wants of it. */
const bedAsBody = (view: BedView, current: Planting | null) => ({
  ...view,
  planting: current && { ...current.get({ plain: true }), method: current.method ?? undefined },
});

const standingSettings = async (bed: Bed) =>
  settingsToView(
    await EntryRow.findAll({ where: { ...ofBeds(bed.id), sort: 'setting', removedAt: null }, raw: true }),
    bed.startOn,
    [],
  );

/** Changes a bed and the planting that stands on it `today`; what has been otherwise since a day holds from that day. Gives what was written down of that. */
export async function changeBed(
  bed: Bed,
  body: BedChange,
  today: string,
  wall: WallClock,
): Promise<number[]> {
  const plantings = await plantingsOn(bed.id);
  const current = standingOn(plantings, today) ?? plantings.at(-1) ?? null;
  const since = sinceOf(body.since, today);
  const { view } = await findBedView(bed.id, wall);
  const { since: _since, ...yours } = body;
  checkVersion(bed.name, body.version, bed.version, yours, bedAsBody(view, current));
  // A form of a bed on which nothing is planted says nothing of plants, and changes none.
  const changed = body.planting && {
    ...plantingColumns({ ...body.planting, endedOn: body.planting.endedOn ?? current?.endedOn }),
    // A form that knows nothing of schools leaves the one that was chosen.
    ...schoolColumns(body.planting, current ?? undefined, today),
  };
  const others = plantings.filter((p) => !changed || p.id !== current?.id);
  const all = changed ? [...others, changed] : others;
  if (changed) {
    await checkCrop(bed.gardenId, changed.cropId, 'planting.cropId');
    checkTogether(all, 'planting.');
  }
  const first = all.map((p) => p.plantedOn).sort()[0];
  const made = await setSince(bed, settingsOf(body), view.settings, since, wall.now(), today);
  await Ground.update(groundColumns(body), { where: { id: bed.groundId } });
  await bed.update({
    ...bedColumns(body),
    version: bed.version + 1,
    startOn: first && first <= today ? first : bed.startOn,
  });
  if (changed && current) await current.update({ ...changed, version: current.version + 1 });
  else if (changed) await Planting.create({ bedId: bed.id, ...changed });
  return made;
}

/** More beds like one: its ground, plants and water as they are now, not its log; its ground is theirs too. */
export async function copyBed(bed: Bed, count: number, today: string, at: Date): Promise<number[]> {
  const plantings = await plantingsOn(bed.id);
  const settings = await standingSettings(bed);
  const now = settings.filter(
    ({ setting, id }) =>
      settings.findLast((s) => s.setting.kind === setting.kind && s.from <= today)?.id === id,
  );
  const names = new Set((await Bed.findAll({ where: { gardenId: bed.gardenId } })).map((b) => b.name));
  const nextName = nextNames(bed.name, names);
  const { id: _, version: _v, archivedAt: _away, gardenId, position: _p, ...like } = bed.get({ plain: true });
  return insertBeds(
    gardenId,
    Array.from({ length: count }, () => ({
      columns: { ...like, name: nextName(), archivedAt: null },
      plantings: plantings.map(({ cropId, plantedOn, endedOn, method, share, school }) => ({
        cropId,
        plantedOn,
        endedOn,
        method,
        share,
        school,
      })),
      settings: now.map(({ setting }) => setting),
    })),
    at,
  );
}

/** Puts beds of a garden away at once: all of them, or none. */
export async function archiveBeds(
  gardenId: number,
  ids: readonly number[],
  archivedAt: Date | null,
): Promise<void> {
  const beds = await Bed.findAll({ where: { gardenId, id: [...ids] } });
  const missing = ids.find((id) => !beds.some((bed) => bed.id === id));
  if (missing !== undefined)
    throw new Refusal('not-found', `There is no bed ${missing} in this garden.`, 'ids');
  await Bed.update({ archivedAt }, { where: { gardenId, id: [...ids] } });
  await Bed.increment('version', { where: { gardenId, id: [...ids] } });
}

/** Puts a bed away, or brings it back. A bed is never deleted: what happened on it stays on record. */
export async function archiveBed(bed: Bed, archivedAt: Date | null): Promise<void> {
  await bed.update({ archivedAt, version: bed.version + 1 });
}

/** One bed as the garden shows it. */
export async function findBedView(id: number, wall: WallClock): Promise<{ view: BedView; today: string }> {
  const { garden } = await findBed(id);
  const { beds, today } = await gardenToView(garden, wall, [id]);
  const [view] = beds;
  if (!view) throw new Refusal('not-found', `There is no bed ${id}.`, 'bed');
  return { view, today };
}

/** Beds on the same ground as one, itself among them: a reading of the ground is one of theirs. */
export async function bedsOnGround(bed: Bed): Promise<number[]> {
  const beds = await Bed.findAll({ where: { groundId: bed.groundId }, attributes: ['id'], raw: true });
  return beds.map(({ id }) => id);
}

/** Says whose ground a bed shares, for all time, and from which day on it draws from another tap. */
export async function linkBed(bed: Bed, links: BedLinks, today: string, wall: WallClock): Promise<void> {
  const { version, since: told, ...yours } = links;
  const { view } = await findBedView(bed.id, wall);
  const shared = await Bed.findOne({
    where: { groundId: bed.groundId, id: { [Op.ne]: bed.id } },
    order: ['position', 'id'],
  });
  checkVersion(bed.name, version, bed.version, yours, { groundOf: shared?.id ?? null, tapId: view.tapId });
  const since = sinceOf(told, today);
  if (links.groundOf !== undefined && links.groundOf !== null) {
    const other = await Bed.findByPk(links.groundOf);
    if (!other || other.gardenId !== bed.gardenId || other.id === bed.id)
      throw new Refusal(
        'invalid',
        `Ground must be that of another bed of this garden; got ${links.groundOf}`,
        'groundOf',
      );
    await bed.update({ groundId: other.groundId });
  } else if (links.groundOf === null && shared) {
    const was = await Ground.findByPk(bed.groundId);
    const ground = await Ground.create({
      gardenId: bed.gardenId,
      textureClass: was?.textureClass ?? view.textureClass,
      subsoilClass: was?.subsoilClass ?? null,
    });
    await bed.update({ groundId: ground.id });
  }
  if (links.tapId !== undefined) {
    const tap = links.tapId === null ? null : await Tap.findByPk(links.tapId);
    if (links.tapId !== null && tap?.gardenId !== bed.gardenId)
      throw new Refusal('invalid', `Tap must be one of this garden; got ${links.tapId}`, 'tapId');
    await setSince(bed, [{ kind: 'tap', value: links.tapId }], view.settings, since, wall.now(), today);
  }
  await bed.update({ version: bed.version + 1 });
}
