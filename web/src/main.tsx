import './styles.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { beginAsking } from './app/beginAsking.ts';
import { ALL_ROOMS, fetchRooms, Rooms } from './house/router.tsx';
import { fetchInTime } from './ui/later.tsx';
import { keepInStep } from './app/live.ts';
import { beginWorker } from './app/worker.ts';
import { store } from './app/store.ts';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no #root to draw in.');
// What the address asks for is on its way before anything is drawn.
fetchRooms(window.location.pathname);
window.addEventListener('kibble-stands', () => fetchInTime(ALL_ROOMS), { once: true });
beginAsking(window.location.pathname, store.dispatch);
keepInStep(store);
beginWorker();
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <BrowserRouter>
        <Rooms />
      </BrowserRouter>
    </Provider>
  </StrictMode>,
);
