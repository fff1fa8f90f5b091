import { ADDRESSES, type ApiError, type GardenView, type RoundView, type TapRunView } from '@kibble/contract';
import {
  fetchBaseQuery,
  type BaseQueryApi,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
  type FetchBaseQueryMeta,
} from '@reduxjs/toolkit/query/react';
import { nanoid } from '@reduxjs/toolkit';
import {
  forgetAct,
  saveAct,
  waitingActs,
  knownContact,
  noteContact,
  withIdsAtServer,
} from '../outbox/acts.ts';
import { clockOffset, houseThatAnswered, isFromKibble, SAVED_HEADER } from '../outbox/answered.ts';
import { sendWaiting } from '../outbox/sendWaiting.ts';
import { actAnswered, keyOfAct } from './acts.ts';
import { PAGE } from '../state/page.ts';
import type { Call } from './call.ts';
import { gardenOfBed, OPTIMISTIC, type Known } from './optimistic.ts';
import { unitsOf, type Units } from '../words/units.ts';
import { accessLost, cameOnline, wentOffline, type Connection } from '../state/connectionSlice.ts';

/** No answer within this time is none, ms. */
const PATIENCE_MS = 20_000;
const ask = fetchBaseQuery({ baseUrl: '/api', timeout: PATIENCE_MS });
/** A file takes as long as it takes. */
const askPatiently = fetchBaseQuery({ baseUrl: '/api' });
/** Pauses before an act whose answer did not come is sent again, ms. */
const AGAIN_AFTER_MS = [300, 1200];

/** Where the shell keeps which units the open garden speaks in. */
export const UNITS_KEY = 'kibble.units';
const spokenUnits = (): Units => unitsOf(localStorage.getItem(UNITS_KEY) === 'us' ? 'us' : 'metric');

/** A refusal in the gardener's own units, or as home said it where the words for that do not come. */
async function worded(error: FetchBaseQueryError): Promise<FetchBaseQueryError> {
  const data = error.data as ApiError | undefined;
  if (!data?.error?.limit) return error;
  const words = await import('../words/refusalInUnits.ts').catch(() => null);
  return words ? { ...error, data: { error: words.inOwnUnits(data.error, spokenUnits()) } as never } : error;
}

/** Of an answer: what came with it, and of which garden it is. */
type Meta = FetchBaseQueryMeta & { gardenId?: number | null };
type Result = Awaited<
  ReturnType<BaseQueryFn<FetchArgs, unknown, FetchBaseQueryError, object, FetchBaseQueryMeta>>
>;
const noAnswer = ({ error }: Result): boolean =>
  error?.status === 'FETCH_ERROR' || error?.status === 'TIMEOUT_ERROR';

/** What was answered by anybody but Kibble is no answer. @param key of the act that was sent */
function byKibble(result: Result, key?: string): Result {
  const answer = result.meta?.response;
  // Who a device that is not connected is, is not asked of its key.
  if (!answer || isFromKibble(answer, answer.status === 401 ? undefined : key)) return result;
  return { error: { status: 'FETCH_ERROR', error: 'not Kibble' }, meta: result.meta };
}

const connectionOf = (api: BaseQueryApi): Connection =>
  (api.getState() as { connection: Connection }).connection;
let lastAnswerAt: number | null = null;

/** Takes note of whether there is a way home. */
function noteWay(result: Result, api: BaseQueryApi): void {
  const keptFrom = result.meta?.response?.headers.get(SAVED_HEADER);
  if (noAnswer(result)) {
    if (!api.signal.aborted) api.dispatch(wentOffline({ at: Date.now(), shownOf: lastAnswerAt }));
  } else if (keptFrom) {
    api.dispatch(wentOffline({ at: Date.now(), shownOf: Date.parse(keptFrom) || null }));
  } else {
    lastAnswerAt = Date.now();
    const answer = result.meta?.response;
    const house = answer && houseThatAnswered(answer);
    const offsetMs = answer && clockOffset(answer, lastAnswerAt);
    if (house && typeof offsetMs === 'number') void noteContact(house, offsetMs).catch(() => undefined);
    if (!connectionOf(api).online) api.dispatch(cameOnline());
    if ((result.error?.data as ApiError | undefined)?.error?.code === 'not-paired')
      api.dispatch(accessLost());
  }
}

interface Cached {
  endpointName?: string;
  originalArgs?: unknown;
  data?: unknown;
}
/** What this page knows of gardens, rounds and running taps. */
export function knownOn(state: unknown): Known {
  const { queries } = (state as { api: { queries: Record<string, Cached | undefined> } }).api;
  const of = <T>(name: string): { gardenId: number; data: T }[] =>
    Object.values(queries).flatMap((query) =>
      query?.endpointName === name && query.data !== undefined
        ? [{ gardenId: Number(query.originalArgs), data: query.data as T }]
        : [],
    );
  return {
    gardens: of<GardenView>('garden').map(({ data }) => data),
    rounds: of<RoundView>('round').map(({ gardenId, data }) => ({ gardenId, round: data })),
    runs: of<TapRunView[]>('runs').map(({ gardenId, data }) => ({ gardenId, runs: data })),
  };
}

