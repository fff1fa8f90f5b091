import {
  TAGS,
  type AddressName,
  type ApiError,
  type AfterRainView,
  type BedPageView,
  type DraftView,
  type EntriesAnswer,
  type EntriesDraft,
  type EventView,
  type FortnightView,
  type GardenName,
  type GardenPatch,
  type GardenView,
  type PotPageView,
  type PotsView,
  type ProgressView,
  type RoundView,
  type RunBody,
  type SectionView,
  type SequenceStep,
  type SharpenView,
  type StopView,
  type TapRunView,
  type TickView,
  type TreesView,
  type UnplannedBedView,
  type WalkView,
  type WeatherView,
  type WhoView,
} from '@kibble/contract';
import { isSeenTo } from '@kibble/core';
import { createApi } from '@reduxjs/toolkit/query/react';
import { waitingActs } from '../outbox/acts.ts';
import { baseQuery, knownOn } from './baseQuery.ts';
import { call, type At } from './call.ts';
import { entryTaken, noticeDismissed, noticeShown } from '../state/noticeSlice.ts';
import { settled, unsettled } from './settled.ts';
import { eventsOfAct, runsWith, standingOf, type Known } from './optimistic.ts';
import { shown, stale, staleByEntries } from './tags.ts';

/** Entries of a garden, about to be made. `key` names an act that several tabs or tries may send: it is done once. */
export interface Entering extends EntriesDraft {
  gardenId: number;
  key?: string;
}

/** Stops that were ticked, by the entry that stands for them here, until home has answered. */
const ticked = new Map<number, StopView>();
let lastTick = 0;

interface Ticking<T> {
  dispatch: (action: never) => unknown;
  getState: () => unknown;
  queryFulfilled: Promise<{ data: T }>;
}
const inRound =
  (dispatch: Ticking<unknown>['dispatch'], gardenId: number) =>
  (change: (round: RoundView) => RoundView): void => {
    dispatch(api.util.updateQueryData('round', gardenId, change) as never);
  };

/** A ticked stop leaves at once; a refusal brings it back. */
async function leaveAtOnce(
  { gardenId, entries }: Entering,
  { dispatch, getState, queryFulfilled }: Ticking<EntriesAnswer>,
): Promise<void> {
  const known = knownOn(getState());
  const seq = (lastTick = Math.max(Date.now(), lastTick + 1));
  const { name, url, method } = call('addEntries', { id: gardenId });
  const [event] = eventsOfAct(
    { name, url, method, body: { entries }, at: new Date().toISOString(), seq },
    known,
  );
  const standing = event?.bedId ? standingOf(event.bedId, known) : null;
  if (!event || !standing?.stop || event.date !== standing.round.date) return;
  const { stop } = standing;
  const round = inRound(dispatch, gardenId);
  // Another amount is still being told: its stop leaves when that is on record.
  const atOnce = event.kind === 'skip' || event.reason === 'as planned';
  if (atOnce) {
    // What was done before is not what Undo takes back from here on.
    dispatch(noticeDismissed() as never);
    round((was) => settled(was, event));
  }
  try {
    const { data } = await queryFulfilled;
    const here = data.events.find(({ id }) => id < 0);
    if (!here) return;
    // It waits here: it can be taken back all the same.
    ticked.set(here.id, stop);
    round((was) => settled(unsettled(was, event.id, stop), here));
  } catch (failed) {
    if (!atOnce) return;
    round((was) => unsettled(was, event.id, stop));
    // What asked has gone with the stop; what is wrong is said all the same.
    if (event.kind === 'skip')
      dispatch(
        noticeShown({
          text: `${stop.bedName} is not skipped: ${refusal((failed as { error?: unknown }).error).message}`,
        }) as never,
      );
  }
}

/** A task of an alert is seen to at once; a refusal takes it back. */
async function seenToAtOnce(
  { gardenId, entries }: Entering,
  { dispatch, queryFulfilled }: Ticking<EntriesAnswer>,
): Promise<void> {
  for (const { body } of entries) {
    if (body.kind !== 'task done' || body.key !== undefined) continue;
    const { done = true } = body;
    const tick = body as TickView;
    const seen = dispatch(
      api.util.updateQueryData('ticks', gardenId, (ticks) =>
        done ? [...ticks, tick] : ticks.filter((other) => !isSeenTo([other], tick, tick.act)),
      ) as never,
    ) as { undo: () => void };
    await queryFulfilled.catch(() => seen.undo());
  }
}

/** What is undone is nothing to be undone any more; a stop whose entry waited here stands on the round again. */
async function undoneHere(
  gardenId: number,
  ids: readonly number[],
  { dispatch, queryFulfilled }: Ticking<unknown>,
): Promise<void> {
  const stops = ids.map((id) => [id, ticked.get(id)] as const);
  if (!(await queryFulfilled.catch(() => null))) return;
  for (const [id, stop] of stops) {
    dispatch(entryTaken(id) as never);
    if (id > 0 || !stop) continue;
    ticked.delete(id);
    inRound(
      dispatch,
      gardenId,
    )((round) =>
      round.leaveAlone.some(({ event }) => event?.id === id) ? unsettled(round, id, stop) : round,
    );
  }
}

