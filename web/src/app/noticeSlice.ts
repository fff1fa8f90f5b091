import type { BedDraftBody, GardenPatch } from '@kibble/contract';
import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** What an act needs to be taken back. */
export interface Undoes {
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
  /** A bed, a tap or a garden's settings as they were before they were changed. */
  undoBed?: { gardenId: number; bedId: number; body: BedDraftBody & { since?: string } };
  undoTap?: { gardenId: number; tapId: number; body: Record<string, unknown> };
  undoGarden?: { id: number; patch: GardenPatch };
}

/** The line at the foot of the page: what was just done, and how to take it back. */
export interface Notice extends Undoes {
  text: string;
}
/** The same as it stands in the list of what was done. */
export interface Done extends Notice {
  id: string;
  at: number;
}

/** So many acts can be taken back, the last first. */
const REMEMBERED = 20;
const KEPT_AS = 'kibble.done';

/** Whether anything of it can be taken back. */
export const canUndo = (notice: Notice): boolean =>
  Object.entries(notice).some(
    ([key, value]) =>
      key.startsWith('undo') && value !== undefined && !(Array.isArray(value) && value.length === 0),
  );

function remembered(): Done[] {
  try {
    return (JSON.parse(sessionStorage.getItem(KEPT_AS) ?? '[]') as Done[]).slice(0, REMEMBERED);
  } catch {
    return [];
  }
}
/** A reload forgets nothing of what can be taken back. */
export const rememberDone = (done: readonly Done[]): void =>
  sessionStorage.setItem(KEPT_AS, JSON.stringify(done));

const initialState: { current: Done | null; done: Done[] } = {
  current: null,
  done: typeof sessionStorage === 'undefined' ? [] : remembered(),
};

export const noticeSlice = createSlice({
  name: 'notice',
  initialState,
  reducers: {
    noticeShown: {
      prepare: (notice: Notice) => ({ payload: { ...notice, id: nanoid(), at: Date.now() } }),
      reducer(state, { payload }: PayloadAction<Done>) {
        state.current = payload;
        if (canUndo(payload)) state.done = [payload, ...state.done].slice(0, REMEMBERED);
      },
    },
    noticeDismissed(state) {
      state.current = null;
    },
    /** An entry was taken back where it stands: nothing of it is left to undo. */
    entryTaken(state, { payload: eventId }: PayloadAction<number>) {
      state.done = state.done.filter((done) => done.undoEventId !== eventId);
      if (state.current?.undoEventId === eventId) state.current = null;
    },
    takenBack(state, { payload: id }: PayloadAction<string>) {
      state.done = state.done.filter((done) => done.id !== id);
      if (state.current?.id === id) state.current = null;
    },
  },
});

export const { noticeShown, noticeDismissed, entryTaken, takenBack } = noticeSlice.actions;
