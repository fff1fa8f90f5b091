import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The line at the foot of the page: what was just done, and how to take it back. */
export interface Notice {
  text: string;
  undoEventId?: number;
  undoBedId?: number;
  undoFindingIds?: number[];
  undoTapId?: number;
  undoPlantingId?: number;
  /** Beds just made, to be put away again. */
  undoBedIds?: number[];
  /** What a bed has been since a day, to be taken back. */
  undoSettingIds?: number[];
  /** What was just written down of pots, or a pot just put away. */
  undoPots?: { gardenId: number; ids: number[] };
  undoPotId?: number;
  /** Something by the clock that was given up. */
  undoSequenceId?: number;
  /** Pots just made, to be put away again. */
  undoPotIds?: number[];
  /** An import just stored, to be taken back as a whole. */
  undoImportId?: number;
  /** A garden just put away. */
  undoAwayId?: number;
  /** What was said of days' weather. */
  undoSaid?: { gardenId: number; ids: number[] };
  /** The copy of what stood before something was put back. */
  undoCopy?: string;
}

const initialState: { current: Notice | null } = { current: null };

export const noticeSlice = createSlice({
  name: 'notice',
  initialState,
  reducers: {
    noticeShown(state, action: PayloadAction<Notice>) {
      state.current = action.payload;
    },
    noticeDismissed(state) {
      state.current = null;
    },
  },
});

export const { noticeShown, noticeDismissed } = noticeSlice.actions;
