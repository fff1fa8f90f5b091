import type { EntriesAnswer, EntryDraft } from '@kibble/contract';
import { refusal, useAddEntriesMutation, useUndoEntriesMutation } from '../api/api.ts';
import { useGarden } from '../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../state/noticeSlice.ts';
import { useAppDispatch } from '../api/store.ts';

type Body = EntryDraft['body'];
type More = Pick<EntryDraft, 'on' | 'hour' | 'note'>;

/** Something entered on a bed, on a pot, at a tap, or of the garden itself. */
export const onBed = (id: number, body: Body, more: More = {}): EntryDraft => ({
  subject: { kind: 'bed', id },
  body,
  ...more,
});
export const onPot = (id: number, body: Body, more: More = {}): EntryDraft => ({
  subject: { kind: 'pot', id },
  body,
  ...more,
});
export const atTap = (id: number, body: Body): EntryDraft => ({ subject: { kind: 'tap', id }, body });
export const inGarden = (id: number, body: Body, on?: string): EntryDraft => ({
  subject: { kind: 'garden', id },
  body,
  on,
});

/** Writing things down in the garden that is open, and undoing that. */
export function useEnter() {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const [add, { isLoading, error }] = useAddEntriesMutation();
  const [remove] = useUndoEntriesMutation();
  const enter = (
    entries: EntryDraft[],
    more: { sure?: boolean; key?: string } = {},
  ): Promise<EntriesAnswer> => add({ gardenId: garden.id, entries, ...more }).unwrap();
  return {
    isLoading,
    error,
    refused: error ? refusal(error).message : null,
    enter,
    /** Writes down, says so, and how to undo it. */
    enterAndSay: async (entries: EntryDraft[], text: string, sure = false): Promise<void> => {
      const { ids } = await enter(entries, { sure });
      dispatch(noticeShown({ text, undo: undoesEntries(garden.id, ids) }));
    },
    undo: (ids: number[]): Promise<EntriesAnswer> => remove({ gardenId: garden.id, ids }).unwrap(),
  };
}
