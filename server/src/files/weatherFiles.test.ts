import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { FileView, GardenView, WeatherView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../../tests/appHere.ts';
import { ask } from '../../tests/ask.ts';
import { freshDatabase } from '../../tests/fresh.ts';
import { GARDEN } from '../../tests/oneBed.ts';
import { ImportRow, WeatherDayRow } from '../db/models.ts';
import { FileGone } from './readings.ts';
import { TooManyFiles, WeatherFiles } from './weatherFiles.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-files-'));
let sequelize: Sequelize;
let files: WeatherFiles;
let app: Express;
let gardenId = 0;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  // As Kibble serves it: files are read beside the thread that answers.
  files = await WeatherFiles.beside(join(dir, 'program'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-14T08:00:00Z') },
    log: pino({ level: 'silent' }),
    files,
  });
  gardenId = ((await ask(app).post('/api/gardens').send(GARDEN)).body as GardenView).id;
}, 60_000);
afterAll(async () => {
  await files.stop();
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true });
});

const bring = (text: string | Buffer, name = 'days.csv') =>
  ask(app)
    .post(`/api/gardens/${gardenId}/weather/files?name=${name}`)
    .set('Content-Type', 'application/octet-stream')
    .send(Buffer.from(text));
const look = async (id: string): Promise<FileView> =>
  (await ask(app).get(`/api/weather-files/${id}`)).body as FileView;
async function readOf(id: string): Promise<Extract<FileView, { state: 'read' }>> {
  for (;;) {
    const view = await look(id);
    if (view.state === 'read') return view;
    await new Promise((after) => setTimeout(after, 20));
  }
}
const broughtAndRead = async (text: string | Buffer) => readOf(((await bring(text)).body as FileView).id);
const store = (id: string, body: object = {}) => ask(app).post(`/api/weather-files/${id}/import`).send(body);

describe('a file that is brought', () => {
  const head = 'date;tmin (°C);tmax (°C);rain (mm)';
  test('what is shown is what is stored; what repeats, lacks or is known already is told', async () => {
    const text = [
      head,
      '01.07.2026;11,5;24;0',
      '02.07.2026;12;25;4,2',
      '02.07.2026;12;25;4,2',
      '06.07.2026;12;26;0',
      '07.07.2026;27;26;0',
    ].join('\r\n');
    const { id, preview } = await broughtAndRead(Buffer.from(`\uFEFF${text}`, 'utf16le'));
    expect(preview).toMatchObject({
      goodRows: 3,
      repeated: 1,
      gaps: { days: 3, runs: 1, longest: { from: '2026-07-03', days: 3 } },
      rejectedCount: 1,
      rejected: [{ line: 6 }],
      known: 0,
      endsAhead: false,
    });
    expect((await store(id)).body.error).toMatchObject({ code: 'needs-consent', field: 'acceptRejected' });
    expect(await WeatherDayRow.count()).toBe(0);
    expect((await store(id, { acceptRejected: true })).body).toMatchObject({ stored: 3, leftOut: 1 });
    const { days } = (await ask(app).get(`/api/gardens/${gardenId}/weather`)).body as WeatherView;
    expect(days.map(({ date, rainMm }) => [date, rainMm])).toEqual([
      ['2026-07-06', 0],
      ['2026-07-02', 4.2],
      ['2026-07-01', 0],
    ]);
    // Brought in, the file is let go; the same days again are known by now.
    expect((await ask(app).get(`/api/weather-files/${id}`)).status).toBe(404);
    expect((await broughtAndRead(text)).preview.known).toBe(3);
  });
  test('a question is answered without sending the file again', async () => {
    const days = Array.from({ length: 9 }, (_, i) => `0${i + 1}/06/2026;11;24;0`);
    const { id, preview } = await broughtAndRead([head, ...days].join('\n'));
    expect(preview.question).toMatchObject({ field: 'date' });
    expect((await store(id)).body.error).toMatchObject({ field: 'units.date' });
    const put = await ask(app)
      .put(`/api/weather-files/${id}`)
      .send({ units: { date: 'day first' } });
    expect(put.status).toBe(202);
    expect((await readOf(id)).preview).toMatchObject({
      question: null,
      from: '2026-06-01',
      to: '2026-06-09',
    });
  });
  test('JSON, an empty file, and one that is no weather', async () => {
    const json = JSON.stringify({ days: [{ date: '2026-05-01', tMinC: 8, tMaxC: 19, rainMm: 0 }] });
    expect((await broughtAndRead(json)).preview).toMatchObject({ goodRows: 1, counted: 'entry' });
    expect((await bring('')).body.error).toMatchObject({ field: 'file' });
    expect((await broughtAndRead('a poem\nof two lines')).preview.problem).toMatch(/No column found/);
  });
  test('one that is gone is told to be', async () => {
    for (const answer of [
      await ask(app).get('/api/weather-files/none'),
      await store('none'),
      await ask(app).put('/api/weather-files/none').send({ units: {} }),
    ]) {
      expect(answer.status).toBe(404);
      expect(answer.body.error.message).toMatch(/choose it again/);
    }
  });
});

