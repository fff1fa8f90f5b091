import './styles.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { BrowserRouter } from 'react-router';
import { beginAsking } from './app/beginAsking.ts';
import { fetchRooms, Rooms } from './house/router.tsx';
import { keepInStep } from './app/live.ts';
import { beginWorker } from './app/worker.ts';
import { store } from './app/store.ts';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no #root to draw in.');
// What the address asks for is on its way before anything is drawn.
fetchRooms(window.location.pathname);
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
