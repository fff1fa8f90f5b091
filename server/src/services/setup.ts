import {
  isShared,
  type GardenLimits,
  type BedBody,
  type bedChange,
  type BedLinks,
  type BedView,
  type FindingView,
  type GardenBody,
  type GardenPatch,
  type GardenView,
  type OwnCropBody,
  type PlantingBody,
  type plantingChange,
  type TapBody,
  type TapView,
} from '@kibble/contract';
import { checkPlantings } from '@kibble/core';
import type { z } from 'zod';
import { Bed, Delivery, FindingRow, Garden, OwnCrop, Planting, Tap } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { checkVersion } from './edited.ts';
import { setClock, todayOf, type WallClock } from './clock.ts';
import { findingsToView, type SetAside } from './findingView.ts';
import { bedToView, currentPlanting, ownCropEntries, ownCropEntry } from './bedView.ts';

type BedChange = z.infer<typeof bedChange>;

/** Share of the available water in the ground by what the gardener remembers of its first day. Judgement. */
export const START_FULLNESS: Readonly<Record<string, number>> = { soaked: 1, moist: 0.65, dry: 0.2 };

export async function createGarden(
  body: GardenBody,
  options: { stationUrl?: string; isDemo?: boolean } = {},
): Promise<Garden> {
  return Garden.create({
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
  });
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
export async function createBed(gardenId: number, body: BedBody): Promise<Bed> {
  await checkCrop(gardenId, body.planting.cropId, 'planting.cropId');
  checkTogether([plantingColumns(body.planting)], 'planting.');
  const position = await Bed.count({ where: { gardenId } });
  const mulchLaidOn = body.mulchMm ? body.planting.plantedOn : null;
  const bed = await Bed.create({ gardenId, position, mulchLaidOn, ...bedColumns(body) });
  await Planting.create({ bedId: bed.id, ...plantingColumns(body.planting) });
  await Delivery.create({ bedId: bed.id, ...body.delivery });
  return bed;
}

/** A garden's limits as they stand on record; what cannot be read any more is no limit, and said to be so. */
function limitsOf(garden: Garden, setAside: SetAside[]): GardenLimits {
  try {
    const limits = JSON.parse(garden.limits || '{}') as unknown;
    if (typeof limits === 'object' && limits !== null) return limits as GardenLimits;
  } catch {
    // Told below.
  }
  setAside.push({ what: 'the limits of the garden', id: garden.id, why: 'their text is not understood' });
  return {};
}

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
async function checkCrop(gardenId: number, cropId: string, field: string): Promise<void> {
  if (!cropId.startsWith('own-')) return;
  const own = await OwnCrop.findOne({ where: { id: Number(cropId.slice(4)), gardenId } });
  if (!own) throw new Refusal('invalid', `Crop must be one of this garden's plants; got "${cropId}"`, field);
}

/** Refuses plantings of a bed that cannot stand together, in words. */
function checkTogether(
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

const standingOf = (bedId: number): Promise<Planting[]> =>
  Planting.findAll({ where: { bedId, removedAt: null }, order: ['plantedOn', 'id'] });

/** A bed as its form would send it, to lay beside what somebody else wants of it. */
const bedAsBody = (bed: Bed, current: Planting | undefined, delivery: Delivery | null) => ({
  ...bed.get({ plain: true }),
  planting: current && { ...current.get({ plain: true }), method: current.method ?? undefined },
  delivery: delivery?.get({ plain: true }),
});

/** Changes a bed, the planting that stands on it `today`, and its delivery together. */
export async function changeBed(bed: Bed, body: BedChange, today: string): Promise<void> {
  const plantings = await standingOf(bed.id);
  const current = currentPlanting(plantings, today);
  const delivery = await Delivery.findOne({ where: { bedId: bed.id } });
  checkVersion(bed.name, body.version, bed.version, body, bedAsBody(bed, current, delivery));
  await checkCrop(bed.gardenId, body.planting.cropId, 'planting.cropId');
  const changed = {
    ...plantingColumns({ ...body.planting, endedOn: body.planting.endedOn ?? current?.endedOn }),
    // A form that knows nothing of schools leaves the one that was chosen.
    ...schoolColumns(body.planting, current, today),
  };
  checkTogether(
    plantings.map((p) => (p.id === current?.id ? changed : p)),
    'planting.',
  );
  const first = [changed, ...plantings.filter((p) => p.id !== current?.id)].map((p) => p.plantedOn).sort()[0];
  const mulchChanged =
    (body.mulchMm ?? null) !== bed.mulchMm || (body.mulchMaterial ?? null) !== bed.mulchMaterial;
  await bed.update({
    ...bedColumns(body),
    version: bed.version + 1,
    startOn: first ?? body.planting.plantedOn,
    ...(mulchChanged ? { mulchLaidOn: body.mulchMm ? today : null } : {}),
  });
  if (current) await current.update({ ...changed, version: current.version + 1 });
  else await Planting.create({ bedId: bed.id, ...changed });
  if (delivery) await delivery.update(body.delivery);
  else await Delivery.create({ bedId: bed.id, ...body.delivery });
}

/** Adds a planting to a bed, or changes one. */
export async function savePlanting(
  bed: Bed,
  plantingId: number | null,
  body: z.infer<typeof plantingChange>,
  today: string,
): Promise<number> {
  await checkCrop(bed.gardenId, body.cropId, 'cropId');
  const plantings = await standingOf(bed.id);
  const known = plantings.find((p) => p.id === plantingId);
  const columns = {
    ...plantingColumns(body),
    ...schoolColumns(body, known, today),
  };
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
  await startWithFirst(bed);
  return saved.id;
}

/** Takes a planting off the record, or brings it back where it still fits. Gives the bed it is on. */
export async function markPlanting(plantingId: number, removedAt: Date | null): Promise<number> {
  const planting = await Planting.findByPk(plantingId);
  if (!planting) throw new Refusal('not-found', `There is no planting ${plantingId}.`, 'planting');
  const others = (await standingOf(planting.bedId)).filter((p) => p.id !== plantingId);
  if (removedAt === null) checkTogether([...others, planting]);
  else if (others.length === 0)
    throw new Refusal(
      'conflict',
      'A bed keeps its last planting; give it the day it was cleared instead.',
      'plantingId',
    );
  await planting.update({ removedAt, version: planting.version + 1 });
  const { bed } = await findBed(planting.bedId);
  await startWithFirst(bed);
  return bed.id;
}

/** A bed's balance begins with its first planting. */
async function startWithFirst(bed: Bed): Promise<void> {
  const [first] = await standingOf(bed.id);
  await bed.update({ startOn: first?.plantedOn ?? bed.startOn, version: bed.version + 1 });
}

/** Longest name of a bed, letters; as the contract has it. */
const NAME_LETTERS = 80;

/** More beds like one: its ground, plants and water, not its log; its ground tests are shared. */
export async function copyBed(bed: Bed, count: number): Promise<number[]> {
  const plantings = await standingOf(bed.id);
  const delivery = await Delivery.findOne({ where: { bedId: bed.id } });
  const names = new Set((await Bed.findAll({ where: { gardenId: bed.gardenId } })).map((b) => b.name));
  const base = bed.name.replace(/ \d+$/, '');
  const nextName = (): string => {
    for (let n = 2; ; n += 1) {
      const name = `${base.slice(0, NAME_LETTERS - String(n).length - 1)} ${n}`;
      if (names.has(name)) continue;
      names.add(name);
      return name;
    }
  };
  let position = await Bed.count({ where: { gardenId: bed.gardenId } });
  const ids: number[] = [];
  for (let i = 0; i < count; i += 1) {
    const {
      id: _,
      name: _name,
      position: _position,
      archivedAt: _away,
      version: _v,
      ...like
    } = bed.get({
      plain: true,
    });
    const copy = await Bed.create({
      ...like,
      name: nextName(),
      position: position++,
      groundOf: bed.groundOf ?? bed.id,
      archivedAt: null,
    });
    for (const { cropId, plantedOn, endedOn, method, share, school } of plantings)
      await Planting.create({ bedId: copy.id, cropId, plantedOn, endedOn, method, share, school });
    if (delivery) {
      const { method, litresPerMinute, measured } = delivery;
      await Delivery.create({ bedId: copy.id, method, litresPerMinute, measured });
    }
    ids.push(copy.id);
  }
  return ids;
}

/** Puts a bed away, or brings it back. A bed is never deleted: what happened on it stays on record. */
export async function archiveBed(bed: Bed, archivedAt: Date | null): Promise<void> {
  await bed.update({ archivedAt, version: bed.version + 1 });
}

export async function addOwnCrop(garden: Garden, { likeId, ...words }: OwnCropBody): Promise<string> {
  const row = await OwnCrop.create({ gardenId: garden.id, likeId, words: JSON.stringify(words) });
  return refusing(() => ownCropEntry(row)).id;
}

export async function findGarden(id: number): Promise<Garden> {
  const garden = await Garden.findByPk(id);
  if (!garden) throw new Refusal('not-found', `There is no garden ${id}.`, 'garden');
  return garden;
}

export async function findBed(id: number): Promise<{ bed: Bed; garden: Garden }> {
  const bed = await Bed.findByPk(id);
  if (!bed) throw new Refusal('not-found', `There is no bed ${id}.`, 'bed');
  return { bed, garden: await findGarden(bed.gardenId) };
}

/** A planting lies in the past or today: a plan cannot water what is not there. */
export function checkPlantedBy(body: BedBody, today: string, prefix = ''): void {
  if (body.planting.plantedOn > today) {
    throw new Refusal(
      'invalid',
      `Planting date must be ${today} (today at this garden) or earlier; got ${body.planting.plantedOn}`,
      `${prefix}planting.plantedOn`,
    );
  }
}

/** A garden as it is shown; with `onlyBed`, of its beds that one alone. */
export async function gardenToView(garden: Garden, wall: WallClock, onlyBed?: number): Promise<GardenView> {
  const setAside: SetAside[] = [];
  const where = { gardenId: garden.id };
  const [beds, ownRows, taps, findingRows] = await Promise.all([
    Bed.findAll({ where, order: ['position', 'id'] }),
    OwnCrop.findAll({ where, order: ['id'] }),
    Tap.findAll({ where, order: ['id'] }),
    FindingRow.findAll({
      where: { ...where, removedAt: null },
      order: [
        ['date', 'DESC'],
        ['id', 'DESC'],
      ],
    }),
  ]);
  const bedId = onlyBed ?? beds.map((bed) => bed.id);
  const [plantings, deliveries] = await Promise.all([
    Planting.findAll({ where: { bedId, removedAt: null }, order: ['plantedOn', 'id'] }),
    Delivery.findAll({ where: { bedId } }),
  ]);
  const ownCrops = ownCropEntries(ownRows, setAside);
  const findings = findingsToView(findingRows, setAside);
  const today = todayOf(garden, wall);
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
    version: garden.version,
    limits: limitsOf(garden, setAside),
    setAside,
    beds: beds
      .filter((bed) => onlyBed === undefined || bed.id === onlyBed)
      .map((bed) =>
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
  version: tap.version,
  gardenId: tap.gardenId,
  name: tap.name,
  nozzle: tap.nozzle,
  archived: Boolean(tap.archivedAt),
  findings: findings.filter((f) => f.tapId === tap.id),
});

/** One bed as the garden shows it. */
export async function findBedView(id: number, wall: WallClock): Promise<{ view: BedView; today: string }> {
  const { garden } = await findBed(id);
  const view = await gardenToView(garden, wall, id);
  const [bed] = view.beds;
  if (!bed) throw new Refusal('not-found', `There is no bed ${id}.`, 'bed');
  return { view: bed, today: view.today };
}

export async function findTap(id: number): Promise<Tap> {
  const tap = await Tap.findByPk(id);
  if (!tap) throw new Refusal('not-found', `There is no tap ${id}.`, 'tap');
  return tap;
}

export const addTap = async (garden: Garden, body: TapBody): Promise<Tap> =>
  Tap.create({ gardenId: garden.id, name: body.name, nozzle: body.nozzle });

/** Changes a tap's entry. Another nozzle spoils the flow measured with the old one, and that is written down. */
export async function changeTap(tap: Tap, body: TapBody, wall: WallClock): Promise<void> {
  const { version, ...yours } = body;
  checkVersion(tap.name, version, tap.version, yours, tap.get({ plain: true }));
  const garden = await findGarden(tap.gardenId);
  if (body.nozzle !== tap.nozzle) {
    await FindingRow.create({
      gardenId: tap.gardenId,
      bedId: null,
      tapId: tap.id,
      kind: 'changed',
      date: todayOf(garden, wall),
      at: wall.now(),
      method: null,
      input: JSON.stringify({ kind: 'changed', what: 'nozzle' }),
      note: null,
    });
  }
  await tap.update({ name: body.name, nozzle: body.nozzle, version: tap.version + 1 });
}

/** Beds that draw from a tap: what is changed at it is changed for them. */
export const bedsOnTap = async (tapId: number): Promise<number[]> =>
  (await Bed.findAll({ where: { tapId, archivedAt: null } })).map(({ id }) => id);

/** Beds on the same ground as one, itself among them: a reading of the ground is one of theirs. */
export async function bedsOnGround(bed: Bed): Promise<number[]> {
  const root = bed.groundOf ?? bed.id;
  const beds = await Bed.findAll({ where: { gardenId: bed.gardenId, archivedAt: null } });
  return beds.filter((b) => (b.groundOf ?? b.id) === root).map(({ id }) => id);
}

/** Says whose ground a bed shares and which tap it draws from. */
export async function linkBed(bed: Bed, links: BedLinks): Promise<void> {
  const { version, ...yours } = links;
  checkVersion(bed.name, version, bed.version, yours, bed.get({ plain: true }));
  const changed: { groundOf?: number | null; tapId?: number | null } = {};
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
    changed.groundOf = root;
  } else if (links.groundOf === null) changed.groundOf = null;
  if (links.tapId !== undefined) {
    const tap = links.tapId === null ? null : await Tap.findByPk(links.tapId);
    if (links.tapId !== null && tap?.gardenId !== bed.gardenId)
      throw new Refusal('invalid', `Tap must be one of this garden; got ${links.tapId}`, 'tapId');
    changed.tapId = links.tapId;
  }
  await bed.update({ ...changed, version: bed.version + 1 });
}

/** Changes a garden's name, units, place, limits or date. */
export async function changeGarden(garden: Garden, body: GardenPatch): Promise<void> {
  const { version, limits, clock, ...plain } = body;
  checkVersion(
    garden.name,
    version,
    garden.version,
    { ...plain, ...(limits ? { limits } : {}) },
    {
      ...garden.get({ plain: true }),
      limits: limitsOf(garden, []),
    },
  );
  await garden.update({
    name: plain.name ?? garden.name,
    units: plain.units ?? garden.units,
    longitudeDeg: plain.longitudeDeg === undefined ? garden.longitudeDeg : plain.longitudeDeg,
    limits: limits ? JSON.stringify(limits) : garden.limits,
    version: garden.version + 1,
  });
  if (clock) await setClock(garden, clock);
}
