import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { copiesOf } from '../../src/db/copies.ts';
import { POT, TREE } from '../oneBed.ts';
import { begun, startAgain, type Kill } from './kills.ts';
import { GARDEN, House, must, newFolder, pause } from './house.ts';

/** A phone's outbox goes home: each entry with its key, its moment and the file it was entered for; what was flushed before the kill and what is sent again after it stand once each, at their own moments. */
export async function outboxKilled(): Promise<Kill> {
  const house = await begun();
  let turn = 0;
  return async (when) => {
    turn += 1;
    const [own] = await house.rows<{ id: string }>('SELECT id FROM house');
    const acts = Array.from({ length: 12 }, (_, i) => ({
      key: `outbox-${turn}-${i}`,
      litres: 1 + i / 10 + turn / 1000,
      at: new Date(Date.now() - (12 - i) * 60_000).toISOString(),
    }));
    const send = (act: (typeof acts)[number]) =>
      house.send('POST', '/beds/1/waterings', { litres: act.litres, note: act.key }, act.key, {
        'Kibble-Moment': act.at,
        'Kibble-Offset': '1000',
        'Kibble-House': own?.id ?? '',
      });
    const acknowledged: string[] = [];
    let pulled = false;
    const flushing = (async () => {
      for (const act of acts) {
        if (pulled) return;
        if ((await send(act))?.status === 201) acknowledged.push(act.key);
      }
    })();
    await pause(20 + when * 400);
    await house.kill();
    pulled = true;
    await flushing;
    await startAgain(house);
    const stands = () =>
      house.rows<{ note: string; at: string; enteredAt: string }>(
        `SELECT note, at, enteredAt FROM entries WHERE note LIKE 'outbox-${turn}-%' ORDER BY id`,
      );
    const found = (await stands()).map(({ note }) => note);
    for (const key of acknowledged) must(found.includes(key), `acknowledged and gone: ${key}`);
    // The phone does not know what arrived, and sends everything again, in order.
    for (const act of acts) must((await send(act))?.status === 201, `not taken again: ${act.key}`);
    const rows = await stands();
    must(rows.length === acts.length, `${rows.length} of ${acts.length} entries stand`);
    for (const [i, { note, at, enteredAt }] of rows.entries()) {
      must(note === acts[i]?.key, `out of order: ${note}`);
      const ms = (text: string): number => Date.parse(text.replace(' +00:00', 'Z').replace(' ', 'T'));
      must(ms(at) - ms(enteredAt) === 1000, `${note} stands at another moment than its own`);
    }
  };
}

/** Devices are connected: one that was told it is, is known again; the book of devices is whole. */
export async function sharingKilled(): Promise<Kill> {
  const house = new House(newFolder(), ['--share=127.0.0.2']);
  must(await house.start(), `the first start was refused: ${house.words}`);
  must((await house.send('POST', '/gardens', GARDEN))?.status === 201, 'no garden');
  let n = 0;
  return async (when) => {
    const cookies: string[] = [];
    let pulled = false;
    const pairing = (async () => {
      while (!pulled) {
        const invited = await house.send('POST', '/sharing/invitation', { rights: 'round only' });
        const network = house.url.replace('127.0.0.1', '127.0.0.2');
        const answer = await fetch(`${network}/api/pair`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ code: invited?.body.code, name: `phone ${(n += 1)}` }),
        }).catch(() => null);
        const cookie = answer?.status === 201 ? answer.headers.get('Set-Cookie')?.split(';')[0] : null;
        if (cookie) cookies.push(cookie);
      }
    })();
    await pause(20 + when * 400);
    await house.kill();
    pulled = true;
    await pairing;
    must(
      !readdirSync(join(house.folder, 'sharing')).some((name) => name.endsWith('.unread')),
      'the book of devices was torn',
    );
    await startAgain(house);
    const network = house.url.replace('127.0.0.1', '127.0.0.2');
    for (const Cookie of cookies) {
      const round = await fetch(`${network}/api/gardens/1/round`, { headers: { Cookie } });
      must(round.status === 200, `a device that was connected is answered ${round.status}`);
      await round.text();
    }
  };
}

