import type { bedsChange, BedsChanged, BedView } from '@kibble/contract';
import { CATALOGUE, isWoody, type Setting } from '@kibble/core';
import type { z } from 'zod';
import { Bed, EntryRow, Ground, Planting, Tap, type Garden } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { ofBeds } from '../record/log.ts';
import { oneOfEach } from './beds.ts';
import { sinceOf, todayOf, type WallClock } from './clock.ts';
import { gardenToView } from './gardens.ts';
import { checkCrop } from './ownCrops.ts';
import { checkPlantedBy, checkTogether, plantingColumns, plantingsOn, startWithFirst } from './plantings.ts';
import { setSince, takeBackSettings } from './settings.ts';

type Change = z.infer<typeof bedsChange>;

/** Everything a change is made with. */
interface Making {
  garden: Garden;
  beds: readonly Bed[];
  views: ReadonlyMap<number, BedView>;
  today: string;
  since: string;
  wall: WallClock;
}

const nothing = (ids: readonly number[]): BedsChanged => ({
  ids: [...ids],
  entries: [],
  grounds: [],
  places: [],
  begun: [],
  planted: [],
  cleared: [],
});

/** The setting that a change comes to, where it is one that holds from a day on. */
function settingOfChange(change: Change): Setting | null {
  switch (change.what) {
    case 'tap':
      return { kind: 'tap', value: change.tapId };
    case 'form':
      return { kind: 'form', value: change.form };
    case 'mulch':
      return { kind: 'mulched', value: change.mulch };
    case 'method':
      return { kind: 'watered', value: change.delivery };
    default:
      return null;
  }
}

/** A refusal about one of many beds names it. */
async function ofBed<T>(bed: Bed, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    throw new Refusal(error.code, `${bed.name}: ${error.message}`, undefined, error.facts);
  }
}

/** The soil of beds: of a ground that others share it is changed for the chosen ones alone, which then share a ground of their own. */
async function changeSoil({ beds }: Making, textureClass: string): Promise<BedsChanged['grounds']> {
  const before: BedsChanged['grounds'] = [];
  for (const groundId of new Set(beds.map((bed) => bed.groundId))) {
    const ground = await Ground.findByPk(groundId);
    if (!ground) continue;
    const chosen = beds.filter((bed) => bed.groundId === groundId);
    const was = {
      groundId,
      textureClass: ground.textureClass as BedsChanged['grounds'][number]['textureClass'],
    };
    before.push(...chosen.map((bed) => ({ bedId: bed.id, ...was })));
    if ((await Bed.count({ where: { groundId } })) === chosen.length) await ground.update({ textureClass });
    else {
      const { id } = await Ground.create({
        gardenId: ground.gardenId,
        textureClass,
        subsoilClass: ground.subsoilClass,
      });
      await Bed.update({ groundId: id }, { where: { id: chosen.map((bed) => bed.id) } });
    }
  }
  return before;
}

const isTree = (cropId: string): boolean => {
  const crop = CATALOGUE.find(({ id }) => id === cropId);
  return crop !== undefined && isWoody(crop);
};

/** Plants beds; what stands there on the first day makes room for it. */
async function plant(
  { garden, beds, today }: Making,
  { plantings, clear }: Extract<Change, { what: 'crop' }>,
): Promise<Pick<BedsChanged, 'begun' | 'planted' | 'cleared'>> {
  for (const planting of plantings) {
    await checkCrop(garden.id, planting.cropId, 'change.plantings');
    checkPlantedBy({ planting }, today, 'change.');
  }
  const first = plantings.map(({ plantedOn }) => plantedOn).sort()[0] ?? today;
  const begun = beds.map(({ id, startOn }) => ({ bedId: id, startOn }));
  const planted: number[] = [];
  const cleared: BedsChanged['cleared'] = [];
  for (const bed of beds)
    await ofBed(bed, async () => {
      const standing = await plantingsOn(bed.id);
      const over = standing.filter(
        ({ plantedOn, endedOn }) => plantedOn < first && (endedOn === null || endedOn > first),
      );
      if (clear)
        for (const planting of over) {
          if (isTree(planting.cropId))
            throw new Refusal(
              'conflict',
              'Trees and shrubs stand there, which are not cleared for a crop.',
              'ids',
            );
          cleared.push({ id: planting.id, endedOn: planting.endedOn ?? null });
          await planting.update({ endedOn: first, version: planting.version + 1 });
        }
      const columns = plantings.map(plantingColumns);
      checkTogether([...standing, ...columns]);
      for (const each of columns) planted.push((await Planting.create({ bedId: bed.id, ...each })).id);
      await startWithFirst(bed, today);
    });
  return { begun, planted, cleared };
}

