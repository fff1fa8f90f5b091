import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { WaitingAct } from '../outbox/acts.ts';

/** Whether the machine at home can be reached, and what waits on this device for it. */
export interface Connection {
  online: boolean;
  /** Since when it cannot, and of when what is shown is, ms. */
  lostAt: number | null;
  shownOf: number | null;
  /** Acts made here that are not yet at home. */
  waiting: WaitingAct[];
  /** This device has not been let in, or is no longer. */
  shut: boolean;
}
const initialState: Connection = { online: true, lostAt: null, shownOf: null, waiting: [], shut: false };

export const connectionSlice = createSlice({
  name: 'connection',
  initialState,
  reducers: {
    wentOffline(state, { payload: { at, shownOf } }: PayloadAction<{ at: number; shownOf: number | null }>) {
      if (state.online) state.lostAt = at;
      state.online = false;
      state.shownOf = shownOf ?? state.shownOf;
    },
    cameOnline(state) {
      state.online = true;
      state.lostAt = null;
      state.shownOf = null;
      state.shut = false;
    },
    accessLost(state) {
      state.shut = true;
    },
    waitingRead(state, { payload }: PayloadAction<WaitingAct[]>) {
      state.waiting = payload;
    },
  },
});
export const { wentOffline, cameOnline, accessLost, waitingRead } = connectionSlice.actions;