/** Everything is written to a file, and copies are made: what bears a name is whole, and the garden is as it was. */
export async function archiveKilled(): Promise<Kill> {
  const house = await begun();
  for (let i = 1; i <= 30; i += 1) await house.send('POST', '/beds/1/waterings', { litres: i });
  return async (when) => {
    const writing = Promise.all([
      fetch(`${house.url}/api/your-data/archive`)
        .then(async (answer) => (answer.ok ? new Uint8Array(await answer.arrayBuffer()) : null))
        .catch(() => null),
      house.send('POST', '/your-data/copies', {}),
    ]);
    await pause(when * 250);
    await house.kill();
    const [zip, copied] = await writing;
    await startAgain(house);
    // What arrived whole opens; what was cut short was never more than a broken download.
    if (zip) must('kibble.sqlite' in unzipSync(zip), 'an archive that arrived whole is not');
    const copies = copiesOf(house.file);
    must(copied?.status !== 201 || copies.length > 0, 'a copy was acknowledged and is gone');
    for (const { name } of copies) {
      const bytes = readFileSync(join(house.folder, 'copies', name));
      must(bytes.subarray(0, 15).toString() === 'SQLite format 3', `the copy ${name} is not whole`);
      const looked = await house.send('POST', '/your-data/look-copy', { copy: name });
      must(looked?.status === 200, `the copy ${name} cannot be put back: ${JSON.stringify(looked?.body)}`);
    }
    const [events] = await house.rows<{ n: number }>(
      "SELECT count(*) AS n FROM entries WHERE kind = 'watering'",
    );
    must(events?.n === 30, `${events?.n} of 30 entries stand`);
  };
}

/** Pots are weighed and watered, several entries at a time: all of a weigh-in stand, or none. */
export async function potsKilled(): Promise<Kill> {
  const house = await begun();
  for (let i = 1; i <= 4; i += 1)
    must(
      (await house.send('POST', '/gardens/1/pots', { ...POT, name: `Pot ${i}` }))?.status === 201,
      'no pot',
    );
  let n = 0;
  return async (when) => {
    const acknowledged: number[] = [];
    let pulled = false;
    const entering = (async () => {
      while (!pulled) {
        const millilitres = 100 + (n += 1);
        const entries = [1, 2, 3, 4].map((potId) => ({ potId, entry: { kind: 'given', millilitres } }));
        const answer = await house.send('POST', '/gardens/1/pot-entries', { entries }, `pots-round-${n}`);
        if (answer?.status === 201) acknowledged.push(millilitres);
      }
    })();
    await pause(20 + when * 400);
    await house.kill();
    pulled = true;
    await entering;
    await startAgain(house);
    const rows = await house.rows<{ ml: number; n: number }>(
      "SELECT json_extract(body, '$.millilitres') AS ml, count(*) AS n FROM entries WHERE kind = 'given' GROUP BY ml",
    );
    for (const { ml, n: pots } of rows)
      must(pots === 4, `of a walk with ${ml} mL ${pots} of 4 entries stand`);
    for (const ml of acknowledged)
      must(
        rows.some((row) => row.ml === ml),
        `acknowledged and gone: ${ml} mL`,
      );
  };
}

/** A tree is changed again and again: it stands as it was told last, or as under way, and its history has no gap. */
export async function treesKilled(): Promise<Kill> {
  const house = await begun();
  const made = await house.send('POST', '/gardens/1/trees', TREE);
  must(made?.status === 201, `no tree: ${JSON.stringify(made?.body)}`);
  const id = made?.body.id;
  let step = 0;
  let standing = 9;
  return async (when) => {
    let underWay = standing;
    let pulled = false;
    const changing = (async () => {
      while (!pulled) {
        const canopyM = Math.round((3 + ((step += 1) % 60) / 10) * 10) / 10;
        underWay = canopyM;
        const answer = await house.send('PUT', `/beds/${id}/tree`, { ...TREE.tree, canopyM });
        if (answer?.status === 200) standing = canopyM;
      }
    })();
    await pause(20 + when * 400);
    await house.kill();
    pulled = true;
    await changing;
    await startAgain(house);
    const rows = await house.rows<{ canopyM: number }>(
      `SELECT json_extract(body, '$.value.canopyM') AS canopyM FROM entries
       WHERE subjectKind = 'bed' AND subjectId = ${id} AND kind = 'tree' AND removedAt IS NULL AND supersededBy IS NULL`,
    );
    must(rows.length === 1, `${rows.length} trees stand in one place`);
    const now = rows[0]?.canopyM;
    must(now === standing || now === underWay, `${now} m stands, and ${standing} m was told last`);
    standing = now ?? standing;
  };
}
