import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { changeAct, forgetAct, idAtHome, keepAct, keptActs } from './acts.ts';
import { sendKept } from './sendKept.ts';

interface Sent {
  url: string;
  method: string;
  key: string;
  moment: string;
  body: unknown;
}
let sent: Sent[] = [];
let answers: ((url: string) => Response | 'no way')[] = [];
const ok =
  (body: unknown, status = 201) =>
  () =>
    new Response(JSON.stringify(body), { status });
const refused = (code: string, status: number) => ok({ error: { code, message: `${code}.` } }, status);

beforeEach(() => {
  sent = [];
  answers = [];
  Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
  globalThis.fetch = (async (url: string, asked: RequestInit) => {
    const headers = new Headers(asked.headers);
    sent.push({
      url,
      method: asked.method ?? '',
      key: headers.get('Idempotency-Key') ?? '',
      moment: headers.get('Kibble-Moment') ?? '',
      body: JSON.parse(String(asked.body)),
    });
    const answer = (answers.shift() ?? ok({ id: 900 + sent.length }))(url);
    if (answer === 'no way') throw new TypeError('fetch failed');
    return answer;
  }) as typeof fetch;
});
afterEach(async () => {
  for (const { seq } of await keptActs()) await forgetAct(seq);
});

const keep = (n: number, more: object = {}) =>
  keepAct({
    key: `key-0000-${n}`,
    at: `2026-07-14T04:0${n}:00.000Z`,
    method: 'POST',
    url: `beds/${n}/waterings`,
    body: { litres: n },
    gardenId: 1,
    words: `Bed ${n}`,
    ...more,
  });

describe('the outbox', () => {
  test('goes home in the order in which things were done, each with its key and its moment, and is empty then', async () => {
    for (const n of [1, 2, 3]) await keep(n);
    expect(await sendKept()).toBe('all sent');
    expect(sent.map(({ url, key, moment }) => [url, key, moment])).toEqual(
      [1, 2, 3].map((n) => [`/api/beds/${n}/waterings`, `key-0000-${n}`, `2026-07-14T04:0${n}:00.000Z`]),
    );
    expect(await keptActs()).toEqual([]);
  });

  test('without a way everything stays, and goes on from where it stood', async () => {
    for (const n of [1, 2]) await keep(n);
    answers = [ok({ id: 1 }), () => 'no way'];
    expect(await sendKept()).toBe('no way');
    expect((await keptActs()).map(({ words }) => words)).toEqual(['Bed 2']);
    answers = [refused('busy', 503)];
    expect(await sendKept()).toBe('no way');
    expect(await sendKept()).toBe('all sent');
    // Sent three times under one key: home does it once.
    expect(new Set(sent.filter(({ url }) => url.includes('/2/')).map(({ key }) => key)).size).toBe(1);
  });

  test('what is refused stays with its reason, and the next one goes', async () => {
    for (const n of [1, 2]) await keep(n);
    answers = [refused('needs-consent', 409)];
    expect(await sendKept()).toBe('all sent');
    const [left] = await keptActs();
    expect(left).toMatchObject({ words: 'Bed 1', refused: { code: 'needs-consent' } });
    expect(sent).toHaveLength(2);
    // Agreed to, it goes.
    if (left) await changeAct({ ...left, refused: undefined });
    expect(await sendKept()).toBe('all sent');
    expect(await keptActs()).toEqual([]);
  });

  test('a device that is not let in keeps everything', async () => {
    await keep(1);
    answers = [refused('not-paired', 401)];
    expect(await sendKept()).toBe('not let in');
    expect(await keptActs()).toHaveLength(1);
  });

  test('ids that were made up here give way to those at home, also in later acts', async () => {
    const entry = await keep(1);
    await keep(2, { method: 'DELETE', url: `events/-${entry.seq}`, body: {} });
    await keep(3, { url: 'gardens/1/pot-entries/remove', body: { ids: [-entry.seq, 12], depthMm: -3.5 } });
    answers = [ok({ id: 417 })];
    expect(await sendKept()).toBe('all sent');
    expect(sent[1]?.url).toBe('/api/events/417');
    expect(sent[2]?.body).toEqual({ ids: [417, 12], depthMm: -3.5 });
    expect(await idAtHome(-entry.seq)).toBe(417);
  });

  test('two turns at once send each act once', async () => {
    await keep(1);
    await Promise.all([sendKept(), sendKept()]);
    expect(sent).toHaveLength(1);
  });
});
