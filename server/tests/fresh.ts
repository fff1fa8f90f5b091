import { copyFileSync, existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Sequelize } from 'sequelize';
import { closeDatabase, openDatabase } from '../src/db/open.ts';
import { writerOf } from '../src/db/writer.ts';

let template: string | null = null;

/** What views have left to be saved is saved before the file is closed: no file is closed under a writer. */
export function closesInOrder(sequelize: Sequelize): Sequelize {
  const close = sequelize.close.bind(sequelize);
  sequelize.close = async () => {
    await writerOf(sequelize)(() => Promise.resolve());
    await close();
  };
  return sequelize;
}

/** An empty database of today's state, opened: made once a process and copied from then on. For tests. */
export async function freshDatabase(file: string): Promise<Sequelize> {
  if (!template || !existsSync(template)) {
    const made = join(mkdtempSync(join(tmpdir(), 'kibble-template-')), 'kibble.sqlite');
    await closeDatabase(await openDatabase(made));
    template = made;
  }
  copyFileSync(template, file);
  return closesInOrder(await openDatabase(file));
}
