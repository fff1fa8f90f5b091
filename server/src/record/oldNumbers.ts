import { EntryNumberRow } from '../db/models.ts';

/** Tables whose entries had numbers of their own before everything was one log. */
export type OldTable = 'events' | 'pot_entries' | 'said_days';

/** The number that an entry has in the log: phones and open pages may call it by the one it had before. */
export async function numberNow(table: OldTable, id: number): Promise<number> {
  const known = await EntryNumberRow.findOne({ where: { oldTable: table, oldId: id }, raw: true });
  return known?.entryId ?? id;
}
