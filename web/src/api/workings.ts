import type { Explainable, TryBody, TryView, WorkingView } from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { shown } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    numberWorking: build.query<WorkingView, { bedId: number; of: Explainable }>({
      query: ({ bedId, of }) => call('numberWorking', { id: bedId, number: of }),
      providesTags: shown('numberWorking'),
    }),
    dayWorking: build.query<WorkingView, { gardenId: number; date: string }>({
      query: ({ gardenId, date }) => call('dayWorking', { id: gardenId, date }),
      providesTags: shown('dayWorking'),
    }),
    tryOnBed: build.query<TryView, { bedId: number; body: TryBody }>({
      query: ({ bedId, body }) => call('tryOnBed', { id: bedId }, { body }),
      providesTags: shown('tryOnBed'),
    }),
  }),
});

export const { useNumberWorkingQuery, useDayWorkingQuery, useTryOnBedQuery } = more;
