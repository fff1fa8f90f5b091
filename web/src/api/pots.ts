import type { PotChange, PotDraft, SequenceBody } from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { stale } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    savePot: build.mutation<
      { id: number; settings?: number[] },
      { gardenId: number; potId?: number; body: PotDraft | PotChange }
    >({
      query: ({ gardenId, potId, body }) =>
        potId === undefined
          ? call('addPot', { id: gardenId }, { body })
          : call('changePot', { id: potId }, { body }),
      invalidatesTags: stale('changePot'),
    }),
    archivePot: build.mutation<{ id: number }, { potId: number; restore?: boolean }>({
      query: ({ potId: id, restore }) => call(restore ? 'restorePot' : 'archivePot', { id }),
      invalidatesTags: stale('archivePot'),
    }),
    copyPot: build.mutation<{ ids: number[] }, { potId: number; count: number }>({
      query: ({ potId, count }) => call('copyPot', { id: potId }, { body: { count } }),
      invalidatesTags: stale('copyPot'),
    }),
    beginSequence: build.mutation<{ id: number }, { gardenId: number; body: SequenceBody }>({
      query: ({ gardenId, body }) => call('beginSequence', { id: gardenId }, { body }),
      invalidatesTags: stale('beginSequence'),
    }),
    bedToPot: build.mutation<{ id: number }, { bedId: number; body: Pick<PotDraft, 'facts' | 'spot'> }>({
      query: ({ bedId, body }) => call('bedToPot', { id: bedId }, { body }),
      invalidatesTags: stale('bedToPot'),
    }),
    plantOut: build.mutation<{ id: number }, { potId: number; bedId: number; plantedOn?: string }>({
      query: ({ potId, ...body }) => call('plantOut', { id: potId }, { body }),
      invalidatesTags: stale('plantOut'),
    }),
  }),
});

export const {
  useSavePotMutation,
  useArchivePotMutation,
  useCopyPotMutation,
  useBeginSequenceMutation,
  useBedToPotMutation,
  usePlantOutMutation,
} = more;
