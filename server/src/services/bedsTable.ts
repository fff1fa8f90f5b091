import { readBedsTable, type bedsTableAnswer, type bedsTableBody, type ReadBeds } from '@kibble/contract';
import type { z } from 'zod';
import { Bed, OwnCrop, Tap, type Garden } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { createBeds, newGround, oneOfEach, type ToldBed } from './beds.ts';
import { ownCropEntry } from './bedView.ts';
import { todayOf, type WallClock } from './clock.ts';
import { wetnessByRecord } from './lately.ts';
import { checkPlantedBy } from './plantings.ts';
import { addTap } from './taps.ts';

/** What stands against adding the beds of a table; null where nothing does. */
function against({ problem, dates, faulty, beds }: ReadBeds, leaveFaulty: boolean): Refusal | null {
  if (problem !== null) return new Refusal('invalid', problem, 'rows');
  if (dates?.asked)
    return new Refusal(
      'needs-consent',
      'The days of the table could be written day first or month first. Say which.',
      'units.plantedOn',
    );
  if (faulty.length > 0 && !leaveFaulty) {
    const [{ line, faults } = { line: 0, faults: [] }] = faulty;
    const [first] = faults;
    const rows =
      faulty.length === 1 ? 'One row cannot be read' : `${faulty.length} rows cannot be read, the first`;
    return new Refusal(
      'needs-consent',
      `${rows}: line ${line}, ${first?.heading}: ${first?.reason} Correct the rows, or say that they may be left out.`,
      'leaveFaulty',
    );
  }
  return beds.length === 0
    ? new Refusal('invalid', 'No row of the table can be read as a bed.', 'rows')
    : null;
}

/** Adds the beds of a table, and the taps it names that are not there yet: all of them, or none. */
export async function addBedsOfTable(
  garden: Garden,
  { headings, rows, fields, units, usual, leaveFaulty }: z.infer<typeof bedsTableBody>,
  wall: WallClock,
): Promise<{ answer: z.infer<typeof bedsTableAnswer>; oneOfEach: number[] }> {
  const gardenId = garden.id;
  const where = { gardenId, archivedAt: null };
  const beds = await Bed.findAll({ where, attributes: ['name'], raw: true });
  const taps = await Tap.findAll({ where });
  const crops = await OwnCrop.findAll({ where: { gardenId } });
  const today = todayOf(garden, wall);
  const read = readBedsTable(
    { headings, rows },
    {
      today,
      units: garden.units,
      bedNames: beds.map(({ name }) => name),
      tapNames: taps.map(({ name }) => name),
      ownCrops: crops.map((crop) => refusing(() => ownCropEntry(crop))),
    },
    usual,
    { fields, units },
  );
  const refusal = against(read, leaveFaulty);
  if (refusal) throw refusal;

  for (const { body } of read.beds) checkPlantedBy(body, today, 'usual.');
  const tapIds = new Map(taps.map(({ name, id }) => [name, id]));
  const added: number[] = [];
  for (const name of read.newTaps) {
    const { id } = await addTap(garden, { name, nozzle: '', source: 'mains' });
    tapIds.set(name, id);
    added.push(id);
  }
  for (const { name, from, station } of read.newZones) {
    const fromTapId = from === null ? null : (tapIds.get(from) ?? null);
    const zone = { name, nozzle: '', source: 'mains' as const, together: true, station, fromTapId };
    const { id } = await addTap(garden, zone);
    tapIds.set(name, id);
    added.push(id);
  }
  // Beds of one part with one soil share their ground: a test on one is a test for all of them.
  const grounds = new Map<string, number>();
  const told: ToldBed[] = [];
  const bodies = await wetnessByRecord(
    garden,
    read.beds.map(({ body }) => body),
    today,
  );
  for (const [i, { body: written, tap }] of read.beds.entries()) {
    const body = bodies[i] ?? written;
    const key = body.place ? `${body.place.toLowerCase()} ${body.textureClass}` : null;
    const groundId = (key === null ? undefined : grounds.get(key)) ?? (await newGround(gardenId, body));
    if (key !== null) grounds.set(key, groundId);
    told.push({ body, groundId, tapId: tap === null ? null : (tapIds.get(tap) ?? null) });
  }
  const ids = await createBeds(gardenId, told, today, wall.now());
  return {
    answer: { ids, taps: added, leftOut: read.faulty.length },
    oneOfEach: oneOfEach(ids, (_id, i) => {
      const body = told[i]?.body;
      return [body?.textureClass, body?.planting?.cropId, body?.delivery.method, body?.form];
    }),
  };
}
