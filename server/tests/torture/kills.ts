import { copyFileSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { beds as planted } from '@kibble/demo';
import { copiesOf } from '../../src/db/copies.ts';
import { GARDEN, House, must, newFolder, pause, weatherFile } from './house.ts';

/** One way of pulling the plug: given a number from 0 to 1 that says when, it must find everything whole afterwards. */
export type Kill = (when: number) => Promise<void>;

/** A house with a garden in it that is used again and again, so that damage would add up and show. */
export async function begun(): Promise<House> {
  const house = new House(newFolder());
  must(await house.start(), `the first start was refused: ${house.words}`);
  must((await house.send('POST', '/gardens', GARDEN))?.status === 201, 'the first garden was not taken');
  return house;
}

export async function startAgain(house: House): Promise<void> {
  must(await house.start(), `it did not open again: ${house.words}`);
  const [check] = await house.rows<{ integrity_check: string }>('PRAGMA integrity_check');
  must(check?.integrity_check === 'ok', `the file is damaged: ${check?.integrity_check}`);
  const round = await house.send('GET', '/gardens/1/round');
  must(round?.status === 200, `no round after the plug was pulled: ${JSON.stringify(round?.body)}`);
}

/** Waterings one after another, each under its key; what was acknowledged stands, and sent again nothing stands twice. */
export async function wateringsKilled(): Promise<Kill> {
  const house = await begun();
  let sent = 0;
  const acknowledged = new Set<string>();
  return async (when) => {
    const keys: string[] = [];
    let pulled = false;
    const writing = (async () => {
      while (!pulled) {
        const key = `watering-${(sent += 1)}`;
        keys.push(key);
        const answer = await house.send(
          'POST',
          '/beds/1/waterings',
          { litres: sent / 1000 + 1, note: key },
          key,
        );
        if (answer?.status === 201) acknowledged.add(key);
      }
    })();
    await pause(20 + when * 500);
    await house.kill();
    pulled = true;
    await writing;
    await startAgain(house);
    const notes = async (): Promise<string[]> =>
      (await house.rows<{ note: string }>("SELECT note FROM entries WHERE kind = 'watering'")).map(
        ({ note }) => note,
      );
    const stands = await notes();
    for (const key of acknowledged) must(stands.includes(key), `acknowledged and gone: ${key}`);
    must(new Set(stands).size === stands.length, 'a watering stands twice');
    // The page does not know whether its last one arrived, and sends it again.
    const last = keys.at(-1) as string;
    const litres = Number(last.slice('watering-'.length)) / 1000 + 1;
    must(
      (await house.send('POST', '/beds/1/waterings', { litres, note: last }, last))?.status === 201,
      'not taken again',
    );
    acknowledged.add(last);
    must(
      (await notes()).filter((note) => note === last).length === 1,
      `sent again, it stands twice: ${last}`,
    );
  };
}

/** The gauge of one day read anew again and again: one reading stands, and it is one that was sent last. */
export async function gaugeKilled(): Promise<Kill> {
  const house = await begun();
  let mm = 0;
  let standing: number | null = null;
  return async (when) => {
    let pulled = false;
    let underWay: number | null = null;
    const writing = (async () => {
      while (!pulled) {
        const rainMm = (mm += 1) / 100;
        const answer = await house.send('POST', '/gardens/1/rain', { date: '2026-07-10', rainMm });
        if (answer?.status === 201) standing = rainMm;
        // The one that was under way when the plug was pulled may stand; what was sent after it met nobody.
        else underWay ??= rainMm;
      }
    })();
    await pause(20 + when * 400);
    await house.kill();
    pulled = true;
    await writing;
    await startAgain(house);
    const rows = await house.rows<{ rainMm: number }>(
      "SELECT json_extract(body, '$.rainMm') AS rainMm FROM entries WHERE kind = 'rain' AND removedAt IS NULL",
    );
    must(
      rows.length === (standing === null ? rows.length : 1) && rows.length <= 1,
      `${rows.length} readings stand`,
    );
    const [reading] = rows;
    if (standing !== null)
      must(
        reading?.rainMm === standing || reading?.rainMm === underWay,
        `the reading that stands, ${reading?.rainMm}, is neither the last told nor the one under way`,
      );
    standing = reading?.rainMm ?? null;
  };
}

/** A file of weather taken in: all of its days stand, or none. */
export async function importKilled(): Promise<Kill> {
  const house = await begun();
  let mark = 0;
  return async (when) => {
    const text = weatherFile((mark += 1));
    const importing = house.send(
      'POST',
      '/gardens/1/weather/import',
      { text, fileName: `file ${mark}` },
      `import-${mark}`,
    );
    await pause(when * 500);
    await house.kill();
    const answer = await importing;
    await startAgain(house);
    const rows = await house.rows<{ days: number; stored: number }>(
      'SELECT days, (SELECT count(*) FROM weather_days WHERE importId = i.id) AS stored FROM imports i',
    );
    for (const { days, stored } of rows)
      must(days === 550 && stored === 550, `an import of ${days} days holds ${stored}`);
    const [told] = await house.rows<{ n: number }>(
      `SELECT count(*) AS n FROM imports WHERE fileName = 'file ${mark}'`,
    );
    must(answer?.status !== 201 || told?.n === 1, 'an import was acknowledged and is gone');
  };
}

/** What happened on the beds of a file, as it lay in the tables of 005 and as it lies in the log now. */
export const EVENTS_005 =
  'SELECT id, date, litres, minutes, netMm AS depthMm, rainMm, note FROM events ORDER BY id';
export const EVENTS_NOW = `SELECT oldId AS id, "on" AS date, json_extract(body, '$.litres') AS litres,
    json_extract(body, '$.minutes') AS minutes, json_extract(body, '$.depthMm') AS depthMm,
    json_extract(body, '$.rainMm') AS rainMm, note
  FROM entries JOIN entry_numbers ON entryId = entries.id AND oldTable = 'events' ORDER BY oldId`;

/** A file of the version before, brought up to date: before, after, but never between. */
export async function migrationKilled(): Promise<Kill> {
  const first = new House(newFolder());
  copyFileSync('server/fixtures/kibble-005.sqlite', first.file);
  const before = JSON.stringify(await first.rows(EVENTS_005));
  first.remove();
  return async (when) => {
    const house = new House(newFolder());
    copyFileSync('server/fixtures/kibble-005.sqlite', house.file);
    house.spawn();
    await pause(300 + when * 2500);
    await house.kill();
    await startAgain(house);
    must(JSON.stringify(await house.rows(EVENTS_NOW)) === before, 'the migration lost or changed an entry');
    must(
      copiesOf(house.file).some(({ reason }) => reason === 'update'),
      'no copy was made before the migration',
    );
    await house.kill();
    house.remove();
  };
}

/** The very first start, of the demo with all its planting out: it begins anew, whole. */
export async function firstStartKilled(): Promise<Kill> {
  return async (when) => {
    const house = new House(newFolder(), ['--demo']);
    house.spawn();
    await pause(200 + when * 3500);
    await house.kill();
    await startAgain(house);
    const [beds] = await house.rows<{ n: number }>('SELECT count(*) AS n FROM beds');
    const [waterings] = await house.rows<{ n: number }>(
      "SELECT count(*) AS n FROM entries WHERE kind = 'watering'",
    );
    must(
      beds?.n === planted.length && (waterings?.n ?? 0) > 100,
      `the demo began with ${beds?.n} beds and ${waterings?.n} entries`,
    );
    await house.kill();
    house.remove();
  };
}

/** A garden put back over another: one or the other, never a mixture. */
export async function restoreKilled(): Promise<Kill> {
  const house = await begun();
  for (let i = 1; i <= 40; i += 1) await house.send('POST', '/beds/1/waterings', { litres: i });
  await house.send('POST', '/gardens/1/weather/import', { text: weatherFile(1), fileName: 'mine' });
  const keep = join(house.folder, 'keep');
  mkdirSync(keep);
  const archive = new Uint8Array(await (await fetch(`${house.url}/api/your-data/archive`)).arrayBuffer());
  const other = new Uint8Array(readFileSync('server/fixtures/archive-006.zip'));
  const [MINE, OTHER] = ['Under torture 40 550', 'The first 1 1'];
  const state = async (): Promise<string> => {
    const [row] = await house.rows<{ state: string }>(
      `SELECT group_concat(name) || ' ' || (SELECT count(*) FROM entries WHERE kind = 'watering') || ' ' ||
        (SELECT count(*) FROM weather_days) AS state FROM gardens`,
    );
    return row?.state ?? '';
  };
  return async (when) => {
    const wanted = (await state()) === MINE ? other : archive;
    const looked = await house.send('POST', '/your-data/look', wanted);
    must(looked?.status === 200, `the archive was not understood: ${JSON.stringify(looked?.body)}`);
    const restoring = house.send('POST', '/your-data/restore', { token: looked?.body.token });
    await pause(when * 350);
    await house.kill();
    const answer = await restoring;
    await startAgain(house);
    const now = await state();
    must(now === MINE || now === OTHER, `a mixture stands: ${now}`);
    must(
      answer?.status !== 200 || now === (wanted === other ? OTHER : MINE),
      'a restore was acknowledged and is gone',
    );
  };
}
