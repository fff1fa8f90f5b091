import type { NewTreeDraft, TreeChange } from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { stale } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    addTree: build.mutation<{ id: number }, { gardenId: number; body: NewTreeDraft }>({
      query: ({ gardenId, body }) => call('addTree', { id: gardenId }, { body }),
      invalidatesTags: stale('addTree'),
    }),
    changeTree: build.mutation<{ id: number; settings: number[] }, { bedId: number; body: TreeChange }>({
      query: ({ bedId, body }) => call('changeTree', { id: bedId }, { body }),
      invalidatesTags: stale('changeTree'),
    }),
  }),
});

export const { useAddTreeMutation, useChangeTreeMutation } = more;
