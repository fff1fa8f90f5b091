import type { PlanChange, PlanTryView, RoundsTry, RoundsTryView } from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { shown } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    tryPlan: build.query<PlanTryView, { gardenId: number; change: PlanChange }>({
      query: ({ gardenId, change }) => call('tryPlan', { id: gardenId }, { body: change }),
      providesTags: shown('tryPlan'),
    }),
    tryRounds: build.query<RoundsTryView, { gardenId: number; tried: RoundsTry }>({
      query: ({ gardenId, tried }) => call('tryRounds', { id: gardenId }, { body: tried }),
      providesTags: shown('tryRounds'),
    }),
  }),
});

export const { useTryPlanQuery, useTryRoundsQuery } = more;
