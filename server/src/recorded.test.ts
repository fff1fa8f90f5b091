import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { settled } from '../tests/appHere.ts';
import { RECORDED } from '../tests/recorded/gardens.ts';
import { openRecorded, readViews } from '../tests/recorded/recorded.ts';
import { viewsOf } from '../tests/recorded/views.ts';

// Five gardens with every kind of entry, written by the program before everything on record became one log (014). What
// that program showed of them is shown still, to the last digit.
const folder = mkdtempSync(join(tmpdir(), 'kibble-recorded-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe.each(RECORDED)('$name', (garden) => {
  test('every view is as it was when it was recorded', async () => {
    const { sequelize, app } = await openRecorded(garden, folder);
    const views = await viewsOf(app);
    await settled(app);
    await sequelize.close();
    const was = readViews(garden.name);
    expect(Object.keys(views)).toEqual(Object.keys(was));
    for (const [address, view] of Object.entries(was))
      expect({ address, view: views[address] }).toEqual({ address, view });
  });
});
