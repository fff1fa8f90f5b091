import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root, SEEDED, startHouse } from './kibble.ts';

/** Builds the server where its sources are newer, and plants the demo's garden once; every test then begins with a copy of its file. */
export default async function seedOnce(): Promise<() => void> {
  execFileSync(process.execPath, ['scripts/buildServer.mjs'], { cwd: root, stdio: 'inherit' });
  const folder = mkdtempSync(join(tmpdir(), 'kibble-seeded-'));
  const file = join(folder, 'kibble.sqlite');
  const house = await startHouse('demo');
  // A server that was stopped has everything in the one file.
  await house.end();
  copyFileSync(join(house.data, 'kibble.sqlite'), file);
  await house.stop();
  process.env[SEEDED] = file;
  return () => rmSync(folder, { recursive: true, force: true });
}
