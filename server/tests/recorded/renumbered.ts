import { EntryNumberRow } from '../../src/db/models.ts';

/** Numbers of entries by the table that a number is of, and the number. */
export type Numbers = ReadonlyMap<string, number>;

/** What entries are called now by what they were called when they were recorded, and the other way round. */
export async function entryNumbers(): Promise<{ now: Numbers; then: Numbers }> {
  const rows = await EntryNumberRow.findAll({ raw: true });
  return {
    now: new Map(rows.map(({ oldTable, oldId, entryId }) => [`${oldTable} ${oldId}`, entryId])),
    then: new Map(rows.map(({ oldTable, oldId, entryId }) => [`${oldTable} ${entryId}`, oldId])),
  };
}

/** From which table an entry that is shown came, by what is shown of it; null where it kept its number. */
function tableOf(shown: Record<string, unknown>): string | null {
  if ('clockWasAhead' in shown) return 'events';
  if ('verdict' in shown || ('entry' in shown && 'id' in shown)) return 'pot_entries';
  return null;
}

/** What is shown, with other numbers of its entries. */
export function renumbered(view: unknown, numbers: Numbers): unknown {
  if (Array.isArray(view)) return view.map((one) => renumbered(one, numbers));
  if (typeof view !== 'object' || view === null) return view;
  const shown = view as Record<string, unknown>;
  const table = tableOf(shown);
  return Object.fromEntries(
    Object.entries(shown).map(([name, value]) => {
      if (name === 'id' && table) return [name, numbers.get(`${table} ${String(value)}`)];
      if (name === 'gaugeEventId' && value !== null) return [name, numbers.get(`events ${String(value)}`)];
      return [name, renumbered(value, numbers)];
    }),
  );
}
