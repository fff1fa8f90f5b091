import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { QueryTypes, Sequelize } from 'sequelize';
import { closeDatabase, openDatabase } from './open.ts';
import { migrate } from './migrate.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-schools-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

test.each([
  ['two inches a fortnight', 'every second week'],
  ['three inches a month', 'once a month'],
  ['dry-grown', 'dry-grown'],
])('a tree that was watered by “%s” goes on as “%s”', async (before, after) => {
  const file = join(dir, `${before.replaceAll(' ', '-')}.sqlite`);
  copyFileSync('server/fixtures/kibble-006.sqlite', file);
  const old = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await migrate(old, '013-devices-and-clocks');
  await old.query('UPDATE plantings SET school = ? WHERE id = (SELECT min(id) FROM plantings)', {
    replacements: [before],
  });
  await old.close();
  const now = await openDatabase(file);
  const rows = await now.query<{ school: string | null }>('SELECT school FROM plantings ORDER BY id', {
    type: QueryTypes.SELECT,
  });
  expect(rows[0]?.school).toBe(after);
  await closeDatabase(now);
});