/** What a garden's settings were where a change touches them. */
function patchBack(patch: GardenPatch, before: GardenView): GardenPatch {
  const { clockMode, today } = before;
  const was = Object.fromEntries(
    Object.keys(patch)
      .filter((key) => key !== 'version' && key in before)
      .map((key) => [key, before[key as keyof GardenView]]),
  ) as GardenPatch;
  if (patch.clock) was.clock = clockMode === 'real' ? { mode: 'real' } : { mode: 'practice', date: today };
  return was;
}

/** A tap's clock that was set or stopped without a way home goes by what is kept here. */
async function clockHere(
  gardenId: number,
  { dispatch, getState, queryFulfilled }: Ticking<unknown>,
): Promise<void> {
  await queryFulfilled.catch(() => undefined);
  const kept = (await waitingActs()).filter((act) => act.url.endsWith('/run'));
  if (kept.length === 0) return;
  const known = knownOn(getState());
  dispatch(
    api.util.upsertQueryData('runs', gardenId, runsWith(runsOf(gardenId, known), kept, known)) as never,
  );
}
const runsOf = (gardenId: number, known: Known): TapRunView[] =>
  known.runs.find((of) => of.gardenId === gardenId)?.runs ?? [];

/** What the first screens ask for, and what is written down; what a room alone asks for, its own file adds. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: TAGS,
  endpoints: (build) => ({
    gardens: build.query<GardenName[], null>({
      query: () => call('gardens'),
      providesTags: shown('gardens'),
    }),
    garden: build.query<GardenView, number>({
      query: (id) => call('garden', { id }),
      providesTags: shown('garden'),
    }),
    round: build.query<RoundView, number>({
      query: (id) => call('round', { id }),
      providesTags: shown('round'),
    }),
    afterRain: build.query<AfterRainView, number>({
      query: (id) => call('afterRain', { id }),
      providesTags: shown('afterRain'),
    }),
    sharpen: build.query<SharpenView | null, number>({
      query: (id) => call('sharpen', { id }),
      providesTags: shown('sharpen'),
    }),
    walk: build.query<WalkView, { gardenId: number; from: number; minutes?: number }>({
      query: ({ gardenId, ...params }) => call('walk', { id: gardenId }, { params }),
      providesTags: shown('walk'),
    }),
    progress: build.query<ProgressView, number>({ query: (id) => call('progress', { id }) }),
    bedPage: build.query<BedPageView | UnplannedBedView, number>({
      query: (id) => call('bedPage', { id }),
      providesTags: shown('bedPage'),
    }),
    section: build.query<SectionView, { gardenId: number; query: Record<string, string> }>({
      // Without a choice the address is the plain one, which is asked for first of all.
      query: ({ gardenId, query }) =>
        call('section', { id: gardenId }, { params: Object.keys(query).length > 0 ? query : undefined }),
      providesTags: shown('section'),
    }),
    fortnight: build.query<FortnightView, number>({
      query: (id) => call('fortnight', { id }),
      providesTags: shown('fortnight'),
    }),
    trees: build.query<TreesView, number>({
      query: (id) => call('trees', { id }),
      providesTags: shown('trees'),
    }),
    pots: build.query<PotsView, number>({
      query: (id) => call('pots', { id }),
      providesTags: shown('pots'),
    }),
    potPage: build.query<PotPageView, number>({
      query: (id) => call('potPage', { id }),
      providesTags: shown('potPage'),
    }),
    stepSequence: build.mutation<{ entries: number[]; ended: boolean }, { id: number; body: SequenceStep }>({
      query: ({ id, body }) => call('stepSequence', { id }, { body }),
      invalidatesTags: stale('stepSequence'),
    }),
    weather: build.query<WeatherView, number>({
      query: (id) => call('weather', { id }),
      providesTags: shown('weather'),
    }),
    drafts: build.query<DraftView[], number>({
      query: (id) => call('drafts', { id }),
      providesTags: shown('drafts'),
    }),
    // `says` is what is told of it; null, nothing is.
    changeGarden: build.mutation<GardenView, { id: number; patch: GardenPatch; says?: string | null }>({
      query: ({ id, patch }) => call('changeGarden', { id }, { body: patch }),
      async onQueryStarted(
        { id, patch, says = 'The settings are kept.' },
        { dispatch, getState, queryFulfilled },
      ) {
        const before = knownOn(getState()).gardens.find((garden) => garden.id === id);
        try {
          await queryFulfilled;
        } catch {
          return;
        }
        if (says !== null && before)
          dispatch(
            noticeShown({
              text: says,
              undo: [{ to: 'changeGarden', at: { id }, body: patchBack(patch, before) }],
            }),
          );
      },
      invalidatesTags: stale('changeGarden'),
    }),
    stepClock: build.mutation<GardenView, { id: number; days: number }>({
      query: ({ id, days }) => call('stepGarden', { id }, { body: { days } }),
      invalidatesTags: stale('stepGarden'),
    }),
    /** Writes down entries: all of them, or none. */
    addEntries: build.mutation<EntriesAnswer, Entering>({
      query: ({ gardenId, key, ...body }) =>
        call('addEntries', { id: gardenId }, { body, headers: key ? { 'Idempotency-Key': key } : undefined }),
      onQueryStarted: async (entering, ticking) => {
        await Promise.all([leaveAtOnce(entering, ticking), seenToAtOnce(entering, ticking)]);
      },
      invalidatesTags: staleByEntries,
    }),
    /** Undoes entries, or brings them back. */
    undoEntries: build.mutation<EntriesAnswer, { gardenId: number; ids: number[] }>({
      query: ({ gardenId, ids }) => call('undoEntries', { id: gardenId }, { body: { ids } }),
      onQueryStarted: ({ gardenId, ids }, ticking) => undoneHere(gardenId, ids, ticking),
      invalidatesTags: staleByEntries,
    }),
    /** A step by which something is undone. */
    send: build.mutation<unknown, { to: AddressName; at?: At; body?: unknown }>({
      query: ({ to, at, body }) => call(to, at, { body }),
      onQueryStarted: ({ to, at, body }, ticking) =>
        to === 'undoEntries'
          ? undoneHere(Number(at?.id), (body as { ids: number[] }).ids, ticking)
          : undefined,
      invalidatesTags: (answer, error, { to, at }, meta) =>
        to === 'undoEntries'
          ? staleByEntries(answer as EntriesAnswer | undefined, error, { gardenId: Number(at?.id) })
          : stale(to)(answer, error, null, meta),
    }),
    keepDraft: build.mutation<DraftView, { gardenId: number; key: string; body: DraftView['body'] }>({
      // A page that is being closed still sends its last words.
      query: ({ gardenId, key, body }) =>
        call('saveDraft', { id: gardenId, key }, { body: { body }, keepalive: true }),
      invalidatesTags: stale('saveDraft'),
    }),
    dropDraft: build.mutation<{ dropped: boolean }, { gardenId: number; key: string }>({
      query: ({ gardenId, key }) => call('dropDraft', { id: gardenId, key }),
      invalidatesTags: stale('dropDraft'),
    }),
    runs: build.query<TapRunView[], number>({
      query: (id) => call('runs', { id }),
      providesTags: shown('runs'),
    }),
    openRun: build.mutation<TapRunView, { gardenId: number; bedId: number; body: RunBody }>({
      query: ({ bedId, body }) => call('openRun', { id: bedId }, { body }),
      onQueryStarted: ({ gardenId }, clock) => clockHere(gardenId, clock),
      invalidatesTags: (run, error, arg) => (run && run.id < 0 ? [] : stale('openRun')(run, error, arg)),
    }),
    closeRun: build.mutation<{ dropped: boolean }, { gardenId: number; bedId: number }>({
      query: ({ bedId }) => call('closeRun', { id: bedId }),
      onQueryStarted: ({ gardenId }, clock) => clockHere(gardenId, clock),
      invalidatesTags: stale('closeRun'),
    }),
    ticks: build.query<TickView[], number>({
      query: (id) => call('alertsSeen', { id }),
      providesTags: shown('alertsSeen'),
    }),
    who: build.query<WhoView, null>({ query: () => call('who'), providesTags: shown('who') }),
  }),
});

