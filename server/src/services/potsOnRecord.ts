import { bodyFromStore, potFacts, type PotFacts } from '@kibble/contract';
import { isIsoDate, type PotEntry } from '@kibble/core';
import { Op } from 'sequelize';
import { z } from 'zod';
import { EntryRow, PotRow, SequenceRow, type Garden } from '../db/models.ts';
import { grouped } from './grouped.ts';

const plantings = z.array(
  z.object({ cropId: z.string(), plantedOn: z.string().refine(isIsoDate), endedOn: z.string().nullish() }),
);
/** What a pot was until a day, and where its roots were found when it became another. */
interface Earlier {
  until: string;
  spot: string;
  facts: PotFacts;
  rootsFound: string | null;
}

/** A pot as it lies on record. */
export interface PotOnRecord {
  id: number;
  version: number;
  /** What kind of vessel it is: a name in `VESSEL_KINDS`. */
  kind: string;
  name: string;
  spot: string;
  startOn: string;
  startWetness: string;
  facts: PotFacts;
  earlier: Earlier[];
  plantings: z.infer<typeof plantings>;
  notes: string;
  fromBedId: number | null;
  archived: boolean;
  entries: { id: number; date: string; hour: number; entry: PotEntry }[];
}

/** Something under way, as it lies on record. */
export interface SequenceOnRecord {
  id: number;
  kind: string;
  input: string;
  step: number;
  count: number;
  stepAt: string;
}

/** All pots of a garden, readings of its water, and what is under way. */
export interface PotsOnRecord {
  pots: PotOnRecord[];
  /** Rows that cannot be read any more, by name and why. */
  unread: { id: number; name: string; message: string }[];
  ph: { id: number; date: string; of: 'tap' | 'rain' | 'batch'; ph: number }[];
  sequences: SequenceOnRecord[];
}
export const NO_POTS: PotsOnRecord = { pots: [], unread: [], ph: [], sequences: [] };

function parsed<T extends z.ZodType>(schema: T, text: string): z.infer<T> | null {
  try {
    const read = schema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** What a pot has been since a day. */
export interface VesselSince {
  id: number;
  on: string;
  facts: PotFacts;
  spot: string;
  rootsFound: string | null;
}

/** What pots have been, oldest first; one that cannot be read is null. */
const vesselsIn = (rows: readonly EntryRow[]): (VesselSince | null)[] =>
  rows.map(({ id, on, kind, version, body }) => {
    const said = bodyFromStore(kind, version, body);
    if (said?.kind !== 'vessel') return null;
    const facts = potFacts.safeParse(said.facts);
    return facts.success
      ? { id, on, facts: facts.data, spot: said.spot, rootsFound: said.rootsFound ?? null }
      : null;
  });

/** Which entries say what a pot is since a day. */
const vesselsOf = (of: { gardenId: number; subjectId?: number }) => ({
  where: { ...of, subjectKind: 'pot' as const, sort: 'setting' as const, kind: 'vessel', removedAt: null },
  order: [
    ['on', 'ASC'],
    ['id', 'ASC'],
  ] as [string, string][],
  raw: true as const,
});

/** What one pot has been, oldest first. */
export const vesselsOfPot = async ({ id, gardenId }: Pick<PotRow, 'id' | 'gardenId'>) =>
  vesselsIn(await EntryRow.findAll(vesselsOf({ gardenId, subjectId: id })));

/** A pot's row as it is meant, with what it has been; null where that is not understood. */
export function potOfRow(
  row: PotRow,
  vessels: readonly (VesselSince | null)[],
  entries: PotOnRecord['entries'],
): PotOnRecord | null {
  const planted = parsed(plantings, row.plantings);
  const known = vessels.filter((one) => one !== null);
  const now = known.at(-1);
  if (!planted || !now || known.length < vessels.length) return null;
  return {
    id: row.id,
    version: row.version,
    kind: row.kind,
    name: row.name,
    spot: now.spot,
    startOn: row.startOn,
    startWetness: row.startWetness,
    facts: now.facts,
    // What it was until it became what it was next.
    earlier: known.slice(1).map(({ on, rootsFound }, i) => ({
      until: on,
      spot: known[i]?.spot ?? '',
      facts: known[i]?.facts ?? now.facts,
      rootsFound,
    })),
    plantings: planted,
    notes: row.notes,
    fromBedId: row.fromBedId ?? null,
    archived: Boolean(row.archivedAt),
    entries,
  };
}

/** Everything on record of a garden's pots. */
export async function potsOnRecord(garden: Garden): Promise<PotsOnRecord> {
  const where = { gardenId: garden.id };
  const [rows, entryRows, vesselRows, sequences] = await Promise.all([
    PotRow.findAll({ where, order: ['position', 'id'], raw: true }),
    EntryRow.findAll({
      where: {
        ...where,
        [Op.or]: [{ subjectKind: 'pot' }, { kind: 'ph' }],
        sort: { [Op.notIn]: ['setting', 'task'] },
        removedAt: null,
      },
      order: ['on', 'hour', 'id'],
      raw: true,
    }),
    EntryRow.findAll(vesselsOf(where)),
    SequenceRow.findAll({ where: { ...where, endedAt: null }, order: ['id'], raw: true }),
  ]);
  const record: PotsOnRecord = { pots: [], unread: [], ph: [], sequences: [] };
  for (const row of entryRows) {
    const body = bodyFromStore(row.kind, row.version, row.body);
    if (body?.kind === 'ph') record.ph.push({ id: row.id, date: row.on, ph: body.ph, of: body.of });
  }
  const byPot = grouped(
    entryRows.filter(({ subjectKind }) => subjectKind === 'pot'),
    ({ subjectId }) => subjectId,
  );
  const been = grouped(vesselRows, ({ subjectId }) => subjectId);
  for (const row of rows) {
    const entries = (byPot.get(row.id) ?? []).flatMap(({ id, on, hour, kind, version, body }) => {
      const entry = bodyFromStore(kind, version, body) as PotEntry | null;
      return entry ? [{ id, date: on, hour: hour ?? 0, entry }] : [];
    });
    const pot = potOfRow(row, vesselsIn(been.get(row.id) ?? []), entries);
    if (pot) record.pots.push(pot);
    else
      record.unread.push({
        id: row.id,
        name: row.name,
        message: 'What is on record of it is not understood.',
      });
  }
  record.sequences = sequences.map(({ id, kind, input, step, count, stepAt }) => ({
    id,
    kind,
    input,
    step,
    count,
    stepAt: new Date(stepAt).toISOString(),
  }));
  return record;
}
