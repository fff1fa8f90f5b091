import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { changeAct, forgetAct, idsAtServer, saveAct, waitingActs } from './acts.ts';
import { sendWaiting } from './sendWaiting.ts';

interface Sent {
  url: string;
  method: string;
  key: string;
  moment: string;
  offset: string;
  house: string;
  body: unknown;
}
let sent: Sent[] = [];
let answers: ((url: string) => Response | 'no way')[] = [];
const HOUSE = '0123456789abcdef01234567';
/** How far the clock at home is ahead of this one. */
const AHEAD_MS = 7000;
let house = HOUSE;
let key = '';
const signed = (): Record<string, string> => ({
  'Content-Type': 'application/json',
  'Kibble-House': house,
  'Kibble-Time': String(Date.now() + AHEAD_MS),
  'Idempotency-Key': key,
});
const ok =
  (body: unknown, status = 201) =>
  () =>
    new Response(JSON.stringify(body), { status, headers: signed() });
/** What lies between says 200 to everything. */
const signIn = () =>
  new Response('<html>Please sign in</html>', { headers: { 'Content-Type': 'text/html' } });
let who: () => Response = ok({ letIn: true }, 200);
const refused = (code: string, status: number) => ok({ error: { code, message: `${code}.` } }, status);

beforeEach(() => {
  sent = [];
  answers = [];
  house = HOUSE;
  who = ok({ letIn: true }, 200);
  Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
  globalThis.fetch = (async (url: string, asked: RequestInit) => {
    if (url === '/api/who') return who();
    const headers = new Headers(asked.headers);
    key = headers.get('Idempotency-Key') ?? '';
    sent.push({
      offset: headers.get('Kibble-Offset') ?? '',
      house: headers.get('Kibble-House') ?? '',
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
  for (const { seq } of await waitingActs()) await forgetAct(seq);
});

const keep = (n: number, more: object = {}) =>
  saveAct({
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
    expect(await sendWaiting()).toBe('all sent');
    expect(sent.map(({ url, key, moment }) => [url, key, moment])).toEqual(
      [1, 2, 3].map((n) => [`/api/beds/${n}/waterings`, `key-0000-${n}`, `2026-07-14T04:0${n}:00.000Z`]),
    );
    expect(await waitingActs()).toEqual([]);
  });

  test('without a way everything stays, and goes on from where it stood', async () => {
    for (const n of [1, 2]) await keep(n);
    answers = [ok({ id: 1 }), () => 'no way'];
    expect(await sendWaiting()).toBe('no way');
    expect((await waitingActs()).map(({ words }) => words)).toEqual(['Bed 2']);
    answers = [refused('busy', 503)];
    expect(await sendWaiting()).toBe('no way');
    expect(await sendWaiting()).toBe('all sent');
    // Sent three times under one key: home does it once.
    expect(new Set(sent.filter(({ url }) => url.includes('/2/')).map(({ key }) => key)).size).toBe(1);
  });

  test('what is refused stays with its reason, and the next one goes', async () => {
    for (const n of [1, 2]) await keep(n);
    answers = [refused('needs-consent', 409)];
    expect(await sendWaiting()).toBe('all sent');
    const [left] = await waitingActs();
    expect(left).toMatchObject({ words: 'Bed 1', refused: { code: 'needs-consent' } });
    expect(sent).toHaveLength(2);
    // Agreed to, it goes.
    if (left) await changeAct({ ...left, refused: undefined });
    expect(await sendWaiting()).toBe('all sent');
    expect(await waitingActs()).toEqual([]);
  });

  test('a device that is not let in keeps everything', async () => {
    await keep(1);
    answers = [refused('not-paired', 401)];
    expect(await sendWaiting()).toBe('not let in');
    expect(await waitingActs()).toHaveLength(1);
  });

  test('ids that were made up here give way to those at home, also in later acts', async () => {
    const entry = await keep(1);
    await keep(2, { method: 'DELETE', url: `events/-${entry.seq}`, body: {} });
    await keep(3, { url: 'gardens/1/pot-entries/remove', body: { ids: [-entry.seq, 12], depthMm: -3.5 } });
    answers = [ok({ id: 417 })];
    expect(await sendWaiting()).toBe('all sent');
    expect(sent[1]?.url).toBe('/api/events/417');
    expect(sent[2]?.body).toEqual({ ids: [417, 12], depthMm: -3.5 });
    expect(await idsAtServer(-entry.seq)).toEqual([417]);
  });

  test('a sign-in page that answers 200 takes nothing: every entry stays, whether it comes before or between', async () => {
    for (const n of [1, 2]) await keep(n);
    who = signIn;
    expect(await sendWaiting()).toBe('no way');
    expect(sent).toEqual([]);
    who = ok({ letIn: true }, 200);
    answers = [signIn];
    expect(await sendWaiting()).toBe('no way');
    // Signed, but the answer to something else.
    answers = [
      () => new Response('{"id":5}', { headers: { ...signed(), 'Idempotency-Key': 'another-key' } }),
    ];
    expect(await sendWaiting()).toBe('no way');
    // Half an answer proves nothing.
    answers = [() => new Response('{"id":', { headers: signed() })];
    expect(await sendWaiting()).toBe('no way');
    expect(await waitingActs()).toHaveLength(2);
    expect(await sendWaiting()).toBe('all sent');
  });

  test('is sent to the Kibble it was entered for and to no other, and says so', async () => {
    await keep(1, { house: HOUSE });
    house = 'ffffffffffffffffffffffff';
    expect(await sendWaiting()).toBe('all sent');
    expect(sent).toEqual([]);
    const [left] = await waitingActs();
    expect(left?.refused?.message).toMatch(/another Kibble/);
    house = HOUSE;
    if (left) await changeAct({ ...left, refused: undefined });
    expect(await sendWaiting()).toBe('all sent');
    expect(sent[0]?.house).toBe(HOUSE);
    expect(await waitingActs()).toEqual([]);
  });

  test('bears its moment by this clock and how far that was off; sent again, by the clocks of this contact', async () => {
    await keep(1, { offsetMs: -60_000 });
    await keep(2, { offsetMs: null });
    expect(await sendWaiting()).toBe('all sent');
    expect(sent.map(({ moment }) => moment)).toEqual([
      '2026-07-14T04:01:00.000Z',
      '2026-07-14T04:02:00.000Z',
    ]);
    expect(sent[0]?.offset).toBe('-60000');
    expect(Math.abs(Number(sent[1]?.offset) - AHEAD_MS)).toBeLessThan(1000);
  });

  test('two turns at once send each act once', async () => {
    await keep(1);
    await Promise.all([sendWaiting(), sendWaiting()]);
    expect(sent).toHaveLength(1);
  });
});
