import type {
  bedToPotBody,
  PotBody,
  potEntriesBody,
  phBody,
  plantOutBody,
  potChange,
  PotsView,
} from '@kibble/contract';
import { addDays, checkWeight, standingOn, stands, vesselModel } from '@kibble/core';
import { Op } from 'sequelize';
import type { z } from 'zod';
import { Bed, EntryRow, Planting, PotRow, type Garden } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { append } from '../record/log.ts';
import { beforeItsTime } from './beforeItsTime.ts';
import { sinceOf, todayOf, type WallClock } from './clock.ts';
import { checkVersion } from './edited.ts';
import { findGarden } from './find.ts';
import { checkCrop } from './ownCrops.ts';
import { checkTogether, plantingColumns, plantingsOn } from './plantings.ts';
import { potOfRow, vesselsOfPot } from './potsOnRecord.ts';
import { vesselOf } from './vesselOf.ts';

/** The hour of day that an entry without one is taken to be of, in a garden on a practice date. */
const MORNING = 7;

/** The hour at the garden, 0–24: the wall clock's, or the morning of a practice day. */
function hourOf(garden: Garden, wall: WallClock): number {
  if (garden.clockMode === 'practice') return MORNING;
  const parts = new Intl.DateTimeFormat('en', {
    timeZone: garden.timeZone,
    hour: 'numeric',
    minute: 'numeric',
    hourCycle: 'h23',
  }).formatToParts(wall.now());
  const of = (type: string): number => Number(parts.find((part) => part.type === type)?.value ?? 0);
  return of('hour') + of('minute') / 60;
}

export async function findPot(id: number): Promise<{ pot: PotRow; garden: Garden }> {
  const pot = await PotRow.findByPk(id);
  if (!pot) throw new Refusal('not-found', `There is no pot ${id}.`, 'pot');
  return { pot, garden: await findGarden(pot.gardenId) };
}

const columns = (body: PotBody) => ({
  kind: body.kind,
  name: body.name,
  plantings: JSON.stringify(body.plantings),
  notes: body.notes,
});

/** A pot must be one that can be: what the core refuses is refused by its field. */
async function checkPot(garden: Garden, body: PotBody): Promise<void> {
  for (const [i, { cropId, plantedOn, endedOn }] of body.plantings.entries()) {
    await checkCrop(garden.id, cropId, `plantings.${i}.cropId`);
    if (endedOn && endedOn < plantedOn)
      throw new Refusal(
        'invalid',
        `Taken out on must not be before ${plantedOn}; got ${endedOn}`,
        `plantings.${i}.endedOn`,
      );
  }
  const unplanted = vesselOf(body.kind, body.facts, []);
  refusing(() => vesselModel(unplanted, { startOn: '2026-01-01', dayCount: 1, latitudeDeg: 0 }), 'facts.');
}

export async function addPot(
  garden: Garden,
  body: PotBody,
  wall: WallClock,
  { fromBedId = null, startOn = todayOf(garden, wall) }: { fromBedId?: number | null; startOn?: string } = {},
): Promise<PotRow> {
  await checkPot(garden, body);
  const pot = await PotRow.create({
    gardenId: garden.id,
    position: await PotRow.count({ where: { gardenId: garden.id } }),
    ...columns(body),
    startOn,
    startWetness: body.startWetness,
    fromBedId,
  });
  await beSince(pot, body, startOn, wall.now());
  return pot;
}

/** Writes down what a pot is since a day. */
const beSince = (
  { id, gardenId }: Pick<PotRow, 'id' | 'gardenId'>,
  { facts, spot, rootsFound }: { facts: object; spot: string; rootsFound?: string },
  on: string,
  at: Date,
): Promise<EntryRow> =>
  append({
    gardenId,
    subject: { kind: 'pot', id },
    body: { kind: 'vessel', facts, spot, ...(rootsFound ? { rootsFound } : {}) },
    on,
    at,
  });

/**
 * Changes a pot; moved, repotted or told anew it was otherwise up to the day from which it holds.
 * @returns the entries that say so
 */
