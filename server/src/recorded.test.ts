import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { unzipSync } from 'fflate';
import { settled } from '../tests/appHere.ts';
import { RECORDED } from '../tests/recorded/gardens.ts';
import { openRecorded, readArchive, readViews, unpackRecorded } from '../tests/recorded/recorded.ts';
import { entryNumbers, renumbered } from '../tests/recorded/renumbered.ts';
import { viewsOf } from '../tests/recorded/views.ts';
import { bringUpToDate } from './db/open.ts';
import { openRaw } from './db/raw.ts';
import { prepareRestore } from './restoring/prepare.ts';

// Five gardens with every kind of entry, written by the program before everything on record became one log (014). What
// that program showed of them is shown still, to the last digit.
const folder = mkdtempSync(join(tmpdir(), 'kibble-recorded-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

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
    const { now } = await entryNumbers();
    await settled(app);
    await sequelize.close();
    const was = renumbered(readViews(garden.name), now) as Record<string, unknown>;
    expect(Object.keys(views)).toEqual(Object.keys(was));
    // More may be shown of it since; nothing is shown otherwise.
    for (const [address, view] of Object.entries(was))
      expect({ address, view: views[address] }).toMatchObject({ address, view });
  });
});