async function making(
  garden: Garden,
  ids: readonly number[],
  told: string | undefined,
  wall: WallClock,
): Promise<Making> {
  const beds = await Bed.findAll({ where: { gardenId: garden.id, id: [...ids], archivedAt: null } });
  const missing = ids.find((id) => !beds.some((bed) => bed.id === id));
  if (missing !== undefined)
    throw new Refusal('not-found', `There is no bed ${missing} in this garden.`, 'ids');
  const { beds: views } = await gardenToView(garden, wall, ids);
  const today = todayOf(garden, wall);
  return {
    garden,
    beds,
    views: new Map(views.map((view) => [view.id, view])),
    today,
    since: sinceOf(told, today),
    wall,
  };
}

/** Changes one thing on many beds: on all of them, or on none. Gives what undoes it, and of beds that are alike one each. */
export async function changeBeds(
  garden: Garden,
  { ids, change, since }: { ids: readonly number[]; change: Change; since?: string },
  wall: WallClock,
): Promise<{ changed: BedsChanged; oneOfEach: number[] }> {
  const all = await making(garden, ids, since, wall);
  const { beds, views, today } = all;
  const changed = nothing(ids);
  if (change.what === 'tap' && change.tapId !== null) {
    const tap = await Tap.findByPk(change.tapId);
    if (tap?.gardenId !== garden.id)
      throw new Refusal('invalid', `Tap must be one of this garden; got ${change.tapId}`, 'change.tapId');
  }
  const setting = settingOfChange(change);
  if (setting)
    for (const bed of beds)
      changed.entries.push(
        ...(await setSince(bed, [setting], views.get(bed.id)?.settings ?? [], all.since, wall.now(), today)),
      );
  else if (change.what === 'soil') changed.grounds = await changeSoil(all, change.textureClass);
  else if (change.what === 'place') {
    changed.places = beds.map(({ id, place }) => ({ bedId: id, place: place ?? null }));
    await Bed.update({ place: change.place || null }, { where: { id: [...ids] } });
  } else if (change.what === 'crop') Object.assign(changed, await plant(all, change));
  await Bed.increment('version', { where: { gardenId: garden.id, id: [...ids] } });
  const alike = oneOfEach(ids, (id) => {
    const view = views.get(id);
    return [view?.groundId, view?.tapId, view?.planting?.cropId, view?.delivery.method, view?.form];
  });
  return { changed, oneOfEach: alike };
}

/** Undoes a change of many beds: all of it, or nothing. */
export async function undoChangeOfBeds(garden: Garden, was: BedsChanged, wall: WallClock): Promise<void> {
  const { beds } = await making(garden, was.ids, undefined, wall);
  const mine = new Set(beds.map(({ id }) => id));
  const entries = await EntryRow.count({
    where: { ...ofBeds([...mine]), id: was.entries, gardenId: garden.id, sort: 'setting' },
  });
  if (entries !== new Set(was.entries).size)
    throw new Refusal('not-found', 'Some of these entries are not of the beds that were changed.', 'entries');
  if (was.entries.length > 0) await takeBackSettings(was.entries, wall.now());
  for (const { bedId, groundId, textureClass } of was.grounds.filter((one) => mine.has(one.bedId))) {
    await Ground.update({ textureClass }, { where: { id: groundId, gardenId: garden.id } });
    await Bed.update({ groundId }, { where: { id: bedId } });
  }
  for (const { bedId, place } of was.places.filter((one) => mine.has(one.bedId)))
    await Bed.update({ place: place || null }, { where: { id: bedId } });
  const ofMine = { bedId: [...mine] };
  await Planting.update({ removedAt: wall.now() }, { where: { id: was.planted, ...ofMine } });
  for (const { id, endedOn } of was.cleared) await Planting.update({ endedOn }, { where: { id, ...ofMine } });
  for (const { bedId, startOn } of was.begun.filter((one) => mine.has(one.bedId)))
    await Bed.update({ startOn }, { where: { id: bedId } });
  await Bed.increment('version', { where: { gardenId: garden.id, id: [...mine] } });
}
