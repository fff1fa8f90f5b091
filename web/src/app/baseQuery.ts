import type { ApiError } from '@kibble/contract';
import {
  fetchBaseQuery,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import { actAnswered, keyOfAct } from './acts.ts';
import { inOwnUnits } from './refusalInUnits.ts';
import { unitsOf, type Units } from './units.ts';

const ask = fetchBaseQuery({ baseUrl: '/api' });
/** Pauses before an act whose answer did not come is sent again, ms. */
const AGAIN_AFTER_MS = [300, 1200];

/** Where the shell keeps which units the open garden speaks in. */
export const UNITS_KEY = 'kibble.units';
const spokenUnits = (): Units => unitsOf(localStorage.getItem(UNITS_KEY) === 'us' ? 'us' : 'metric');

function worded(error: FetchBaseQueryError): FetchBaseQueryError {
  const data = error.data as ApiError | undefined;
  return data?.error?.limit
    ? { ...error, data: { error: inOwnUnits(data.error, spokenUnits()) } as never }
    : error;
}

/** Stepping the clock twice in a second is meant; what is typed goes on being kept under its own name. */
const meantTwice = (url: string): boolean => url.endsWith('/step') || url.includes('/drafts/');

/** Asks the server. A change bears the key of its act, is sent again when no answer comes, and is done once. */
export const baseQuery: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (
  args,
  api,
  extra,
) => {
  const asked: FetchArgs = typeof args === 'string' ? { url: args } : args;
  const method = asked.method ?? 'GET';
  if (method === 'GET') {
    const result = await ask(asked, api, extra);
    return result.error ? { error: worded(result.error), meta: result.meta } : result;
  }
  const body: unknown = asked.body ?? {};
  const headers = new Headers(asked.headers as HeadersInit | undefined);
  const what = `${method} ${asked.url} ${body instanceof Blob ? body.size : JSON.stringify(body)}`;
  const mutates = api.type === 'mutation' && !(body instanceof Blob);
  const key =
    headers.get('Idempotency-Key') ??
    (meantTwice(asked.url) ? crypto.randomUUID() : keyOfAct(what, Date.now(), () => crypto.randomUUID()));
  if (mutates) headers.set('Idempotency-Key', key);
  const sent: FetchArgs = { ...asked, body, headers };
  let result = await ask(sent, api, extra);
  for (const pause of mutates ? AGAIN_AFTER_MS : []) {
    if (result.error?.status !== 'FETCH_ERROR') break;
    await new Promise((after) => setTimeout(after, pause));
    result = await ask(sent, api, extra);
  }
  if (mutates) actAnswered(what, key, Date.now(), result.error?.status !== 'FETCH_ERROR');
  return result.error ? { error: worded(result.error), meta: result.meta } : result;
};
