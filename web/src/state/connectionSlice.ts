import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { WaitingAct } from '../outbox/acts.ts';

/** The way to the machine at home, and what waits here for it. */
export interface Way {
  home: boolean;
  /** Since when there is none, and of when what is shown is, ms. */
  lostAt: number | null;
  shownOf: number | null;
  /** What was done here and is not yet at home. */
  kept: WaitingAct[];
  /** This device has not been let in, or is no longer. */
  shut: boolean;
}
const initialState: Way = { home: true, lostAt: null, shownOf: null, kept: [], shut: false };

export const waySlice = createSlice({
  name: 'way',
  initialState,
  reducers: {
    wentOffline(state, { payload: { at, shownOf } }: PayloadAction<{ at: number; shownOf: number | null }>) {
      if (state.home) state.lostAt = at;
      state.home = false;
      state.shownOf = shownOf ?? state.shownOf;
    },
    cameOnline(state) {
      state.home = true;
      state.lostAt = null;
      state.shownOf = null;
      state.shut = false;
    },
    accessLost(state) {
      state.shut = true;
    },
    waitingRead(state, { payload }: PayloadAction<WaitingAct[]>) {
      state.kept = payload;
    },
  },
});
export const { wentOffline, cameOnline, accessLost, waitingRead } = waySlice.actions;
