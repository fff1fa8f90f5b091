import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api.ts';
import { roundListener } from './roundListener.ts';
import { noticeSlice } from '../state/noticeSlice.ts';
import { connectionSlice } from '../state/connectionSlice.ts';

export const store = configureStore({
  reducer: {
    [api.reducerPath]: api.reducer,
    notice: noticeSlice.reducer,
    connection: connectionSlice.reducer,
  },
  middleware: (defaults) => defaults().prepend(roundListener.middleware).concat(api.middleware),
});

// A tab that comes back to the front looks again at what another one changed.
setupListeners(store.dispatch);

export type RootState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
