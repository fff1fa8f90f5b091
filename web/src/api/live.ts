import { STALE, type Stale, type LiveMessage } from '@kibble/contract';
import { onWaitingChanged, waitingActs } from '../outbox/acts.ts';
import { isFromKibble, SAVED_HEADER } from '../outbox/answered.ts';
import { sendWaiting } from '../outbox/sendWaiting.ts';
import { api } from './api.ts';
import { beginAnewIfLacking } from '../state/lacking.ts';
import { PAGE } from '../state/page.ts';
import type { store as Store } from './store.ts';
import { staleIn } from './tags.ts';
import { waitingRead } from '../state/connectionSlice.ts';

/** While there is no way home it is looked for so often, ms. */
const LOOK_AGAIN_MS = 3000;
const ALL = STALE.everything;

/** What another page or device did, as the tags of what is another for it. */
function touchedBy({ beds, pots, gardenId }: LiveMessage): readonly unknown[] {
  if (gardenId === undefined) return ALL;
  const stale = (...of: Stale[]): unknown[] => of.flatMap((one) => staleIn(one, gardenId));
  if (pots) return stale('pots');
  // Of no bed: a tap's clock, a draft, a tick.
  if (beds?.length === 0) return stale('runs', 'drafts', 'ticks');
  if (!beds) return stale('everything');
  return [...stale('round', 'runs'), ...beds.map((id) => ({ type: 'Place' as const, id }))];
}

/**
 * Hears what others change while this page is looked at, looks for the way home while there is none, and sends what waits
 * here as soon as there is one. Of this page's own acts it need not hear.
 */
export function keepInStep(store: typeof Store): void {
  const { dispatch, getState } = store;
  const fresh = (tags: readonly unknown[]): void => {
    dispatch(api.util.invalidateTags(tags as never));
  };

  const readKept = async (): Promise<void> => {
    dispatch(waitingRead(await waitingActs()));
  };
  onWaitingChanged(() => void readKept().catch(() => undefined));

  const send = async (): Promise<void> => {
    await readKept();
    if (!getState().connection.waiting.some(({ refused }) => !refused)) return;
    const before = getState().connection.waiting.length;
    await sendWaiting();
    await readKept();
    if (getState().connection.waiting.length < before) fresh(ALL);
  };
  const sendSoon = (): void => void send().catch(() => undefined);

  let stream: EventSource | null = null;
  let broken = false;
  const listen = (): void => {
    stream?.close();
    stream = null;
    if (document.visibilityState === 'hidden') return;
    stream = new EventSource('/api/events');
    stream.onopen = () => {
      // What was missed in between is asked for.
      if (broken) fresh(ALL);
      broken = false;
      sendSoon();
    };
    stream.onerror = () => {
      broken = true;
    };
    stream.onmessage = ({ data }: MessageEvent<string>) => {
      const told = JSON.parse(data) as LiveMessage;
      if (told.by !== PAGE) fresh(touchedBy(told));
    };
  };
  document.addEventListener('visibilitychange', () => {
    // Whoever looks again sees what was done meanwhile; who does not takes no line of the house's.
    if (document.visibilityState === 'visible') {
      broken = true;
      sendSoon();
    }
    listen();
  });
  const lookForHome = (): void => {
    if (document.visibilityState === 'hidden') return;
    const { online, waiting } = getState().connection;
    const closed = stream?.readyState === EventSource.CLOSED;
    if (online && !closed && waiting.every(({ refused }) => refused)) return;
    void fetch('/api/who')
      .then((answer) => {
        if (!isFromKibble(answer) || answer.headers.has(SAVED_HEADER)) return;
        if (!online && beginAnewIfLacking()) return;
        if (!online) fresh(ALL);
        if (closed) listen();
        sendSoon();
      })
      .catch(() => undefined);
  };
  setInterval(lookForHome, LOOK_AGAIN_MS);
  window.addEventListener('online', lookForHome);
  sendSoon();
  listen();
}
