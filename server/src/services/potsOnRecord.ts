import { bodyFromStore, potFacts, type PotFacts } from '@kibble/contract';
import { isIsoDate, type PotEntry } from '@kibble/core';
import { Op } from 'sequelize';
import { z } from 'zod';
import { EntryRow, PotRow, SequenceRow, type Garden } from '../db/models.ts';
import { grouped } from './grouped.ts';

const plantings = z.array(
  z.object({ cropId: z.string(), plantedOn: z.string().refine(isIsoDate), endedOn: z.string().nullish() }),
);
const earlier = z.array(
  z.object({
    until: z.string().refine(isIsoDate),
    spot: z.string(),
    facts: potFacts,
    rootsFound: z.string().nullable().default(null),
  }),
);

/** A pot as it lies on record. */
export interface PotOnRecord {
  id: number;
  version: number;
  kind: 'pot' | 'tray';
  name: string;
  spot: string;
  startOn: string;
  startWetness: string;
  facts: PotFacts;
  earlier: z.infer<typeof earlier>;
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

/** A pot's row as it is meant; null where its text is not understood. */
export function potOfRow(row: PotRow, entries: PotOnRecord['entries']): PotOnRecord | null {
  const facts = parsed(potFacts, row.facts);
  const planted = parsed(plantings, row.plantings);
  const was = parsed(earlier, row.earlier);
  if (!facts || !planted || !was) return null;
  return {
    id: row.id,
    version: row.version,
    kind: row.kind === 'tray' ? 'tray' : 'pot',
    name: row.name,
    spot: row.spot,
    startOn: row.startOn,
    startWetness: row.startWetness,
    facts,
    earlier: was,
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
  const [rows, entryRows, sequences] = await Promise.all([
    PotRow.findAll({ where, order: ['position', 'id'], raw: true }),
    EntryRow.findAll({
      where: { ...where, [Op.or]: [{ subjectKind: 'pot' }, { kind: 'ph' }], removedAt: null },
      order: ['on', 'hour', 'id'],
      raw: true,
    }),
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
  for (const row of rows) {
    const entries = (byPot.get(row.id) ?? []).flatMap(({ id, on, hour, kind, version, body }) => {
      const entry = bodyFromStore(kind, version, body) as PotEntry | null;
      return entry ? [{ id, date: on, hour: hour ?? 0, entry }] : [];
    });
    const pot = potOfRow(row, entries);
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
