import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { KeptAct } from '../outbox/acts.ts';

/** The way to the machine at home, and what waits here for it. */
export interface Way {
  home: boolean;
  /** Since when there is none, and of when what is shown is, ms. */
  lostAt: number | null;
  shownOf: number | null;
  /** What was done here and is not yet at home. */
  kept: KeptAct[];
  /** This device has not been let in, or is no longer. */
  shut: boolean;
}
const initialState: Way = { home: true, lostAt: null, shownOf: null, kept: [], shut: false };

export const waySlice = createSlice({
  name: 'way',
  initialState,
  reducers: {
    wayLost(state, { payload: { at, shownOf } }: PayloadAction<{ at: number; shownOf: number | null }>) {
      if (state.home) state.lostAt = at;
      state.home = false;
      state.shownOf = shownOf ?? state.shownOf;
    },
    wayFound(state) {
      state.home = true;
      state.lostAt = null;
      state.shownOf = null;
      state.shut = false;
    },
    doorShut(state) {
      state.shut = true;
    },
    keptRead(state, { payload }: PayloadAction<KeptAct[]>) {
      state.kept = payload;
    },
  },
});
export const { wayLost, wayFound, doorShut, keptRead } = waySlice.actions;
