import type { AddressName, EntriesDraft } from '@kibble/contract';
import type { WaitingAct } from './acts.ts';

type Act = Pick<WaitingAct, 'url' | 'body' | 'name' | 'method'>;
type Named = { name: AddressName | null; url: string; body: unknown };

/** What a watering or a skip was called before everything became one log, as an entry of today. */
function entriesOf(what: string, bedId: number, body: unknown): EntriesDraft {
  const { on, note, ...said } = (body ?? {}) as { on?: string; note?: string };
  const kind = what === 'skips' ? 'skip' : 'watering';
  return { entries: [{ subject: { kind: 'bed', id: bedId }, body: { kind, ...said } as never, on, note }] };
}

/**
 * An act by the name of its address, whenever it was saved: what a device saved before addresses had names is read by how
 * they looked then. It is shown so; it is sent as it was saved, for it may have arrived already. May go with the old
 * addresses, on 1 December 2027.
 */
export function asToday({ name, url, body, method }: Act): Named {
  if (name) return { name, url, body };
  const [, bedId, what] = /^beds\/(\d+)\/(waterings|skips|run)$/.exec(url) ?? [];
  if (what === 'run') return { name: method === 'DELETE' ? 'closeRun' : 'openRun', url, body };
  if (bedId && what) return { name: 'addEntries', url, body: entriesOf(what, Number(bedId), body) };
  return { name: null, url, body };
}
