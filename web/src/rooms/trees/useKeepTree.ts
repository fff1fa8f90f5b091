import type { BedPageView } from '@kibble/contract';
import type { TreeFacts } from '@kibble/core';
import { refusal } from '../../api/api.ts';
import { useChangeTreeMutation } from '../../api/trees.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';

/** Keeps a tree as it is told now, with its way back. */
export function useKeepTree(page: BedPageView) {
  const dispatch = useAppDispatch();
  const [change, { isLoading, error }] = useChangeTreeMutation();
  return {
    isLoading,
    refused: error ? refusal(error).message : null,
    keep: async (facts: TreeFacts, words: string): Promise<void> => {
      const { settings } = await change({
        bedId: page.bedId,
        body: { version: page.bed.version, tree: facts },
      }).unwrap();
      dispatch(
        noticeShown({ text: `${page.bedName} ${words}`, undo: undoesEntries(page.bed.gardenId, settings) }),
      );
    },
  };
}
