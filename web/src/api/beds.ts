import type {
  BedDraftBody,
  BedLinks,
  BedsChange,
  BedsChanged,
  BedsTableBody,
  LadderView,
  OwnCropBody,
  PlantingChange,
  SchoolsView,
} from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { shown, stale } from './tags.ts';

/** What a bed's form sends; defaults are filled in by the server's schema. */
export type BedDraft = BedDraftBody;

const more = api.injectEndpoints({
  endpoints: (build) => ({
    saveBed: build.mutation<
      { id: number; settings?: number[] },
      { gardenId: number; bedId?: number; body: BedDraft & { version?: number; since?: string } }
    >({
      query: ({ gardenId, bedId, body }) =>
        bedId === undefined
          ? call('addBed', { id: gardenId }, { body })
          : call('changeBed', { id: bedId }, { body }),
      invalidatesTags: stale('changeBed'),
    }),
    archiveBed: build.mutation<{ id: number }, { bedId: number; restore?: boolean }>({
      query: ({ bedId: id, restore }) => call(restore ? 'restoreBed' : 'archiveBed', { id }),
      invalidatesTags: stale('archiveBed'),
    }),
    copyBed: build.mutation<{ ids: number[] }, { bedId: number; count: number }>({
      query: ({ bedId, count }) => call('copyBed', { id: bedId }, { body: { count } }),
      invalidatesTags: stale('copyBed'),
    }),
    addBedsOfTable: build.mutation<
      { ids: number[]; taps: number[] },
      { gardenId: number; body: BedsTableBody }
    >({
      query: ({ gardenId, body }) => call('addBedsOfTable', { id: gardenId }, { body }),
      invalidatesTags: stale('addBedsOfTable'),
    }),
    changeBeds: build.mutation<
      BedsChanged,
      { gardenId: number; body: { ids: number[]; change: BedsChange; since?: string } }
    >({
      query: ({ gardenId, body }) => call('changeBeds', { id: gardenId }, { body }),
      invalidatesTags: stale('changeBeds'),
    }),
    archiveBeds: build.mutation<{ ids: number[] }, { gardenId: number; ids: number[] }>({
      query: ({ gardenId, ids }) => call('archiveBeds', { id: gardenId }, { body: { ids } }),
      invalidatesTags: stale('archiveBeds'),
    }),
    linkBed: build.mutation<{ id: number }, { bedId: number; links: BedLinks }>({
      query: ({ bedId, links }) => call('linkBed', { id: bedId }, { body: links }),
      invalidatesTags: stale('linkBed'),
    }),
    savePlanting: build.mutation<
      { id: number },
      { bedId: number; plantingId?: number; body: PlantingChange }
    >({
      query: ({ bedId, plantingId, body }) =>
        plantingId === undefined
          ? call('addPlanting', { id: bedId }, { body })
          : call('changePlanting', { id: bedId, planting: plantingId }, { body }),
      invalidatesTags: stale('changePlanting'),
    }),
    removePlanting: build.mutation<{ id: number }, number>({
      query: (id) => call('removePlanting', { id }),
      invalidatesTags: stale('removePlanting'),
    }),
    addOwnCrop: build.mutation<{ id: string }, { gardenId: number; body: OwnCropBody }>({
      query: ({ gardenId, body }) => call('addCrop', { id: gardenId }, { body }),
      invalidatesTags: stale('addCrop'),
    }),
    moveSetting: build.mutation<{ ids: number[] }, { id: number; on: string }>({
      query: ({ id, on }) => call('moveSetting', { id }, { body: { on } }),
      invalidatesTags: stale('moveSetting'),
    }),
    ladder: build.query<LadderView, number>({
      query: (id) => call('ladder', { id }),
      providesTags: shown('ladder'),
    }),
    schools: build.query<SchoolsView, number>({
      query: (id) => call('schools', { id }),
      providesTags: shown('schools'),
    }),
  }),
});

export const {
  useSaveBedMutation,
  useArchiveBedMutation,
  useCopyBedMutation,
  useChangeBedsMutation,
  useArchiveBedsMutation,
  useAddBedsOfTableMutation,
  useLinkBedMutation,
  useSavePlantingMutation,
  useRemovePlantingMutation,
  useAddOwnCropMutation,
  useMoveSettingMutation,
  useLadderQuery,
  useSchoolsQuery,
} = more;
