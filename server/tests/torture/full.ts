import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { GARDEN, House, must, weatherFile } from './house.ts';

const DISK = '24m';
/** Bytes left free when the disk is filled: next to nothing. */
const LEFT = 4096;

/** A small disk of its own, or null where none may be made (it takes the right to mount). */
function smallDisk(): { path: string; fill: () => void; empty: () => void; remove: () => void } | null {
  const path = mkdtempSync(join(tmpdir(), 'kibble-full-'));
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK}`, 'tmpfs', path]).status !== 0) {
    rmSync(path, { recursive: true, force: true });
    return null;
  }
  const filler = join(path, 'filler');
  return {
    path,
    fill: () => {
      const { bavail, bsize } = statfsSync(path);
      writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize - LEFT)));
    },
    empty: () => rmSync(filler, { force: true }),
    remove: () => {
      spawnSync('umount', ['-l', path]);
      rmSync(path, { recursive: true, force: true });
    },
  };
}

const sound = async (house: House): Promise<void> => {
  const [check] = await house.rows<{ integrity_check: string }>('PRAGMA integrity_check');
  must(check?.integrity_check === 'ok', `the file is damaged: ${check?.integrity_check}`);
};

/** The disk full in every phase: refused in words, nothing half there, and all is well when there is room again. */
export async function fullDisk(): Promise<string> {
  const disk = smallDisk();
  if (!disk) return 'disk full: not tried, this machine lets no small disk be made';
  const house = new House(disk.path);
  const counted = async (table: string): Promise<number> =>
    (await house.rows<{ n: number }>(`SELECT count(*) AS n FROM ${table}`))[0]?.n ?? 0;
  /** Full to the last page: room that the journal was given earlier could take a small writing, so it is cut off first. */
  const fillToTheLast = async (): Promise<void> => {
    disk.empty();
    for (let i = 0; i < 50; i += 1) {
      const [cut] = await house.rows<{ busy: number }>('PRAGMA wal_checkpoint(TRUNCATE)');
      if (cut?.busy === 0) return disk.fill();
      await new Promise((later) => setTimeout(later, 100));
    }
    throw new Error('the journal could not be cut off');
  };
  try {
    // The first start.
    disk.fill();
    must(
      !(await house.start()) && /disk .* is full/i.test(house.words),
      `a first start on a full disk said: ${house.words}`,
    );
    disk.empty();
    must(await house.start(), `it did not start once there was room: ${house.words}`);
    must((await house.send('POST', '/gardens', GARDEN))?.status === 201, 'the first garden was not taken');

    // Writes of every kind.
    disk.fill();
    let taken = await counted("entries WHERE kind = 'watering'");
    let refused = 0;
    for (let i = 0; i < 60 && refused < 5; i += 1) {
      const answer = await house.send('POST', '/beds/1/waterings', { litres: 10, note: 'x'.repeat(400) });
      if (answer?.status === 201) taken += 1;
      else {
        refused += 1;
        must(
          answer?.status === 507 && /disk is full/i.test(answer.body.error?.message ?? ''),
          `a watering on a full disk was answered ${answer?.status}: ${JSON.stringify(answer?.body)}`,
        );
      }
    }
    must(refused === 5, 'the disk was never full');
    must(
      (await counted("entries WHERE kind = 'watering'")) === taken,
      'a refused watering stands, or a taken one does not',
    );
    await fillToTheLast();
    for (const [what, path, body] of [
      ['an import', '/gardens/1/weather/import', { text: weatherFile(1), fileName: 'big' }],
      ['a gauge', '/gardens/1/rain', { date: '2026-07-10', rainMm: 3 }],
    ] as const) {
      const answer = await house.send('POST', path, body);
      must(
        answer?.status === 507,
        `${what} on a full disk was answered ${answer?.status}: ${JSON.stringify(answer?.body)}`,
      );
    }
    must((await counted('imports')) + (await counted('weather_days')) === 0, 'half an import stands');
    const copy = await house.send('POST', '/your-data/copies', {});
    must(
      copy?.status === 507,
      `a copy on a full disk was answered ${copy?.status}: ${JSON.stringify(copy?.body)}`,
    );
    const looked = await house.send(
      'POST',
      '/your-data/look',
      new Uint8Array(readFileSync('server/fixtures/archive-006.zip')),
    );
    must(
      looked !== null && looked.status !== 200 && looked.status !== 500,
      `a look on a full disk was answered ${looked?.status}`,
    );
    disk.empty();
    const archive = new Uint8Array(readFileSync('server/fixtures/archive-006.zip'));
    const found = await house.send('POST', '/your-data/look', archive);
    must(found?.status === 200, 'the archive was not understood once there was room');
    await fillToTheLast();
    const restored = await house.send('POST', '/your-data/restore', { token: found?.body.token });
    must(
      restored?.status === 507,
      `a restore on a full disk was answered ${restored?.status}: ${JSON.stringify(restored?.body)}`,
    );
    must(
      (await counted("entries WHERE kind = 'watering'")) === taken,
      'a restore that had no room changed something',
    );
    must((await house.send('GET', '/gardens/1/round'))?.status === 200, 'a full disk took the round away');
    disk.empty();
    must(
      (await house.send('POST', '/beds/1/waterings', { litres: 10 }))?.status === 201,
      'no watering once there was room',
    );
    await sound(house);
    await house.stop();

    // The migration of an older file.
    for (const name of ['copies', 'incoming'])
      rmSync(join(disk.path, name), { recursive: true, force: true });
    for (const suffix of ['', '-wal', '-shm']) rmSync(`${house.file}${suffix}`, { force: true });
    copyFileSync('server/fixtures/kibble-005.sqlite', house.file);
    const entries = 'SELECT id, date, litres, rainMm, removedAt FROM events ORDER BY id';
    const before = JSON.stringify(await house.rows(entries));
    disk.fill();
    must(
      !(await house.start()) && /full/i.test(house.words),
      `a migration on a full disk said: ${house.words}`,
    );
    must(
      JSON.stringify(await house.rows(entries)) === before,
      'a migration that had no room changed an entry',
    );
    disk.empty();
    must(await house.start(), `the migration did not go through once there was room: ${house.words}`);
    await sound(house);
    must((await house.send('GET', '/gardens/1/round'))?.status === 200, 'no round after the migration');
    return 'disk full: first start, waterings, gauge, import, copy, restore and migration refused in words, nothing half there';
  } finally {
    await house.kill();
    disk.remove();
  }
}
