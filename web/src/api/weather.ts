import type { FileView, ImportResult, StationBody } from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { shown, stale } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    // A file goes as it is and is read on the other side; how far that is, is asked until it is read.
    bringFile: build.mutation<FileView, { gardenId: number; name: string; file: Blob }>({
      query: ({ gardenId, name, file }) =>
        call(
          'bringWeatherFile',
          { id: gardenId },
          {
            params: { name: name.slice(-200) },
            body: file,
            headers: { 'Content-Type': 'application/octet-stream' },
          },
        ),
    }),
    weatherFile: build.query<FileView, string>({
      query: (file) => call('weatherFile', { file }),
      providesTags: shown('weatherFile'),
      keepUnusedDataFor: 0,
    }),
    readFileAgain: build.mutation<FileView, { id: string; units: Record<string, string> }>({
      query: ({ id, units }) => call('rereadWeatherFile', { file: id }, { body: { units } }),
      invalidatesTags: stale('rereadWeatherFile'),
    }),
    forgetFile: build.mutation<{ forgotten: boolean }, string>({
      query: (file) => call('forgetWeatherFile', { file }),
    }),
    storeFile: build.mutation<ImportResult, string>({
      query: (file) => call('storeWeatherFile', { file }, { body: { acceptRejected: true } }),
      invalidatesTags: stale('storeWeatherFile'),
    }),
    keepStation: build.mutation<{ url: string | null }, { gardenId: number; body: StationBody }>({
      query: ({ gardenId, body }) => call('setStation', { id: gardenId }, { body }),
      invalidatesTags: stale('setStation'),
    }),
    markImport: build.mutation<{ id: number }, { id: number; restore?: boolean }>({
      query: ({ id, restore }) => call(restore ? 'restoreImport' : 'undoImport', { id }),
      invalidatesTags: stale('undoImport'),
    }),
  }),
});

export const {
  useBringFileMutation,
  useWeatherFileQuery,
  useReadFileAgainMutation,
  useForgetFileMutation,
  useStoreFileMutation,
  useKeepStationMutation,
  useMarkImportMutation,
} = more;
