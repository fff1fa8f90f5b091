import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { unzipSync } from 'fflate';
import { settled } from '../tests/appHere.ts';
import { RECORDED } from '../tests/recorded/gardens.ts';
import { openRecorded, readArchive, readViews, unpackRecorded } from '../tests/recorded/recorded.ts';
import { viewsOf } from '../tests/recorded/views.ts';
import { EntryNumberRow } from './db/models.ts';
import { bringUpToDate } from './db/open.ts';
import { openRaw } from './db/raw.ts';
import { prepareRestore } from './restoring/prepare.ts';

// Five gardens with every kind of entry, written by the program before everything on record became one log (014). What
// that program showed of them is shown still, to the last digit.
const folder = mkdtempSync(join(tmpdir(), 'kibble-recorded-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

type Numbers = ReadonlyMap<string, number>;

/** From which table an entry that is shown came, by what is shown of it; null where it kept its number. */
function tableOf(shown: Record<string, unknown>): string | null {
  if ('clockWasAhead' in shown) return 'events';
  if ('verdict' in shown || ('entry' in shown && 'id' in shown)) return 'pot_entries';
  return null;
}

/** What was shown, with the numbers that its entries have now. */
function renumbered(view: unknown, numbers: Numbers): unknown {
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

/** What is on record of a file, but the id of the file itself. */
async function rowsOf(file: string): Promise<unknown> {
  const database = await openRaw(file);
  try {
    const rows = await Promise.all(
      ['entries', 'entry_numbers', 'beds', 'pots', 'plantings', 'weather_days'].map((table) =>
        database.all(`SELECT * FROM ${table} ORDER BY id`),
      ),
    );
    return rows;
  } finally {
    await database.close();
  }
}

describe.each(RECORDED)('$name', (garden) => {
  test.each(['the zip', 'kibble.json'])(
    '%s that was recorded is put back as the same entries',
    async (what) => {
      const zip = readArchive(garden.name);
      const brought = join(folder, 'brought');
      const target = join(folder, `restored-${garden.name}.sqlite`);
      writeFileSync(brought, what === 'the zip' ? zip : (unzipSync(zip)['kibble.json'] ?? new Uint8Array()));
      await prepareRestore(brought, target);
      const file = unpackRecorded(garden.name, folder);
      await bringUpToDate(file);
      expect(await rowsOf(target)).toEqual(await rowsOf(file));
    },
  );
  test('every view is as it was when it was recorded', async () => {
    const { sequelize, app } = await openRecorded(garden, folder);
    const views = await viewsOf(app);
    const numbers: Numbers = new Map(
      (await EntryNumberRow.findAll({ raw: true })).map(
        ({ oldTable, oldId, entryId }) => [`${oldTable} ${oldId}`, entryId] as const,
      ),
    );
    await settled(app);
    await sequelize.close();
    const was = renumbered(readViews(garden.name), numbers) as Record<string, unknown>;
    expect(Object.keys(views)).toEqual(Object.keys(was));
    // More may be shown of it since; nothing is shown otherwise.
    for (const [address, view] of Object.entries(was))
      expect({ address, view: views[address] }).toMatchObject({ address, view });
  });
});
