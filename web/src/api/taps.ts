import type { TapDraft } from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { stale } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    saveTap: build.mutation<{ id: number }, { gardenId: number; tapId?: number; body: TapDraft }>({
      query: ({ gardenId, tapId, body }) =>
        tapId === undefined
          ? call('addTap', { id: gardenId }, { body })
          : call('changeTap', { id: tapId }, { body }),
      invalidatesTags: stale('changeTap'),
    }),
    archiveTap: build.mutation<{ id: number }, { tapId: number }>({
      query: ({ tapId: id }) => call('archiveTap', { id }),
      invalidatesTags: stale('archiveTap'),
    }),
  }),
});

export const { useSaveTapMutation, useArchiveTapMutation } = more;
