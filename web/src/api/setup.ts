import type {
  BedDraftBody,
  ClimateAsk,
  ClimateView,
  GardenView,
  SetupSketch,
  TownView,
} from '@kibble/contract';
import type { Air, KnownClimate, Summers, Week } from '@kibble/core';
import { api } from './api.ts';
import { call } from './call.ts';
import { stale } from './tags.ts';

/** What the setup sends; defaults are filled in by the server's schema. */
export interface SetupDraft {
  garden: GardenDraft;
  /** Null where pots or trees come first. */
  bed: BedDraftBody | null;
  week?: Week;
}
export interface GardenDraft {
  name: string;
  latitudeDeg: number;
  elevationM?: number;
  longitudeDeg?: number | null;
  timeZone: string;
  town?: string | null;
  summers?: Summers | null;
  air?: Air | null;
  climateKnown?: KnownClimate | null;
  units: 'metric' | 'us';
  clock?: { mode: 'real' } | { mode: 'practice'; date: string };
}

const more = api.injectEndpoints({
  endpoints: (build) => ({
    createGarden: build.mutation<GardenView, SetupDraft>({
      query: (body) => call('addGarden', {}, { body }),
      invalidatesTags: stale('addGarden'),
    }),
    towns: build.query<TownView[], string>({ query: (named) => call('towns', {}, { params: { named } }) }),
    climate: build.query<ClimateView, ClimateAsk>({
      query: ({ latitudeDeg, longitudeDeg, elevationM }) =>
        call('climate', {}, { params: { latitudeDeg, longitudeDeg, elevationM } }),
    }),
    sketch: build.query<SetupSketch, SetupDraft>({
      query: (body) => call('sketchGarden', {}, { body }),
      keepUnusedDataFor: 5,
    }),
  }),
});

export const { useCreateGardenMutation, useTownsQuery, useClimateQuery, useSketchQuery } = more;
