import {
  fileName,
  fileUnitsBody,
  fileView,
  importBody,
  importResult,
  storeFileBody,
  type FileView,
} from '@kibble/contract';
import { reportProgress } from '../db/lock.ts';
import { ImportRow, type Garden } from '../db/models.ts';
import { answer, read, readId, Refusal } from '../errors.ts';
import { FileGone, PROGRESS, type Understood } from '../files/readings.ts';
import { TooManyFiles, type Brought } from '../files/weatherFiles.ts';
import { act, actAfter, type Answer } from '../http/act.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { todayOf } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { knownDays } from '../services/weather.ts';
import { storeImport } from '../services/weatherRows.ts';

const gone = (): Refusal =>
  new Refusal('not-found', 'This file is no longer at hand: choose it again.', 'file');

const full = (): Refusal =>
  new Refusal(
    'busy',
    'Too many weather files are being read just now. Wait until one of them is done, then choose this one again.',
    'file',
  );

/** Runs something on a file that was brought; one that is gone is told so. */
async function held<T>(work: () => T | Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof TooManyFiles) throw full();
    throw error instanceof FileGone ? gone() : error;
  }
}

/** What stands against storing what was read. */
function against(
  { problem, question, goodRows, rejectedCount, rejected, counted }: Understood,
  accepted: boolean,
) {
  if (question) return new Refusal('needs-consent', question.words, `units.${question.field}`);
  if (problem !== null || goodRows === 0)
    return new Refusal('invalid', problem ?? 'The file holds no day.', 'text');
  const [first] = rejected;
  return rejectedCount > 0 && !accepted
    ? new Refusal(
        'needs-consent',
        `${rejectedCount} row(s) cannot be read, the first on ${counted} ${first?.line}: ${first?.reason}. Say that they may be left out, or mend the file.`,
        'acceptRejected',
      )
    : null;
}

/** Files of weather: brought and read beside, looked at, stored from the same reading, and taken back as a whole. */
export function weatherFileRoutes(services: Services) {
  const { wall, files } = services;

  /** How far a file is, and what was understood of it. */
  async function viewOf(file: Brought): Promise<FileView> {
    const { id, understood, storing, progress } = file;
    if (storing) return { id, state: 'storing', ...storing };
    if (!understood)
      return {
        id,
        state: 'reading',
        done: Atomics.load(progress, PROGRESS.done),
        of: Atomics.load(progress, PROGRESS.of),
      };
    const today = todayOf(await findGarden(file.gardenId), wall);
    const { from, to } = understood;
    const known = from && to ? await knownDays(file.gardenId, from, to) : 0;
    return { id, state: 'read', preview: { ...understood, known, endsAhead: to !== null && to >= today } };
  }
  const readAs = (garden: Garden, units: Record<string, string>) => ({
    units,
    latitudeDeg: garden.latitudeDeg,
  });

  /** Stores what was read of a file, whole or not at all. */
  async function store(file: Brought, understood: Understood, acceptRejected: boolean): Promise<Answer> {
    const refusal = against(understood, acceptRejected);
    if (refusal) throw refusal;
    const { gardenId, name } = file;
    const { goodRows: count, rejectedCount, from, to } = understood;
    file.storing = { done: 0, of: count };
    try {
      const { id } = await storeImport(
        { gardenId, fileName: name, count },
        files.days(file),
        wall.now(),
        (upTo) => {
          file.storing = { done: upTo, of: count };
          reportProgress();
        },
      );
      return {
        status: 201,
        body: answer(importResult, { id, stored: count, from, to, leftOut: rejectedCount }),
        touched: { gardenId },
        after: () => void files.forget(file.id),
      };
    } finally {
      file.storing = null;
    }
  }

  const markImport = (away: boolean) =>
    act(services, async (req) => {
      const id = readId(req.params.id, 'import');
      const row = await ImportRow.findByPk(id);
      if (!row) throw new Refusal('not-found', `There is no import ${id}.`, 'import');
      await row.update({ removedAt: away ? wall.now() : null });
      return { body: { id } };
    });
  return handlers({
    // A file begins to be read, and is asked after by its name.
    bringWeatherFile: async (req, res) => {
      const garden = await findGarden(readId(req.params.id, 'garden'));
      const name = read(fileName, req.query.name);
      if (!Buffer.isBuffer(req.body) || req.body.length === 0)
        throw new Refusal('invalid', 'File must hold something; it is empty', 'file');
      const { body } = req as { body: Buffer };
      const file = await held(() => files.bring(garden.id, name, body, readAs(garden, {})));
      res.status(202).json(answer(fileView, await viewOf(file)));
    },
    weatherFile: async (req, res) => {
      res.json(answer(fileView, await held(async () => viewOf(files.find(String(req.params.file))))));
    },
    // Read again with what the gardener answered.
    rereadWeatherFile: async (req, res) => {
      const { units } = read(fileUnitsBody, req.body);
      const file = await held(() => files.find(String(req.params.file)));
      const garden = await findGarden(file.gardenId);
      const again = await held(() => files.readAgain(file.id, readAs(garden, units)));
      res.status(202).json(answer(fileView, await viewOf(again)));
    },
    forgetWeatherFile: async (req, res) => {
      await files.forget(String(req.params.file));
      res.json({ forgotten: true });
    },
    storeWeatherFile: actAfter(
      services,
      // Nobody who writes waits for a file that is still being read.
      (req) =>
        held(async () => {
          const file = files.find(String(req.params.file));
          return { file, understood: await file.reading };
        }),
      async (req, _proving, { file, understood }) => {
        const { acceptRejected } = read(storeFileBody, req.body);
        await findGarden(file.gardenId);
        return held(() => store(file, understood, acceptRejected));
      },
    ),
    // A short file brought in at once, unseen: for programs.
    importWeather: actAfter(
      services,
      (req) =>
        held(async () => {
          const garden = await findGarden(readId(req.params.id, 'garden'));
          const { text, fileName: name, units } = read(importBody, req.body);
          const file = files.bring(garden.id, name, Buffer.from(text), readAs(garden, units));
          return { file, understood: await file.reading };
        }),
      (req, _proving, { file, understood }) =>
        held(() => store(file, understood, read(importBody, req.body).acceptRejected)),
    ),
    undoImport: markImport(true),
    restoreImport: markImport(false),
  });
}
