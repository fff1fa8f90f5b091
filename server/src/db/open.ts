import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize } from 'sequelize';
import { makeCopy } from './copies.ts';
import { HOUSE_KINDS, inspectFile, type HouseKind } from './inspect.ts';
import { migrate, MIGRATION_NAMES } from './migrate.ts';
import { defineModels } from './models.ts';
import { StartRefusal, startWords } from './startRefusal.ts';
import './writer.ts';

const WHOSE: Readonly<Record<HouseKind, string>> = { own: 'a garden of your own', demo: 'the demo garden' };

const connect = (file: string): Sequelize =>
  new Sequelize({ dialect: 'sqlite', storage: file, logging: false });

/** Runs work on a file; what the machine or the file refuses is said in words. */
async function inWords<T>(file: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const words = startWords(error, file);
    throw words ? new StartRefusal(words, { cause: error }) : error;
  }
}

/**
 * Opens the file (made when missing), in WAL mode with foreign keys on, and brings its tables up to date; before that
 * a dated copy is laid beside it. The models are bound to it from then on: one database a process.
 * @throws StartRefusal, in words, on a file that is damaged, another program's, another kind of garden's, or newer than this Kibble
 */
export function openDatabase(
  file: string,
  options: { kind?: HouseKind; now?: Date } = {},
): Promise<Sequelize> {
  const kind = options.kind ?? 'own';
  return inWords(file, async () => {
    if (file !== ':memory:') {
      mkdirSync(dirname(file), { recursive: true });
      await checkFile(file, kind, options.now ?? new Date(0));
    }
    const sequelize = connect(file);
    await sequelize.query('PRAGMA journal_mode = WAL');
    await sequelize.query('PRAGMA foreign_keys = ON');
    await sequelize.query(`PRAGMA application_id = ${HOUSE_KINDS[kind]}`);
    defineModels(sequelize);
    await migrate(sequelize);
    await sequelize.query('PRAGMA wal_checkpoint(PASSIVE)');
    return sequelize;
  });
}

/** Brings a file that is nobody's open garden (what is to be put back) up to date, or to an earlier state; makes an empty one. */
export function bringUpToDate(file: string, to?: string): Promise<void> {
  return inWords(file, async () => {
    const sequelize = connect(file);
    try {
      await sequelize.query('PRAGMA foreign_keys = ON');
      await migrate(sequelize, to);
    } finally {
      await sequelize.close();
    }
  });
}

/** Looks before anything is touched, and lays a copy aside where the tables are about to change. */
async function checkFile(file: string, kind: HouseKind, now: Date): Promise<void> {
  const facts = await inspectFile(file);
  const newer = facts.applied.filter((name) => !MIGRATION_NAMES.includes(name));
  if (newer.length > 0)
    throw new StartRefusal(
      `${file} was last opened by a newer Kibble (it knows of ${newer.join(', ')}, which this one does not). Start the newer one, or put back a copy from before: they lie in the folder “copies” beside it. Nothing was changed.`,
    );
  if (facts.kind !== null && facts.kind !== kind)
    throw new StartRefusal(
      `${file} holds ${WHOSE[facts.kind]}, and ${WHOSE[kind]} was asked for. Nothing was changed. Choose another folder with KIBBLE_DATA, or start ${facts.kind === 'demo' ? 'npm run demo' : 'npm start'}.`,
    );
  const pending = MIGRATION_NAMES.some((name) => !facts.applied.includes(name));
  if (pending && !facts.blank) await makeCopy(file, 'update', now);
}

/** Brings everything that was written into the one file, and lets go of it: the file alone is then the whole garden. */
export async function closeDatabase(sequelize: Sequelize): Promise<void> {
  await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined);
  await sequelize.close();
}
