import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import {
  copyView,
  lookBody,
  lookView,
  progressView,
  restoreBody,
  restoredView,
  yourDataView,
} from '@kibble/contract';
import { copiesOf, copyNamed, makeCopy } from '../db/copies.ts';
import { whileReporting } from '../db/lock.ts';
import { LATEST } from '../db/migrate.ts';
import { answer, read, Refusal } from '../errors.ts';
import { landed } from '../http/landed.ts';
import { act } from '../http/act.ts';
import { factsOf, pour, writeArchive } from '../services/archive.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { forgetHouse } from '../services/house.ts';

/** Settings › Your data: where it lies, its copies, everything into a file, and back. */
export function yourDataRoutes(services: Services) {
  const { sequelize, wall, checking } = services;

  const kept = (): { file: string; stationUrl: string | null } => {
    if (services.data) return services.data;
    throw new Refusal('conflict', 'This Kibble keeps nothing on disk, so there is nothing to copy.', 'data');
  };
  /** Where what is to be put back waits until it is agreed to; of one at a time. */
  const incoming = (file: string): string => join(dirname(file), 'incoming');
  const waiting = (file: string, token: string): string => {
    const path = join(incoming(file), `${token}.sqlite`);
    if (!/^[0-9a-f]{24}$/.test(token) || !existsSync(path))
      throw new Refusal('not-found', 'That file is not there any more; choose it anew.', 'token');
    return path;
  };

  /** Checks a file that was laid among what is to be put back, and says what it holds. Nothing of the garden is touched. */
  const look = async (brought: string, name: string) => {
    const folder = incoming(kept().file);
    const token = randomBytes(12).toString('hex');
    const target = join(folder, `${token}.sqlite`);
    await checking.check(brought, target);
    for (const old of readdirSync(folder))
      if (!old.startsWith(token) && old !== 'brought') rmSync(join(folder, old), { force: true });
    return answer(lookView, { token, name, tables: LATEST, ...(await factsOf(target)) });
  };
  /** Where what somebody brings is laid until it has been checked. */
  const landing = (): string => {
    const folder = incoming(kept().file);
    mkdirSync(folder, { recursive: true });
    return join(folder, `brought-${randomBytes(6).toString('hex')}`);
  };

  return handlers({
    yourData: async (_req, res) => {
      const { file } = kept();
      res.json(
        answer(yourDataView, {
          file,
          bytes: statSync(file).size,
          copies: copiesOf(file),
          gardens: (await factsOf(file)).gardens,
        }),
      );
    },
    makeCopy: async (_req, res) => {
      const copy = await makeCopy(kept().file, 'asked', wall.now());
      res.status(201).json(answer(copyView, copy));
    },
    archive: async (_req, res) => {
      const { file } = kept();
      const now = wall.now();
      const bytes = await writeArchive(file, incoming(file), now);
      res
        .type('application/zip')
        .set('Content-Disposition', `attachment; filename="kibble-${now.toISOString().slice(0, 10)}.zip"`)
        .send(Buffer.from(bytes));
    },
    // Looks at what somebody brings. Nothing of the garden is touched.
    lookAtFile: async (req, res) => {
      const brought = landing();
      try {
        const bytes = await landed(req, brought);
        if (bytes === 0) throw new Refusal('invalid', 'File must be a file of Kibble’s; got nothing', 'file');
        res.json(await look(brought, 'the file you chose'));
      } finally {
        rmSync(brought, { force: true });
      }
    },
    lookAtCopy: async (req, res) => {
      const { copy } = read(lookBody, req.body);
      const path = copyNamed(kept().file, copy);
      if (!path) throw new Refusal('not-found', `There is no copy ${copy}.`, 'copy');
      const brought = landing();
      await copyFile(path, brought);
      res.json(await look(brought, copy));
    },
    lookProgress: (_req, res) => {
      res.json(answer(progressView, checking.progress()));
    },

    restore: act(services, async (req) => {
      const { file, stationUrl } = kept();
      const { token } = read(restoreBody, req.body);
      const source = waiting(file, token);
      const { gardens } = await factsOf(source);
      const undo = await whileReporting(() => makeCopy(file, 'restore', wall.now()));
      await pour(sequelize, source, stationUrl);
      services.plans.dropUnsaved();
      rmSync(source, { force: true });
      return {
        body: answer(restoredView, { gardens, undo: undo?.name ?? null }),
        after: () => {
          forgetHouse(sequelize);
          services.onGardens?.();
        },
      };
    }),
  });
}
