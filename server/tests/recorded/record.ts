import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { writeArchive } from '../../src/services/archive.ts';
import { appHere, settled } from '../appHere.ts';
import { freshDatabase } from '../fresh.ts';
import { RECORDED, type RecordedGarden } from './gardens.ts';
import { FOLDER, openRecorded, saveArchive, saveViews } from './recorded.ts';
import { entryNumbers, renumbered } from './renumbered.ts';
import { viewsOf } from './views.ts';

// node --import tsx server/tests/recorded/record.ts            builds the gardens that are not recorded yet, named
// node --import tsx server/tests/recorded/record.ts --views    asks the recorded ones for their views anew
// The archives are of the program that wrote them and stay as they are. Views are asked for anew only with a change
// that means to change plans, and the commit says so.

const folder = mkdtempSync(join(tmpdir(), 'kibble-recorded-'));
const [how, ...names] = process.argv.slice(2);

/** Builds a garden with today's program and saves its archive. */
async function build({ name, now, build: fill }: RecordedGarden): Promise<void> {
  const file = join(folder, `new-${name}.sqlite`);
  const clock = { now: new Date(now) };
  const sequelize = await freshDatabase(file);
  const app = appHere({ sequelize, wall: { now: () => clock.now }, log: pino({ level: 'silent' }) });
  await fill({ app, sequelize, clock });
  await settled(app);
  saveArchive(name, await writeArchive(file, join(folder, 'out'), new Date(now)));
  await sequelize.close();
}

mkdirSync(FOLDER, { recursive: true });
if (how !== '--views' && how !== '--build') throw new Error('say --build NAME… or --views');
for (const garden of RECORDED) {
  if (names.length > 0 && !names.includes(garden.name)) continue;
  if (how === '--build') await build(garden);
  const { sequelize, app } = await openRecorded(garden, folder);
  const views = await viewsOf(app);
  // Entries bear the numbers they had when the archive was made.
  saveViews(garden.name, renumbered(views, (await entryNumbers()).then) as typeof views);
  console.log(`${garden.name}: ${Object.keys(views).length} views`);
  await settled(app);
  await sequelize.close();
}
rmSync(folder, { recursive: true, force: true });
