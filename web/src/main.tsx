import { setAutoFreeze } from 'immer';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { beginAsking } from './api/beginAsking.ts';
import { ALL_ROOMS, fetchRoom, Rooms } from './house/router.tsx';
import { fetchInTime } from './ui/later.tsx';
import { keepInStep } from './api/live.ts';
import { beginWorker } from './state/worker.ts';
import { store } from './api/store.ts';

// What home answers is never written to; to see to that of a whole garden's plan takes a slow phone a tenth of a second.
if (import.meta.env.PROD) setAutoFreeze(false);

const root = document.getElementById('root');
if (!root) throw new Error('The page has no #root to draw in.');

/** So long the first drawing waits for what it is to show, ms: drawn sooner it would be drawn twice. Judgement. */
const FIRST_DRAWING_MS = 400;

const { pathname } = window.location;
const known = Promise.allSettled([fetchRoom(pathname), beginAsking(pathname, store.dispatch)]);
window.addEventListener('kibble-stands', () => fetchInTime(ALL_ROOMS), { once: true });

// Not awaited at the top: rooms lean on this file's neighbours, and would wait for what waits for them.
void Promise.race([known, new Promise((waited) => setTimeout(waited, FIRST_DRAWING_MS))]).then(() => {
  createRoot(root).render(
    <StrictMode>
      <Provider store={store}>
        <BrowserRouter>
          <Rooms />
        </BrowserRouter>
      </Provider>
    </StrictMode>,
  );
  keepInStep(store);
  beginWorker();
});
