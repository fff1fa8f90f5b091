import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { EntriesAnswer } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { closesInOrder } from '../tests/fresh.ts';
import { RECORDED } from '../tests/recorded/gardens.ts';
import { unpackRecorded } from '../tests/recorded/recorded.ts';
import { openDatabase } from './db/open.ts';

/** The recorded demo in July: what is known of it after an entry must not hang on what was held in memory before. */
const folder = mkdtempSync(join(tmpdir(), 'kibble-done-'));
const wall = { now: () => new Date(RECORDED.find(({ name }) => name === 'demo-july')?.now ?? 0) };
let sequelize: Sequelize;
let app: Express;

const another = (): Express => appHere({ sequelize, wall, log: pino({ level: 'silent' }) });

beforeAll(async () => {
  sequelize = closesInOrder(await openDatabase(unpackRecorded('demo-july', folder)));
  app = another();
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(folder, { recursive: true, force: true });
});

/** The statements on a table that a piece of work sends. */
async function statementsOn(table: string, work: () => Promise<unknown>): Promise<string[]> {
  const sent: string[] = [];
  const { options } = sequelize as unknown as { options: { logging: false | ((sql: string) => void) } };
  options.logging = (sql) => sent.push(sql);
  await work();
  options.logging = false;
  return sent.filter((sql) => sql.includes(`FROM \`${table}\``));
}

const ROOMS = ['/gardens/1/round', '/beds/1', '/beds/2', '/gardens/1/fortnight'];
const seen = async (of: Express): Promise<unknown[]> => {
  const views = [];
  for (const room of ROOMS) views.push((await ask(of).get(`/api${room}`)).body as unknown);
  return views;
};

test('a Done, what it changes and its undo are seen as by a plan that is made from nothing', async () => {
  const before = await seen(app);
  const send = async (path: string, body: object): Promise<EntriesAnswer> => {
    const answer = await ask(app).post(`/api/gardens/1/entries${path}`).send(body);
    expect(answer.status).toBeLessThan(300);
    return answer.body as EntriesAnswer;
  };
  const { ids } = await send('', {
    sure: true,
    entries: [
      { subject: { kind: 'bed', id: 1 }, body: { kind: 'watering', litres: 90 } },
      { subject: { kind: 'bed', id: 2 }, body: { kind: 'skip', reason: 'feels moist' } },
    ],
  });
  const after = await seen(app);
  expect(after).not.toEqual(before);
  expect(after).toEqual(await seen(another()));
  await send('/undo', { ids });
  expect(await seen(app)).toEqual(await seen(another()));
});

test('a Done reads its bed once, and the plan takes what happened without reading it again', async () => {
  await ask(app).get('/api/gardens/1/round');
  // What grows in a bed is read where the bed is put together, and nowhere else.
  const read = await statementsOn('plantings', () =>
    ask(app)
      .post('/api/gardens/1/entries')
      .send({
        sure: true,
        entries: [{ subject: { kind: 'bed', id: 3 }, body: { kind: 'watering', litres: 40 } }],
      }),
  );
  const shown = await statementsOn('plantings', () => ask(app).get('/api/gardens/1/round'));
  expect([read.length, shown.length]).toEqual([1, 0]);
});