/** The words of a refusal, whatever went wrong on the way. */
export function refusal(
  error: unknown,
): Pick<ApiError['error'], 'message' | 'field' | 'conflict' | 'number'> & { code?: string } {
  const data = (error as { data?: ApiError } | undefined)?.data;
  if (data && typeof data === 'object' && 'error' in data) return data.error;
  return { message: 'Kibble did not answer. It may have been stopped; what you typed is still here.' };
}

/** The event among what was entered, where there is one. */
export const eventOf = ({ events: [event] }: EntriesAnswer): EventView | null => event ?? null;

export const {
  useAddEntriesMutation,
  useUndoEntriesMutation,
  useAfterRainQuery,
  useBedPageQuery,
  useChangeGardenMutation,
  useCloseRunMutation,
  useDraftsQuery,
  useDropDraftMutation,
  useFortnightQuery,
  useGardenQuery,
  useGardensQuery,
  useKeepDraftMutation,
  useOpenRunMutation,
  usePotPageQuery,
  usePotsQuery,
  useProgressQuery,
  useRoundQuery,
  useRunsQuery,
  useSectionQuery,
  useSharpenQuery,
  useStepClockMutation,
  useStepSequenceMutation,
  useTicksQuery,
  useTreesQuery,
  useWalkQuery,
  useWeatherQuery,
  useWhoQuery,
} = api;
