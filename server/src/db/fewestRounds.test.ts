import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { QueryTypes, Sequelize } from 'sequelize';
import { closeDatabase, openDatabase } from './open.ts';
import { migrate } from './migrate.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-upcast-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

test.each([
  ['even', 'show'],
  ['deep and seldom', 'steady'],
  ['establish', 'steady'],
  ['dry-grown', 'steady'],
])('a bed that was watered by “%s” has its goal as %s afterwards', async (school, goal) => {
  const file = join(dir, `${school.replaceAll(' ', '-')}.sqlite`);
  copyFileSync('server/fixtures/kibble-005.sqlite', file);
  const before = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await migrate(before, '007-facts-that-stay');
  const [bed] = await before.query<{ id: number; bedId: number }>(
    'SELECT id, bedId FROM plantings ORDER BY id',
    {
      type: QueryTypes.SELECT,
    },
  );
  if (!bed) throw new Error('the garden of before must have a planting');
  await before.query('UPDATE plantings SET school = ? WHERE id = ?', { replacements: [school, bed.id] });
  await before.close();

  const now = await openDatabase(file);
  const ask = <T extends object>(sql: string): Promise<T[]> =>
    now.query<T>(sql, { replacements: [bed.bedId], type: QueryTypes.SELECT });
  // The latest word on the goal, and the school: what there still is stays chosen.
  const goals = await ask<{ goal: string }>(
    "SELECT json_extract(body, '$.value') AS goal FROM entries WHERE subjectKind = 'bed' AND subjectId = ? AND kind = 'goal' ORDER BY id",
  );
  expect(goals.at(-1)?.goal).toBe(goal);
  const schools = await ask<{ school: string | null }>('SELECT school FROM plantings WHERE bedId = ?');
  expect(schools[0]?.school).toBe(school === 'dry-grown' ? 'dry-grown' : null);
  await closeDatabase(now);
});
