import type { AddressName } from '@kibble/contract';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What the house at home had against an act that was kept here. */
export interface RefusedAct {
  code: string;
  message: string;
  field?: string;
}

/** An act done without a way home: as it will be sent, with the key under which it is done once and its moment. */
export interface WaitingAct {
  /** Its place in the order; also, negative, what stands for its id until it has one. */
  seq: number;
  key: string;
  /** When it was done by this device's clock, UTC. */
  at: string;
  /** How far Kibble's clock was ahead of this device's then, ms; null to take what the next contact says. */
  offsetMs?: number | null;
  /** The id of the file it was entered for: it is sent to no other. */
  house?: string | null;
  method: string;
  url: string;
  body: unknown;
  /** The name of its address; left out of what was saved before addresses had names. */
  name?: AddressName;
  gardenId: number | null;
  /** What it says of itself on the screen. */
  words: string;
  refused?: RefusedAct;
}

interface Tables extends DBSchema {
  acts: { key: number; value: WaitingAct };
  /** What an act that has gone home is called there. */
  came: { key: number; value: { seq: number; ids: number[] } };
  numbers: { key: string; value: { name: string; last: number } };
  /** What was learned of Kibble at the last live contact. */
  contact: { key: string; value: Contact };
}

/** What was learned of Kibble at the last live contact: the id of its file, and how far its clock is ahead of this one, ms. */
export interface Contact {
  name: 'last';
  house: string;
  offsetMs: number;
}

let opened: Promise<IDBPDatabase<Tables>> | null = null;
const book = (): Promise<IDBPDatabase<Tables>> => {
  opened ??= openDB<Tables>('kibble-outbox', 2, {
    upgrade(db, before) {
      if (before < 1) {
        db.createObjectStore('acts', { keyPath: 'seq' });
        db.createObjectStore('came', { keyPath: 'seq' });
        db.createObjectStore('numbers', { keyPath: 'name' });
      }
      if (before < 2) db.createObjectStore('contact', { keyPath: 'name' });
    },
  });
  return opened;
};

/** Other tabs and the worker are told that the list is another. */
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('kibble-outbox');
const heard = new Set<() => void>();
// Under Node, where it is tested, it would keep the process alive.
(channel as { unref?: () => void } | null)?.unref?.();
if (channel) channel.onmessage = () => heard.forEach((listener) => listener());
function tell(): void {
  channel?.postMessage('changed');
  heard.forEach((listener) => listener());
}
/** Calls back whenever what is kept changes, here or in another tab. */
export const onWaitingChanged = (listener: () => void): void => void heard.add(listener);

/** Everything that is kept here, in the order in which it was done; nothing where the browser keeps nothing for a page. */
export const waitingActs = async (): Promise<WaitingAct[]> =>
  typeof indexedDB === 'undefined' ? [] : (await book()).getAll('acts');

export async function saveAct(act: Omit<WaitingAct, 'seq'>): Promise<WaitingAct> {
  const db = await book();
  const tx = db.transaction(['acts', 'numbers'], 'readwrite');
  const { last } = (await tx.objectStore('numbers').get('act')) ?? { last: 0 };
  const kept = { ...act, seq: last + 1 };
  await tx.objectStore('numbers').put({ name: 'act', last: kept.seq });
  await tx.objectStore('acts').put(kept);
  await tx.done;
  tell();
  return kept;
}

let lastContact: Contact | null = null;
/** Clocks are no further apart than this when a contact says the same as the last one, ms. */
const SAME_CLOCK_MS = 500;

/** Takes note of who answered, and by what time. */
export async function noteContact(house: string, offsetMs: number): Promise<void> {
  const known = lastContact;
  if (known?.house === house && Math.abs(known.offsetMs - offsetMs) < SAME_CLOCK_MS) return;
  lastContact = { name: 'last', house, offsetMs };
  if (typeof indexedDB !== 'undefined') await (await book()).put('contact', lastContact);
}

/** What is known of Kibble from the last live contact, also one before this page was opened. */
export const knownContact = async (): Promise<Contact | null> =>
  lastContact ?? (await (await book()).get('contact', 'last')) ?? null;

export async function forgetAct(seq: number): Promise<void> {
  await (await book()).delete('acts', seq);
  tell();
}

export async function changeAct(act: WaitingAct): Promise<void> {
  await (await book()).put('acts', act);
  tell();
}

/** An act has come home: it is taken off the list and its ids are remembered. */
export async function arrived(seq: number, ids: number[]): Promise<void> {
  const db = await book();
  const tx = db.transaction(['acts', 'came'], 'readwrite');
  await tx.objectStore('came').put({ seq, ids });
  await tx.objectStore('acts').delete(seq);
  await tx.done;
  tell();
}

/** What stands at home for the id that an act had here; null while it is still here. */
export async function idsAtServer(standIn: number): Promise<number[] | null> {
  return (await (await book()).get('came', -standIn))?.ids ?? null;
}

/** An address and a body with the ids that stand at home in the place of those made up here; of several made by one act, all. */
export async function withIdsAtServer(url: string, body: unknown): Promise<{ url: string; body: unknown }> {
  const real = async (id: number): Promise<number[]> => (id < 0 ? ((await idsAtServer(id)) ?? [id]) : [id]);
  const [, standIn] = /\/(-\d+)(?=\/|$)/.exec(url) ?? [];
  const [first] = standIn === undefined ? [] : await real(Number(standIn));
  const { ids } = (body ?? {}) as { ids?: unknown };
  return {
    url: first === undefined ? url : url.replace(`/${standIn}`, `/${first}`),
    body: Array.isArray(ids)
      ? { ...(body as object), ids: (await Promise.all((ids as number[]).map(real))).flat() }
      : (body ?? {}),
  };
}