describe('a hundred thousand rows', () => {
  const hours = [
    'timestamp,temperature (°C),rain (mm),wind (m/s),humidity (%)',
    ...Array.from({ length: 100_000 }, (_, h) => {
      const at = new Date(Date.UTC(2010, 0, 1, h)).toISOString().slice(0, 16);
      return `${at},${(10 + (h % 24) / 2).toFixed(1)},0.1,${(1 + (h % 7) / 3).toFixed(2)},${40 + (h % 50)}`;
    }),
  ].join('\n');

  test('are given up on the way', async () => {
    const { id } = (await bring(hours)).body as FileView;
    expect((await ask(app).delete(`/api/weather-files/${id}`).send({})).status).toBe(200);
    expect((await ask(app).get(`/api/weather-files/${id}`)).status).toBe(404);
  });

  test('are read and stored while everybody else is answered, and told on the way', async () => {
    const { id } = (await bring(hours, 'hours.csv')).body as FileView;
    const seen = new Set<string>();
    for (;;) {
      const view = await look(id);
      seen.add(view.state);
      if (view.state === 'read') {
        expect(view.preview.goodRows).toBe(4166);
        break;
      }
      if (view.state === 'reading' && view.of > 0) expect(view.done).toBeLessThanOrEqual(view.of);
    }
    const stored = await store(id, { acceptRejected: true });
    expect(stored.body).toMatchObject({ stored: 4166, leftOut: 1 });
    expect(seen).toEqual(new Set(['reading', 'read']));
    // Asked while it was read, others were answered: that it was being read is one of the answers.
    expect(await ImportRow.count({ where: { fileName: 'hours.csv' } })).toBe(1);
  }, 60_000);
});

describe('many files at once', () => {
  test('of a garden and in all only so many wait to be read; what was read longest ago makes room', async () => {
    const files = await WeatherFiles.beside(join(dir, 'many'));
    const as = { units: {}, latitudeDeg: 47 };
    const days = Buffer.from(
      `date,tmin,tmax,rain\n${Array.from({ length: 60_000 }, (_, i) => `${addDays('1900-01-01', i)},1,2,0`).join('\n')}`,
    );
    const large = [1, 2, 3, 4].map((n) => files.bring(1, `large ${n}`, days, as));
    expect(() => files.bring(1, 'a fifth', days, as)).toThrow(TooManyFiles);
    // Another garden's small file does not wait behind them.
    const small = files.bring(2, 'small', Buffer.from('date,tmin,tmax,rain\n2026-07-01,11,20,0'), as);
    await small.reading;
    expect(large.some(({ understood }) => understood === null)).toBe(true);
    await Promise.all(large.map(({ reading }) => reading));
    const next = files.bring(1, 'a fifth', days, as);
    await next.reading;
    expect(() => files.find(large[0]?.id ?? '')).toThrow(FileGone);
    expect(files.find(large[3]?.id ?? '').name).toBe('large 4');
    // Waiting bytes are counted over all gardens.
    expect(() => files.bring(3, 'huge', Buffer.alloc(100_000_001), as)).toThrow(TooManyFiles);
    await files.stop();
  }, 60_000);
});
