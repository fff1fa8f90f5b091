import type { BedPageView } from '@kibble/contract';
import type { TreeFacts } from '@kibble/core';
import { refusal } from '../../app/api.ts';
import { useChangeTreeMutation } from '../../app/treesApi.ts';
import { noticeShown, undoesEntries } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';

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