export async function changePot(
  pot: PotRow,
  body: z.infer<typeof potChange>,
  garden: Garden,
  wall: WallClock,
): Promise<number[]> {
  await checkPot(garden, body);
  const today = todayOf(garden, wall);
  const since = sinceOf(body.since, today);
  const vessels = await vesselsOfPot(pot);
  const was = potOfRow(pot, vessels, []);
  const { version, since: _s, rootsFound, startWetness: _w, ...yours } = body;
  checkVersion(pot.name, version, pot.version, yours, { ...was });
  const isAnother =
    was === null || JSON.stringify(was.facts) !== JSON.stringify(body.facts) || was.spot !== body.spot;
  const made: number[] = [];
  if (isAnother) {
    // What was so from this day on or later is told anew, and stands as superseded.
    // Where nothing of it could be read, it is so from its first day.
    const on = was !== null && since > pot.startOn ? since : pot.startOn;
    const at = wall.now();
    const { id } = await beSince(pot, { ...body, rootsFound }, on, at);
    await EntryRow.update(
      { removedAt: at, supersededBy: id },
      {
        where: {
          subjectKind: 'pot',
          subjectId: pot.id,
          kind: 'vessel',
          removedAt: null,
          on: { [Op.gte]: was === null ? '' : on },
          id: { [Op.ne]: id },
        },
      },
    );
    made.push(id);
  }
  await pot.update({ ...columns(body), version: pot.version + 1 });
  if (rootsFound === 'upper half')
    await append({
      gardenId: pot.gardenId,
      subject: { kind: 'pot', id: pot.id },
      body: { kind: 'seen', sign: 'roots in the upper half only' },
      on: today,
      hour: hourOf(garden, wall),
      at: wall.now(),
    });
  return made;
}

/** More pots like one, as it is now and without its log. */
export async function copyPot(pot: PotRow, count: number, today: string, at: Date): Promise<number[]> {
  const now = (await vesselsOfPot(pot)).at(-1);
  if (!now) throw new Refusal('conflict', `What is on record of ${pot.name} is not understood.`, 'pot');
  const names = new Set(
    (await PotRow.findAll({ where: { gardenId: pot.gardenId }, raw: true })).map((p) => p.name),
  );
  const base = pot.name.replace(/ \d+$/, '').slice(0, 70);
  const ids: number[] = [];
  let position = await PotRow.count({ where: { gardenId: pot.gardenId } });
  for (let n = 2; ids.length < count; n += 1) {
    const name = `${base} ${n}`;
    if (names.has(name)) continue;
    const { id: _id, version: _v, archivedAt: _a, ...like } = pot.get({ plain: true });
    const made = await PotRow.create({
      ...like,
      name,
      position: position++,
      startOn: today,
      archivedAt: null,
    });
    await beSince(made, { facts: now.facts, spot: now.spot }, today, at);
    ids.push(made.id);
  }
  return ids;
}

/** A weight is looked at before it is kept: what cannot be is refused, what is odd is asked about once. */
export function checkEntries(body: z.infer<typeof potEntriesBody>, view: PotsView): void {
  const pots = new Map(view.spots.flatMap(({ pots: of }) => of.map((pot) => [pot.id, pot] as const)));
  for (const [i, { potId, entry }] of body.entries.entries()) {
    const pot = pots.get(potId);
    if (!pot || entry.kind !== 'weighed') continue;
    const { kg, full = false } = entry;
    const odd = refusing(
      () =>
        checkWeight(
          { volumeL: pot.shape.volumeL, mix: pot.facts.mix, holdsL: pot.holdsMl / 1000, fullKg: pot.fullKg },
          { kg, lastKg: pot.lastKg, full },
        ),
      `entries.${i}.entry.`,
    );
    if (odd && !body.sure)
      throw new Refusal('invalid', `${pot.name}: ${ODD[odd]} Keep it if it is so.`, 'sure');
  }
}
const ODD = {
  'heavier than when full':
    'this is more than it weighed when it was full. Weigh it as full if it was just filled and has drained.',
  'lost more than it holds':
    'this is less by more than the mix holds for plants. Was it repotted, or is the size of the pot another?',
  'far from its size': 'this is far from what a pot of its size and mix weighs.',
  'unlike an odd weight before':
    'an earlier weight of this pot was far from what such a pot weighs. If this one is right, save it; the earlier one can be deleted from the pot’s log.',
} as const;

/** Writes down what was given, measured or seen: all of it, or none. */
export async function logEntries(
  garden: Garden,
  body: z.infer<typeof potEntriesBody>,
  wall: WallClock,
): Promise<number[]> {
  const today = todayOf(garden, wall);
  const ids = [...new Set(body.entries.map(({ potId }) => potId))];
  const pots = new Map(
    (await PotRow.findAll({ where: { gardenId: garden.id, id: ids } })).map((pot) => [pot.id, pot]),
  );
  const made: number[] = [];
  for (const [i, { potId, entry, date = today, hour }] of body.entries.entries()) {
    const pot = pots.get(potId);
    if (!pot)
      throw new Refusal('not-found', `There is no pot ${potId} in this garden.`, `entries.${i}.potId`);
    if (pot.archivedAt)
      throw new Refusal('conflict', `${pot.name} is put away. Bring it back first.`, `entries.${i}.potId`);
    if (date < pot.startOn && body.entries[i]?.date === undefined)
      throw beforeItsTime(date, pot.name, pot.startOn);
    if (date > today || date < pot.startOn)
      throw new Refusal(
        'invalid',
        `Day must lie from ${pot.startOn}, its first day, to ${today} (today); got ${date}`,
        `entries.${i}.date`,
      );
    const row = await append({
      gardenId: garden.id,
      subject: { kind: 'pot', id: potId },
      body: entry,
      on: date,
      hour: hour ?? (date === today ? hourOf(garden, wall) : MORNING),
      at: wall.now(),
    });
    made.push(row.id);
  }
  return made;
}