/** What cannot wait says so. */
const needsServer = (): Result => ({
  error: {
    status: 'CUSTOM_ERROR',
    error: 'offline',
    data: {
      error: {
        code: 'busy',
        message:
          'You are offline, and this cannot wait on the phone. What you typed is still here: send it when you are back online.',
      },
    },
  },
});

/** An act that finds no way home is kept here, and answered by what stands for home's answer. */
async function saveForLater(
  called: Call,
  act: { method: string; url: string; body: unknown; key: string; at: string },
  api: BaseQueryApi,
): Promise<Result> {
  const { name, at: places } = called;
  const standIn = OPTIMISTIC[name];
  if (!standIn || !ADDRESSES[name].waits || typeof indexedDB === 'undefined') return needsServer();
  const { at } = act;
  const known = knownOn(api.getState());
  const asked = { at, body: act.body, seq: 0, places, known };
  const contact = await knownContact();
  const kept = await saveAct({
    ...act,
    name,
    offsetMs: contact?.offsetMs ?? null,
    house: contact?.house ?? null,
    gardenId: standIn.gardenOf?.(asked) ?? null,
    words: standIn.words(asked),
  });
  return { data: standIn.answer({ ...asked, seq: kept.seq }) };
}

/** Undoing what is still here: it is simply not sent. Null where it has gone home, or never was here. */
async function undoneHereOnly({ name }: Call, body: unknown): Promise<Result | null> {
  if (name !== 'undoEntries') return null;
  const { ids } = body as { ids: number[] };
  const seqs = ids.filter((id) => id < 0).map((id) => -id);
  if (seqs.length === 0) return null;
  const waiting = (await waitingActs()).filter(({ seq }) => seqs.includes(seq));
  if (waiting.length < seqs.length) return null;
  for (const { seq } of waiting) await forgetAct(seq);
  return { data: { ids, events: [], touched: { beds: [], pots: false } } };
}

/** The garden that a call is of, where that is known here. */
function gardenOf({ name, at }: Call, known: Known): number | null {
  const { path } = ADDRESSES[name];
  if (path.startsWith('/api/gardens/:id')) return Number(at.id);
  return path.startsWith('/api/beds/:id') ? gardenOfBed(Number(at.id), known) : null;
}

/** Asks the server. A change bears the key of its act, is sent again when no answer comes, and is done once; without a way home it waits here. */
export const baseQuery: BaseQueryFn<Call, unknown, FetchBaseQueryError, object, Meta> = async (
  asked,
  api,
  extra,
) => {
  const { name } = asked;
  const { method, slow, repeatable, waits: mayWait } = ADDRESSES[name];
  const told = async (result: Result): Promise<Result> => {
    noteWay(result, api);
    if (result.error) return { error: await worded(result.error), meta: result.meta };
    // Frozen outside, the store takes it as it is; else it looks through a whole garden's plan for what might be a draft.
    Object.freeze(result.data);
    return result;
  };
  if (method === 'GET') return told(byKibble(await ask(asked, api, extra)));
  const body: unknown = asked.body ?? {};
  const headers = new Headers(asked.headers as HeadersInit | undefined);
  const mutates = api.type === 'mutation' && !(body instanceof Blob);
  if (!mutates) return told(byKibble(await askPatiently({ ...asked, body, headers }, api, extra)));
  // Its moment is when it was done, not when it turned out that nobody answers.
  const at = new Date().toISOString();
  const takenBack = await undoneHereOnly(asked, body);
  if (takenBack) return takenBack;
  const { url, body: sentBody } = await withIdsAtServer(asked.url, body);
  const what = `${method} ${url} ${JSON.stringify(sentBody)}`;
  const key =
    headers.get('Idempotency-Key') ?? (repeatable ? nanoid() : keyOfAct(what, Date.now(), () => nanoid()));
  const act = { method, url, body: sentBody, key, at };
  // By which garden's pictures go stale, where the change itself does not say.
  const meta = { gardenId: gardenOf(asked, knownOn(api.getState())) };
  headers.set('Idempotency-Key', key);
  headers.set('Kibble-Page', PAGE);
  const sent: FetchArgs = { ...asked, url, body: sentBody, headers };
  // What waits here goes first: home learns of things in the order in which they were done.
  const waits =
    connectionOf(api).waiting.some(({ refused }) => !refused) && (await sendWaiting()) !== 'all sent';
  if (waits && mayWait) return saveForLater(asked, act, api);
  const sendIt = async (): Promise<Result> =>
    byKibble(await (slow ? askPatiently : ask)(sent, api, extra), key);
  let result = await sendIt();
  for (const pause of connectionOf(api).online && navigator.onLine ? AGAIN_AFTER_MS : []) {
    if (!noAnswer(result)) break;
    await new Promise((after) => setTimeout(after, pause));
    result = await sendIt();
  }
  actAnswered(what, key, Date.now(), !noAnswer(result));
  noteWay(result, api);
  if (noAnswer(result)) return saveForLater(asked, act, api);
  return result.error
    ? { error: await worded(result.error), meta: { ...result.meta, ...meta } as Meta }
    : { data: result.data, meta: { ...result.meta, ...meta } as Meta };
};
