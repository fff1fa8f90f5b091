import { copyFileSync, existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Sequelize } from 'sequelize';
import { closeDatabase, openDatabase } from '../src/db/open.ts';

let template: string | null = null;

/** An empty database of today's state, opened: made once a process and copied from then on. For tests. */
export async function freshDatabase(file: string): Promise<Sequelize> {
  if (!template || !existsSync(template)) {
    const made = join(mkdtempSync(join(tmpdir(), 'kibble-template-')), 'kibble.sqlite');
    await closeDatabase(await openDatabase(made));
    template = made;
  }
  copyFileSync(template, file);
  return openDatabase(file);
}
