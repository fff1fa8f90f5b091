import { cameHome, changeAct, idAtHome, keptActs, type KeptAct } from './acts.ts';

/** How a turn at sending ended: nothing is left, there is no way, or this device is not let in. */
export type Sent = 'all sent' | 'no way' | 'not let in';

/** Answers that say "later" and nothing of the act. */
const LATER = new Set([408, 429, 502, 503, 504, 507]);
const PATIENCE_MS = 15_000;

/** Ids that were made up here give way to those at home: in the address, and where entries are named by their ids. */
async function atHome(act: KeptAct): Promise<{ url: string; body: unknown }> {
  const real = async (id: number): Promise<number> => (id < 0 ? ((await idAtHome(id)) ?? id) : id);
  const [, standIn] = /\/(-\d+)(?=\/|$)/.exec(act.url) ?? [];
  const url =
    standIn === undefined ? act.url : act.url.replace(`/${standIn}`, `/${await real(Number(standIn))}`);
  const { ids } = (act.body ?? {}) as { ids?: unknown };
  if (!Array.isArray(ids)) return { url, body: act.body ?? {} };
  return { url, body: { ...(act.body as object), ids: await Promise.all(ids.map(real)) } };
}

const idsOf = (answer: unknown): number[] => {
  const { id, ids } = (answer ?? {}) as { id?: number; ids?: number[] };
  return typeof id === 'number' ? [id] : Array.isArray(ids) ? ids : [];
};

async function sendOne(act: KeptAct): Promise<Sent | 'gone on'> {
  const { url, body } = await atHome(act);
  let answer: Response;
  try {
    answer = await fetch(`/api/${url}`, {
      method: act.method,
      headers: {
        'Content-Type': 'application/json',
        'Idempotency-Key': act.key,
        'Kibble-Moment': act.at,
      },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    return 'no way';
  }
  if (answer.status === 401) return 'not let in';
  if (LATER.has(answer.status)) return 'no way';
  const said = (await answer.json().catch(() => null)) as {
    error?: { code: string; message: string };
  } | null;
  if (answer.ok) await cameHome(act.seq, idsOf(said));
  else
    await changeAct({
      ...act,
      refused: said?.error ?? { code: 'internal', message: `Kibble answered ${answer.status}.` },
    });
  return 'gone on';
}

async function sendAll(): Promise<Sent> {
  for (;;) {
    const next = (await keptActs()).find(({ refused }) => !refused);
    if (!next) return 'all sent';
    const sent = await sendOne(next);
    if (sent !== 'gone on') return sent;
  }
}

let under: Promise<Sent> | null = null;

/**
 * Sends home what was kept, one after another in the order in which it was done. What is refused stays, with the reason,
 * and the next one goes. Each bears its key, so that two tabs and the worker at once do it once all the same.
 */
export function sendKept(): Promise<Sent> {
  under ??= (
    'locks' in navigator ? navigator.locks.request<Promise<Sent>>('kibble-outbox', sendAll) : sendAll()
  ).finally(() => {
    under = null;
  });
  return under;
}
