import { arrived, changeAct, waitingActs, noteContact, withIdsAtServer, type WaitingAct } from './acts.ts';
import { clockOffset, HOUSE_HEADER, houseThatAnswered, isFromKibble, KEY_HEADER } from './answered.ts';

/** How a turn at sending ended: nothing is left, there is no way, or this device is not let in. */
export type Sent = 'all sent' | 'no way' | 'not let in';

/** Answers that say "later" and nothing of the act. */
const LATER = new Set([408, 429, 502, 503, 504, 507]);
const PATIENCE_MS = 15_000;

const idsOf = (answer: unknown): number[] => {
  const { id, ids } = (answer ?? {}) as { id?: number; ids?: number[] };
  return typeof id === 'number' ? [id] : Array.isArray(ids) ? ids : [];
};

/** Who is at home, and how far its clock is ahead of this one; null while Kibble does not answer. */
async function meet(): Promise<{ house: string; offsetMs: number } | null> {
  try {
    const answer = await fetch('/api/who', { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE_MS) });
    const house = houseThatAnswered(answer);
    const offsetMs = clockOffset(answer, Date.now());
    // An answer that was saved here is no contact.
    if (house === null || offsetMs === null || !isFromKibble(answer)) return null;
    await noteContact(house, offsetMs);
    return { house, offsetMs };
  } catch {
    return null;
  }
}

const ELSEWHERE = {
  code: 'wrong-address',
  message:
    'This was entered for another Kibble, with gardens of its own. It stays here until that one answers.',
};

async function sendOne(
  act: WaitingAct,
  { house, offsetMs }: { house: string; offsetMs: number },
): Promise<Sent | 'gone on'> {
  if ((act.house ?? house) !== house) {
    await changeAct({ ...act, refused: ELSEWHERE });
    return 'gone on';
  }
  const { url, body } = await withIdsAtServer(act.url, act.body);
  let answer: Response;
  try {
    answer = await fetch(`/api/${url}`, {
      method: act.method,
      headers: {
        'Content-Type': 'application/json',
        [KEY_HEADER]: act.key,
        [HOUSE_HEADER]: house,
        'Kibble-Moment': act.at,
        'Kibble-Offset': String(act.offsetMs ?? offsetMs),
      },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    return 'no way';
  }
  // Not by its status: a network's sign-in page says 200 to everything. A device that is not connected has no key to show.
  if (answer.status === 401 && isFromKibble(answer)) return 'not let in';
  if (!isFromKibble(answer, act.key) || LATER.has(answer.status)) return 'no way';
  const said = (await answer.json().catch(() => null)) as {
    error?: { code: string; message: string; field?: string };
  } | null;
  if (said === null) return 'no way';
  if (answer.ok) await arrived(act.seq, idsOf(said));
  else {
    const { code, message, field } = said.error ?? {
      code: 'internal',
      message: `Kibble answered ${answer.status}.`,
    };
    await changeAct({ ...act, refused: { code, message, field } });
  }
  return 'gone on';
}

async function sendAll(): Promise<Sent> {
  const waiting = async (): Promise<WaitingAct | undefined> =>
    (await waitingActs()).find(({ refused }) => !refused);
  if (!(await waiting())) return 'all sent';
  const home = await meet();
  if (!home) return 'no way';
  for (;;) {
    const next = await waiting();
    if (!next) return 'all sent';
    const sent = await sendOne(next, home);
    if (sent !== 'gone on') return sent;
  }
}

let under: Promise<Sent> | null = null;

/**
 * Sends home what was kept, one after another in the order in which it was done. What is refused stays, with the reason,
 * and the next one goes. Each bears its key, so that two tabs and the worker at once do it once all the same.
 */
export function sendWaiting(): Promise<Sent> {
  under ??= (
    'locks' in navigator ? navigator.locks.request<Promise<Sent>>('kibble-outbox', sendAll) : sendAll()
  ).finally(() => {
    under = null;
  });
  return under;
}
