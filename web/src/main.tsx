import './styles.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { router } from './house/router.tsx';
import { keepInStep } from './app/live.ts';
import { beginWorker } from './app/worker.ts';
import { store } from './app/store.ts';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no #root to draw in.');
keepInStep(store);
beginWorker();
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  </StrictMode>,
);
