import type {
  ApiError,
  BedBody,
  BedPageView,
  EventView,
  GardenPatch,
  GardenView,
  ImportPreview,
  ImportResult,
  RoundView,
  SkipBody,
  WateringBody,
  WeatherView,
} from '@kibble/contract';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

/** What a setup or bed form sends; defaults are filled in by the server's schema. */
export type BedDraft = Partial<BedBody> &
  Pick<BedBody, 'name' | 'areaM2' | 'textureClass' | 'planting'> & {
    delivery: Partial<BedBody['delivery']> & Pick<BedBody['delivery'], 'method' | 'litresPerMinute'>;
  };
export interface GardenDraft {
  name: string;
  latitudeDeg: number;
  elevationM?: number;
  timeZone: string;
  units: 'metric' | 'us';
  clock?: { mode: 'real' } | { mode: 'practice'; date: string };
}
export interface ImportArgs {
  gardenId: number;
  text: string;
  fileName: string;
  units: Record<string, string>;
  acceptRejected?: boolean;
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['Garden', 'Water'],
  endpoints: (build) => ({
    gardens: build.query<GardenView[], null>({ query: () => 'gardens', providesTags: ['Garden'] }),
    round: build.query<RoundView, number>({ query: (id) => `gardens/${id}/round`, providesTags: ['Water'] }),
    bedPage: build.query<BedPageView, number>({ query: (id) => `beds/${id}`, providesTags: ['Water'] }),
    weather: build.query<WeatherView, number>({
      query: (id) => `gardens/${id}/weather`,
      providesTags: ['Water'],
    }),
    createGarden: build.mutation<GardenView, { garden: GardenDraft; bed: BedDraft }>({
      query: (body) => ({ url: 'gardens', method: 'POST', body }),
      invalidatesTags: ['Garden', 'Water'],
    }),
    changeGarden: build.mutation<GardenView, { id: number; patch: GardenPatch }>({
      query: ({ id, patch }) => ({ url: `gardens/${id}`, method: 'PATCH', body: patch }),
      invalidatesTags: ['Garden', 'Water'],
    }),
    stepClock: build.mutation<GardenView, { id: number; days: number }>({
      query: ({ id, days }) => ({ url: `gardens/${id}/step`, method: 'POST', body: { days } }),
      invalidatesTags: ['Garden', 'Water'],
    }),
    saveBed: build.mutation<{ id: number }, { gardenId: number; bedId?: number; body: BedDraft }>({
      query: ({ gardenId, bedId, body }) =>
        bedId === undefined
          ? { url: `gardens/${gardenId}/beds`, method: 'POST', body }
          : { url: `beds/${bedId}`, method: 'PUT', body },
      invalidatesTags: ['Garden', 'Water'],
    }),
    archiveBed: build.mutation<{ id: number }, { bedId: number; restore?: boolean }>({
      query: ({ bedId, restore }) =>
        restore
          ? { url: `beds/${bedId}/restore`, method: 'POST' }
          : { url: `beds/${bedId}`, method: 'DELETE' },
      invalidatesTags: ['Garden', 'Water'],
    }),
    logWatering: build.mutation<EventView, { bedId: number; body: Partial<WateringBody> }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/waterings`, method: 'POST', body }),
      invalidatesTags: ['Water'],
    }),
    logSkip: build.mutation<EventView, { bedId: number; body: SkipBody }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/skips`, method: 'POST', body }),
      invalidatesTags: ['Water'],
    }),
    logRain: build.mutation<EventView, { gardenId: number; date: string; rainMm: number }>({
      query: ({ gardenId, ...body }) => ({ url: `gardens/${gardenId}/rain`, method: 'POST', body }),
      invalidatesTags: ['Water'],
    }),
    markEvent: build.mutation<EventView, { id: number; restore?: boolean }>({
      query: ({ id, restore }) =>
        restore ? { url: `events/${id}/restore`, method: 'POST' } : { url: `events/${id}`, method: 'DELETE' },
      invalidatesTags: ['Water'],
    }),
    previewImport: build.mutation<ImportPreview, ImportArgs>({
      query: ({ gardenId, ...body }) => ({
        url: `gardens/${gardenId}/weather/preview`,
        method: 'POST',
        body,
      }),
    }),
    importWeather: build.mutation<ImportResult, ImportArgs>({
      query: ({ gardenId, ...body }) => ({ url: `gardens/${gardenId}/weather/import`, method: 'POST', body }),
      invalidatesTags: ['Water'],
    }),
  }),
});

/** The words of a refusal, whatever went wrong on the way. */
export function refusal(error: unknown): { message: string; field?: string } {
  const data = (error as { data?: ApiError } | undefined)?.data;
  if (data && typeof data === 'object' && 'error' in data) return data.error;
  return { message: 'Kibble did not answer. It may have been stopped; what you typed is still here.' };
}

export const {
  useGardensQuery,
  useRoundQuery,
  useBedPageQuery,
  useWeatherQuery,
  useCreateGardenMutation,
  useChangeGardenMutation,
  useStepClockMutation,
  useSaveBedMutation,
  useArchiveBedMutation,
  useLogWateringMutation,
  useLogSkipMutation,
  useLogRainMutation,
  useMarkEventMutation,
  usePreviewImportMutation,
  useImportWeatherMutation,
} = api;