/** A reading of the water that pots are given. */
export async function logPh(
  garden: Garden,
  { ph, of, date }: z.infer<typeof phBody>,
  wall: WallClock,
): Promise<number> {
  const today = todayOf(garden, wall);
  if (date !== undefined && date > today)
    throw new Refusal('invalid', `Day must be ${today} (today) or earlier; got ${date}`, 'date');
  const row = await append({
    gardenId: garden.id,
    subject: { kind: 'garden', id: garden.id },
    body: { kind: 'ph', ph, of },
    on: date ?? today,
    hour: hourOf(garden, wall),
    at: wall.now(),
  });
  return row.id;
}

/** Takes entries back, or puts them in again. */
export async function markEntries(
  garden: Garden,
  ids: readonly number[],
  removedAt: Date | null,
): Promise<void> {
  const where = {
    gardenId: garden.id,
    id: [...ids],
    [Op.or]: [{ subjectKind: 'pot' }, { kind: 'ph' }],
  };
  const there = await EntryRow.count({ where });
  if (there !== new Set(ids).size)
    throw new Refusal('not-found', 'One of these entries is not of this garden.', 'ids');
  await EntryRow.update({ removedAt }, { where });
}

/** Days of a bed's log that a pot begins with. */
const LOG_DAYS = 60;

/** A bed that is really a pot becomes one: its plants go along, the bed is put away with its log, which stays to be read. */
export async function bedToPot(
  bed: Bed,
  garden: Garden,
  body: z.infer<typeof bedToPotBody>,
  wall: WallClock,
): Promise<PotRow> {
  const today = todayOf(garden, wall);
  const plantings = await plantingsOn(bed.id);
  const pot = await addPot(
    garden,
    {
      kind: 'pot',
      name: bed.name,
      spot: body.spot,
      facts: body.facts,
      plantings: plantings
        .filter(({ endedOn }) => !endedOn || endedOn > addDays(today, -LOG_DAYS))
        .map(({ cropId, plantedOn, endedOn }) => ({ cropId, plantedOn, endedOn: endedOn ?? null })),
      startWetness: 'moist',
      notes: bed.notes,
    },
    wall,
    { fromBedId: bed.id },
  );
  await bed.update({ archivedAt: wall.now(), version: bed.version + 1 });
  return pot;
}

/** A plant leaves its pot for a bed: it stands there from that day, and its pot is put away with its log. */
export async function plantOut(
  pot: PotRow,
  garden: Garden,
  { bedId, plantedOn }: z.infer<typeof plantOutBody>,
  wall: WallClock,
): Promise<void> {
  const today = todayOf(garden, wall);
  const on = sinceOf(plantedOn, today, { words: 'Planted out on', field: 'plantedOn' });
  const bed = await Bed.findByPk(bedId);
  if (bed?.gardenId !== garden.id)
    throw new Refusal('invalid', `Bed must be one of this garden; got ${bedId}`, 'bedId');
  const known = potOfRow(pot, await vesselsOfPot(pot), []);
  const plant = known && standingOn(known.plantings, today);
  if (!known || !plant) throw new Refusal('conflict', `Nothing stands in ${pot.name}.`, 'pot');
  const there = await plantingsOn(bed.id);
  const taken = there.filter((p) => stands(p, on)).reduce((sum, { share }) => sum + share, 0);
  if (taken > 1 - LEAST_SHARE)
    throw new Refusal(
      'conflict',
      `${bed.name} has no room: what stands there takes all of it. Give that less of the bed first.`,
      'bedId',
    );
  const columnsOf = plantingColumns({
    cropId: plant.cropId,
    plantedOn: on,
    method: 'pot',
    share: Math.min(SHARE, 1 - taken),
  });
  checkTogether([...there, columnsOf]);
  await Planting.create({ bedId: bed.id, ...columnsOf });
  await bed.update({ version: bed.version + 1 });
  await pot.update({
    plantings: JSON.stringify(known.plantings.map((p) => (p === plant ? { ...p, endedOn: on } : p))),
    archivedAt: wall.now(),
    version: pot.version + 1,
    notes: `${pot.notes}${pot.notes ? '\n' : ''}Planted out to ${bed.name} on ${on}.`,
  });
}
/** Of a bed, a plant out of one pot takes so much until it is told otherwise. */
const SHARE = 0.1;
const LEAST_SHARE = 0.01;
