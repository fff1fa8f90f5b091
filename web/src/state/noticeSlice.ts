import type { AddressName } from '@kibble/contract';
import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';

/** One step by which an act is undone: something asked of home. */
export interface UndoStep {
  to: AddressName;
  /** What stands in the places of its address. */
  at?: Readonly<Record<string, string | number>>;
  body?: unknown;
  /** Part of the answer to the step before that goes with it. */
  takes?: string;
}

/** Undoing entries of a garden; none where there are none. */
export const undoesEntries = (gardenId: number, ids: readonly number[]): UndoStep[] =>
  ids.length > 0 ? [{ to: 'undoEntries', at: { id: gardenId }, body: { ids } }] : [];

/** The line at the foot of the page: what was just done, and how to take it back. */
export interface Notice {
  text: string;
  /** The steps by which it is undone, in their order. */
  undo?: readonly UndoStep[];
}
/** The same as it stands in the list of what was done. */
export interface Done extends Notice {
  id: string;
  at: number;
}

/** So many acts can be taken back, the last first. */
const REMEMBERED = 20;
const KEPT_AS = 'kibble.done.2';

/** Whether anything of it can be taken back. */
export const canUndo = ({ undo }: Notice): boolean => (undo?.length ?? 0) > 0;

/** Whether undoing it would undo an entry. */
const undoesEntry = ({ undo }: Notice, id: number): boolean =>
  (undo ?? []).some(
    ({ to, body }) => to === 'undoEntries' && ((body as { ids?: number[] }).ids ?? []).includes(id),
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
        state.current = payload as (typeof state)['current'];
        if (canUndo(payload))
          state.done = [payload, ...state.done].slice(0, REMEMBERED) as (typeof state)['done'];
      },
    },
    noticeDismissed(state) {
      state.current = null;
    },
    /** An entry was taken back where it stands: nothing of it is left to undo. */
    entryTaken(state, { payload: entryId }: PayloadAction<number>) {
      state.done = state.done.filter((done) => !undoesEntry(done as Done, entryId));
      if (state.current && undoesEntry(state.current, entryId)) state.current = null;
    },
    takenBack(state, { payload: id }: PayloadAction<string>) {
      state.done = state.done.filter((done) => done.id !== id);
      if (state.current?.id === id) state.current = null;
    },
  },
});

export const { noticeShown, noticeDismissed, entryTaken, takenBack } = noticeSlice.actions;
