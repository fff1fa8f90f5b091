import type {
  ApiError,
  CopyView,
  LookView,
  RestoredView,
  UnplannedBedView,
  YourDataView,
  BedDraftBody,
  BedLinks,
  DraftView,
  Explainable,
  FindingBody,
  FindingView,
  FortnightView,
  LadderView,
  RoundsTry,
  RoundsTryView,
  PlanChange,
  PlanTryView,
  SchoolsView,
  TapDraft,
  TryBody,
  TryView,
  WorkingView,
  BedPageView,
  EventAnswer,
  EventView,
  RunBody,
  TapRunView,
  GardenPatch,
  GardenName,
  GardenView,
  OwnCropBody,
  FileView,
  ImportResult,
  PlantingChange,
  PotChange,
  PotDraft,
  PotEntriesDraft,
  PotPageView,
  NewTreeDraft,
  PotsView,
  TreeChange,
  TreesView,
  PracticeView,
  ProgressView,
  RoundView,
  StopView,
  SharingView,
  SharingChange,
  InviteView,
  PairBody,
  WhoView,
  CalendarView,
  InviteBody,
  SaidAnswer,
  SaidBody,
  SectionView,
  SequenceBody,
  SequenceStep,
  SetupSketch,
  SharpenView,
  SkipBody,
  StationBody,
  TickBody,
  TickView,
  TownView,
  WalkView,
  WateringBody,
  WeatherView,
} from '@kibble/contract';
import { isSeenTo, type Air, type Summers, type Week } from '@kibble/core';
import { createApi } from '@reduxjs/toolkit/query/react';
import { baseQuery, knownOn } from './baseQuery.ts';
import { entryTaken, noticeDismissed, noticeShown } from './noticeSlice.ts';
import { settled, unsettled } from './settled.ts';
import { keptActs } from '../outbox/acts.ts';
import { entryOfAct, runsWith, standingOf, type Known } from './standIns.ts';

/** What a setup or bed form sends; defaults are filled in by the server's schema. */
export type BedDraft = BedDraftBody;
export interface SetupDraft {
  garden: GardenDraft;
  bed: BedDraft;
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
  units: 'metric' | 'us';
  clock?: { mode: 'real' } | { mode: 'practice'; date: string };
}
/** What is shown of a garden: what touches more than its log touches all of it. */
export const WHOLE = ['Garden', 'Round', 'Place', 'Plan', 'Sharpen', 'Weather', 'Pots'] as const;
/** What is shown of a garden when its pots change: where water or minutes are limited, the beds too. */
const OF_POTS = ['Pots', 'Round', 'Plan'] as const;

/** Stops that were ticked, by the entry that stands for them here, until home has answered. */
const ticked = new Map<number, StopView>();
let lastTick = 0;

interface Ticking {
  dispatch: (action: never) => unknown;
  getState: () => unknown;
  queryFulfilled: Promise<{ data: EventAnswer }>;
}
/** A ticked stop leaves at once; a refusal brings it back. */
async function leaveAtOnce(
  url: string,
  body: unknown,
  { dispatch, getState, queryFulfilled }: Ticking,
): Promise<void> {
  const known = knownOn(getState());
  const seq = (lastTick = Math.max(Date.now(), lastTick + 1));
  const event = entryOfAct({ url, body, at: new Date().toISOString(), seq }, known);
  const standing = event?.bedId ? standingOf(event.bedId, known) : null;
  if (!event || !standing?.stop || event.date !== standing.round.date) return;
  const { gardenId, stop } = standing;
  const inRound = (change: (round: RoundView) => RoundView): void => {
    dispatch(api.util.updateQueryData('round', gardenId, change) as never);
  };
  // Another amount is still being told: its stop leaves when that is on record.
  const atOnce = event.kind === 'skip' || event.reason === 'as planned';
  if (atOnce) {
    // What was done before is not what Undo takes back from here on.
    dispatch(noticeDismissed() as never);
    inRound((round) => settled(round, event));
  }
  try {
    const { data } = await queryFulfilled;
    if (data.id > 0) return;
    // It waits here: it can be taken back all the same.
    ticked.set(data.id, stop);
    inRound((round) => settled(unsettled(round, event.id, stop), data));
  } catch (failed) {
    if (!atOnce) return;
    inRound((round) => unsettled(round, event.id, stop));
    // What asked has gone with the stop; what is wrong is said all the same.
    if (event.kind === 'skip')
      dispatch(
        noticeShown({
          text: `${stop.bedName} is not skipped: ${refusal((failed as { error?: unknown }).error).message}`,
        }) as never,
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
  {
    dispatch,
    getState,
    queryFulfilled,
  }: Omit<Ticking, 'queryFulfilled'> & { queryFulfilled: Promise<unknown> },
): Promise<void> {
  await queryFulfilled.catch(() => undefined);
  const kept = (await keptActs()).filter((act) => act.url.endsWith('/run'));
  if (kept.length === 0) return;
  const known = knownOn(getState());
  dispatch(
    api.util.upsertQueryData('runs', gardenId, runsWith(runsOf(gardenId, known), kept, known)) as never,
  );
}
const runsOf = (gardenId: number, known: Known): TapRunView[] =>
  known.runs.find((of) => of.gardenId === gardenId)?.runs ?? [];

/** What an entry of the log touches: the beds that are another for it, and the days ahead. The round takes in what changed. */
const touchedBy = (answer: EventAnswer | undefined) =>
  (answer?.id ?? 0) < 0
    ? []
    : answer?.changed
      ? [
          'Plan' as const,
          ...[answer.bedId ?? 0, ...answer.changed.beds].map((id) => ({ type: 'Place' as const, id })),
        ]
      : (['Round', 'Place', 'Plan'] as const);

export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: [
    'Garden',
    'Round',
    'Place',
    'Plan',
    'Sharpen',
    'Weather',
    'Draft',
    'Runs',
    'YourData',
    'Ticks',
    'File',
    'Pots',
    'Sharing',
  ],
  endpoints: (build) => ({
    gardens: build.query<GardenName[], null>({ query: () => 'gardens', providesTags: ['Garden'] }),
    garden: build.query<GardenView, number>({ query: (id) => `gardens/${id}`, providesTags: ['Garden'] }),
    round: build.query<RoundView, number>({ query: (id) => `gardens/${id}/round`, providesTags: ['Round'] }),
    sharpen: build.query<SharpenView | null, number>({
      query: (id) => `gardens/${id}/sharpen`,
      providesTags: ['Sharpen'],
    }),
    walk: build.query<WalkView, { gardenId: number; from: number; minutes?: number }>({
      query: ({ gardenId, ...params }) => ({ url: `gardens/${gardenId}/walk`, params }),
      providesTags: ['Plan'],
    }),
    progress: build.query<ProgressView, number>({ query: (id) => `gardens/${id}/progress` }),
    bedPage: build.query<BedPageView | UnplannedBedView, number>({
      query: (id) => `beds/${id}`,
      providesTags: (_page, _error, id) => [{ type: 'Place', id }],
    }),
    section: build.query<SectionView, { gardenId: number; query: Record<string, string> }>({
      // Without a choice the address is the plain one, which is asked for first of all.
      query: ({ gardenId, query }) => ({
        url: `gardens/${gardenId}/section`,
        params: Object.keys(query).length > 0 ? query : undefined,
      }),
      providesTags: ['Plan'],
    }),
    fortnight: build.query<FortnightView, number>({
      query: (gardenId) => `gardens/${gardenId}/fortnight`,
      providesTags: ['Plan'],
    }),
    tryPlan: build.query<PlanTryView, { gardenId: number; change: PlanChange }>({
      query: ({ gardenId, change }) => ({
        url: `gardens/${gardenId}/fortnight/try`,
        method: 'POST',
        body: change,
      }),
      providesTags: ['Plan'],
    }),
    ladder: build.query<LadderView, number>({
      query: (bedId) => `beds/${bedId}/ladder`,
      providesTags: (_rungs, _error, id) => [{ type: 'Place', id }],
    }),
    tryRounds: build.query<RoundsTryView, { gardenId: number; tried: RoundsTry }>({
      query: ({ gardenId, tried }) => ({
        url: `gardens/${gardenId}/rounds/try`,
        method: 'POST',
        body: tried,
      }),
      providesTags: ['Plan'],
    }),
    schools: build.query<SchoolsView, number>({
      query: (bedId) => `beds/${bedId}/schools`,
      providesTags: (_rows, _error, id) => [{ type: 'Place', id }],
    }),
    savePlanting: build.mutation<
      { id: number },
      { bedId: number; plantingId?: number; body: PlantingChange }
    >({
      query: ({ bedId, plantingId, body }) =>
        plantingId === undefined
          ? { url: `beds/${bedId}/plantings`, method: 'POST', body }
          : { url: `beds/${bedId}/plantings/${plantingId}`, method: 'PUT', body },
      invalidatesTags: WHOLE,
    }),
    markPlanting: build.mutation<{ id: number }, { id: number; restore?: boolean }>({
      query: ({ id, restore }) =>
        restore
          ? { url: `plantings/${id}/restore`, method: 'POST' }
          : { url: `plantings/${id}`, method: 'DELETE' },
      invalidatesTags: WHOLE,
    }),
    copyBed: build.mutation<{ ids: number[] }, { bedId: number; count: number }>({
      query: ({ bedId, count }) => ({ url: `beds/${bedId}/copies`, method: 'POST', body: { count } }),
      invalidatesTags: WHOLE,
    }),
    addOwnCrop: build.mutation<{ id: string }, { gardenId: number; body: OwnCropBody }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/crops`, method: 'POST', body }),
      invalidatesTags: ['Garden'],
    }),
    trees: build.query<TreesView, number>({ query: (id) => `gardens/${id}/trees`, providesTags: ['Plan'] }),
    addTree: build.mutation<{ id: number }, { gardenId: number; body: NewTreeDraft }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/trees`, method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    changeTree: build.mutation<{ id: number; settings: number[] }, { bedId: number; body: TreeChange }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/tree`, method: 'PUT', body }),
      invalidatesTags: WHOLE,
    }),
    pots: build.query<PotsView, number>({ query: (id) => `gardens/${id}/pots`, providesTags: ['Pots'] }),
    potPage: build.query<PotPageView, number>({ query: (id) => `pots/${id}`, providesTags: ['Pots'] }),
    savePot: build.mutation<{ id: number }, { gardenId: number; potId?: number; body: PotDraft | PotChange }>(
      {
        query: ({ gardenId, potId, body }) =>
          potId === undefined
            ? { url: `gardens/${gardenId}/pots`, method: 'POST', body }
            : { url: `pots/${potId}`, method: 'PUT', body },
        invalidatesTags: OF_POTS,
      },
    ),
    archivePot: build.mutation<{ id: number }, { potId: number; restore?: boolean }>({
      query: ({ potId, restore }) =>
        restore
          ? { url: `pots/${potId}/restore`, method: 'POST' }
          : { url: `pots/${potId}`, method: 'DELETE' },
      invalidatesTags: OF_POTS,
    }),
    copyPot: build.mutation<{ ids: number[] }, { potId: number; count: number }>({
      query: ({ potId, count }) => ({ url: `pots/${potId}/copies`, method: 'POST', body: { count } }),
      invalidatesTags: OF_POTS,
    }),
    logPots: build.mutation<{ ids: number[] }, { gardenId: number; body: PotEntriesDraft }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/pot-entries`, method: 'POST', body }),
      invalidatesTags: OF_POTS,
    }),
    markPotEntries: build.mutation<{ ids: number[] }, { gardenId: number; ids: number[]; restore?: boolean }>(
      {
        query: ({ gardenId, ids, restore }) => ({
          url: `gardens/${gardenId}/pot-entries/${restore ? 'restore' : 'remove'}`,
          method: 'POST',
          body: { ids },
        }),
        invalidatesTags: OF_POTS,
      },
    ),
    logPh: build.mutation<{ ids: number[] }, { gardenId: number; ph: number; of: 'tap' | 'rain' | 'batch' }>({
      query: ({ gardenId, ...body }) => ({ url: `gardens/${gardenId}/ph`, method: 'POST', body }),
      invalidatesTags: ['Pots'],
    }),
    beginSequence: build.mutation<{ id: number }, { gardenId: number; body: SequenceBody }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/sequences`, method: 'POST', body }),
      invalidatesTags: ['Pots'],
    }),
    stepSequence: build.mutation<{ entries: number[]; ended: boolean }, { id: number; body: SequenceStep }>({
      query: ({ id, body }) => ({ url: `sequences/${id}`, method: 'POST', body }),
      invalidatesTags: OF_POTS,
    }),
    bedToPot: build.mutation<{ id: number }, { bedId: number; body: Pick<PotDraft, 'facts' | 'spot'> }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/pot`, method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    plantOut: build.mutation<{ id: number }, { potId: number; bedId: number; plantedOn?: string }>({
      query: ({ potId, ...body }) => ({ url: `pots/${potId}/plant-out`, method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    weather: build.query<WeatherView, number>({
      query: (id) => `gardens/${id}/weather`,
      providesTags: ['Weather'],
    }),
    createGarden: build.mutation<GardenView, SetupDraft>({
      query: (body) => ({ url: 'gardens', method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    // `says` is what is told of it; null, nothing is.
    changeGarden: build.mutation<GardenView, { id: number; patch: GardenPatch; says?: string | null }>({
      query: ({ id, patch }) => ({ url: `gardens/${id}`, method: 'PATCH', body: patch }),
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
          dispatch(noticeShown({ text: says, undoGarden: { id, patch: patchBack(patch, before) } }));
      },
      invalidatesTags: WHOLE,
    }),
    stepClock: build.mutation<GardenView, { id: number; days: number }>({
      query: ({ id, days }) => ({ url: `gardens/${id}/step`, method: 'POST', body: { days } }),
      invalidatesTags: WHOLE,
    }),
    saveBed: build.mutation<
      { id: number; settings?: number[] },
      { gardenId: number; bedId?: number; body: BedDraft & { version?: number; since?: string } }
    >({
      query: ({ gardenId, bedId, body }) =>
        bedId === undefined
          ? { url: `gardens/${gardenId}/beds`, method: 'POST', body }
          : { url: `beds/${bedId}`, method: 'PUT', body },
      invalidatesTags: WHOLE,
    }),
    archiveBed: build.mutation<{ id: number }, { bedId: number; restore?: boolean }>({
      query: ({ bedId, restore }) =>
        restore
          ? { url: `beds/${bedId}/restore`, method: 'POST' }
          : { url: `beds/${bedId}`, method: 'DELETE' },
      invalidatesTags: WHOLE,
    }),
    // `key` names an act that several tabs or tries may send: it is done once.
    logWatering: build.mutation<EventAnswer, { bedId: number; body: Partial<WateringBody>; key?: string }>({
      query: ({ bedId, body, key }) => ({
        url: `beds/${bedId}/waterings`,
        method: 'POST',
        body,
        headers: key ? { 'Idempotency-Key': key } : undefined,
      }),
      onQueryStarted: ({ bedId, body }, ticking) => leaveAtOnce(`beds/${bedId}/waterings`, body, ticking),
      invalidatesTags: touchedBy,
    }),
    logSkip: build.mutation<EventAnswer, { bedId: number; body: SkipBody }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/skips`, method: 'POST', body }),
      onQueryStarted: ({ bedId, body }, ticking) => leaveAtOnce(`beds/${bedId}/skips`, body, ticking),
      invalidatesTags: touchedBy,
    }),
    logRain: build.mutation<EventView, { gardenId: number; date: string; rainMm: number }>({
      query: ({ gardenId, ...body }) => ({ url: `gardens/${gardenId}/rain`, method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    markEvent: build.mutation<EventAnswer, { id: number; restore?: boolean }>({
      query: ({ id, restore }) =>
        restore ? { url: `events/${id}/restore`, method: 'POST' } : { url: `events/${id}`, method: 'DELETE' },
      async onQueryStarted({ id, restore }, { dispatch, queryFulfilled, getState }) {
        const stop = ticked.get(id);
        const taken = await queryFulfilled.catch(() => null);
        if (!taken || restore) return;
        dispatch(entryTaken(id));
        if (id > 0 || !stop) return;
        ticked.delete(id);
        for (const { gardenId } of knownOn(getState()).rounds)
          dispatch(
            api.util.updateQueryData('round', gardenId, (round) =>
              round.leaveAlone.some(({ event }) => event?.id === id) ? unsettled(round, id, stop) : round,
            ),
          );
      },
      invalidatesTags: touchedBy,
    }),
    logFinding: build.mutation<FindingView, { gardenId: number; body: FindingBody }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/findings`, method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    markFinding: build.mutation<FindingView, { id: number; restore?: boolean }>({
      query: ({ id, restore }) =>
        restore
          ? { url: `findings/${id}/restore`, method: 'POST' }
          : { url: `findings/${id}`, method: 'DELETE' },
      invalidatesTags: WHOLE,
    }),
    saveTap: build.mutation<{ id: number }, { gardenId: number; tapId?: number; body: TapDraft }>({
      query: ({ gardenId, tapId, body }) =>
        tapId === undefined
          ? { url: `gardens/${gardenId}/taps`, method: 'POST', body }
          : { url: `taps/${tapId}`, method: 'PUT', body },
      invalidatesTags: WHOLE,
    }),
    archiveTap: build.mutation<{ id: number }, { tapId: number; restore?: boolean }>({
      query: ({ tapId, restore }) =>
        restore
          ? { url: `taps/${tapId}/restore`, method: 'POST' }
          : { url: `taps/${tapId}`, method: 'DELETE' },
      invalidatesTags: WHOLE,
    }),
    linkBed: build.mutation<{ id: number }, { bedId: number; links: BedLinks }>({
      query: ({ bedId, links }) => ({ url: `beds/${bedId}/links`, method: 'PATCH', body: links }),
      invalidatesTags: WHOLE,
    }),
    drafts: build.query<DraftView[], number>({
      query: (gardenId) => `gardens/${gardenId}/drafts`,
      providesTags: ['Draft'],
    }),
    keepDraft: build.mutation<DraftView, { gardenId: number; key: string; body: DraftView['body'] }>({
      // A page that is being closed still sends its last words.
      query: ({ gardenId, key, body }) => ({
        url: `gardens/${gardenId}/drafts/${key}`,
        method: 'PUT',
        body: { body },
        keepalive: true,
      }),
      invalidatesTags: ['Draft'],
    }),
    dropDraft: build.mutation<{ dropped: boolean }, { gardenId: number; key: string }>({
      query: ({ gardenId, key }) => ({ url: `gardens/${gardenId}/drafts/${key}`, method: 'DELETE' }),
      invalidatesTags: ['Draft'],
    }),
    runs: build.query<TapRunView[], number>({
      query: (gardenId) => `gardens/${gardenId}/runs`,
      providesTags: ['Runs'],
    }),
    openRun: build.mutation<TapRunView, { gardenId: number; bedId: number; body: RunBody }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/run`, method: 'PUT', body }),
      onQueryStarted: ({ gardenId }, clock) => clockHere(gardenId, clock),
      invalidatesTags: (run) => (run && run.id < 0 ? [] : ['Runs']),
    }),
    closeRun: build.mutation<{ dropped: boolean }, { gardenId: number; bedId: number }>({
      query: ({ bedId }) => ({ url: `beds/${bedId}/run`, method: 'DELETE' }),
      onQueryStarted: ({ gardenId }, clock) => clockHere(gardenId, clock),
      invalidatesTags: ['Runs'],
    }),
    moveSetting: build.mutation<{ ids: number[] }, { id: number; on: string }>({
      query: ({ id, on }) => ({ url: `settings/${id}/move`, method: 'POST', body: { on } }),
      invalidatesTags: WHOLE,
    }),
    markSettings: build.mutation<{ ids: number[] }, { ids: number[] }>({
      query: (body) => ({ url: 'settings/take-back', method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    numberWorking: build.query<WorkingView, { bedId: number; of: Explainable }>({
      query: ({ bedId, of }) => `beds/${bedId}/working/${of}`,
      providesTags: (_tree, _error, { bedId }) => [{ type: 'Place', id: bedId }],
    }),
    dayWorking: build.query<WorkingView, { gardenId: number; date: string }>({
      query: ({ gardenId, date }) => `gardens/${gardenId}/working/${date}`,
      providesTags: ['Weather'],
    }),
    tryOnBed: build.query<TryView, { bedId: number; body: TryBody }>({
      query: ({ bedId, body }) => ({ url: `beds/${bedId}/try`, method: 'POST', body }),
      providesTags: (_tried, _error, { bedId }) => [{ type: 'Place', id: bedId }],
    }),
    // A file goes as it is and is read on the other side; how far that is, is asked until it is read.
    bringFile: build.mutation<FileView, { gardenId: number; name: string; file: Blob }>({
      query: ({ gardenId, name, file }) => ({
        url: `gardens/${gardenId}/weather/files?name=${encodeURIComponent(name.slice(-200))}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    weatherFile: build.query<FileView, string>({
      query: (id) => `weather-files/${id}`,
      providesTags: ['File'],
      keepUnusedDataFor: 0,
    }),
    readFileAgain: build.mutation<FileView, { id: string; units: Record<string, string> }>({
      query: ({ id, units }) => ({ url: `weather-files/${id}`, method: 'PUT', body: { units } }),
      invalidatesTags: ['File'],
    }),
    forgetFile: build.mutation<{ forgotten: boolean }, string>({
      query: (id) => ({ url: `weather-files/${id}`, method: 'DELETE' }),
    }),
    storeFile: build.mutation<ImportResult, string>({
      query: (id) => ({
        url: `weather-files/${id}/import`,
        method: 'POST',
        body: { acceptRejected: true },
      }),
      invalidatesTags: WHOLE,
    }),
    towns: build.query<TownView[], string>({
      query: (named) => `towns?named=${encodeURIComponent(named)}`,
    }),
    sketch: build.query<SetupSketch, SetupDraft>({
      query: (body) => ({ url: 'gardens/sketch', method: 'POST', body }),
      keepUnusedDataFor: 5,
    }),
    ticks: build.query<TickView[], number>({
      query: (id) => `gardens/${id}/alerts/seen`,
      providesTags: ['Ticks'],
    }),
    // A tick is seen at once; a refusal takes it back.
    tickAlert: build.mutation<TickBody, { gardenId: number; body: TickBody }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/alerts/seen`, method: 'POST', body }),
      async onQueryStarted({ gardenId, body: { done, ...tick } }, { dispatch, queryFulfilled }) {
        const seen = dispatch(
          api.util.updateQueryData('ticks', gardenId, (ticks) =>
            done ? [...ticks, tick] : ticks.filter((other) => !isSeenTo([other], tick, tick.act)),
          ),
        );
        await queryFulfilled.catch(() => seen.undo());
      },
      // Asked again only after a refusal: an answer to an earlier tick would take a later one back for a moment.
      invalidatesTags: (_seen, refused) => (refused ? ['Ticks'] : []),
    }),
    practice: build.query<PracticeView, null>({ query: () => 'practice' }),
    openPractice: build.mutation<{ url: string }, null>({
      query: () => ({ url: 'practice', method: 'POST', body: {} }),
    }),
    putAway: build.mutation<{ away: boolean }, { id: number; away: boolean }>({
      query: ({ id, away }) => ({ url: `gardens/${id}/away`, method: 'PUT', body: { away } }),
      invalidatesTags: ['Garden'],
    }),
    sayWeather: build.mutation<SaidAnswer, { gardenId: number; body: SaidBody }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/weather/said`, method: 'POST', body }),
      invalidatesTags: WHOLE,
    }),
    unsayWeather: build.mutation<SaidAnswer, { gardenId: number; ids: number[] }>({
      query: ({ gardenId, ids }) => ({
        url: `gardens/${gardenId}/weather/said/take-back`,
        method: 'POST',
        body: { ids },
      }),
      invalidatesTags: WHOLE,
    }),
    keepStation: build.mutation<{ url: string | null }, { gardenId: number; body: StationBody }>({
      query: ({ gardenId, body }) => ({ url: `gardens/${gardenId}/weather/station`, method: 'PUT', body }),
      invalidatesTags: WHOLE,
    }),
    markImport: build.mutation<{ id: number }, { id: number; restore?: boolean }>({
      query: ({ id, restore }) =>
        restore
          ? { url: `imports/${id}/restore`, method: 'POST' }
          : { url: `imports/${id}`, method: 'DELETE' },
      invalidatesTags: WHOLE,
    }),
    who: build.query<WhoView, null>({ query: () => 'who', providesTags: ['Sharing'] }),
    pair: build.mutation<WhoView, PairBody>({
      query: (body) => ({ url: 'pair', method: 'POST', body }),
    }),
    sharing: build.query<SharingView, null>({ query: () => 'sharing', providesTags: ['Sharing'] }),
    changeSharing: build.mutation<SharingView, SharingChange>({
      query: (body) => ({ url: 'sharing', method: 'PATCH', body }),
      invalidatesTags: ['Sharing'],
    }),
    invite: build.mutation<InviteView, InviteBody>({
      query: (body) => ({ url: 'sharing/invitation', method: 'POST', body }),
      invalidatesTags: ['Sharing'],
    }),
    revoke: build.mutation<{ id: string }, string>({
      query: (id) => ({ url: `sharing/devices/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Sharing'],
    }),
    calendar: build.query<CalendarView, number>({ query: (id) => `gardens/${id}/calendar` }),
    newCalendar: build.mutation<CalendarView, number>({
      query: (id) => ({ url: `gardens/${id}/calendar`, method: 'POST' }),
      async onQueryStarted(id, { dispatch, queryFulfilled }) {
        const made = await queryFulfilled.catch(() => null);
        if (made) void dispatch(api.util.upsertQueryData('calendar', id, made.data));
      },
    }),
    yourData: build.query<YourDataView, null>({ query: () => 'your-data', providesTags: ['YourData'] }),
    makeCopy: build.mutation<CopyView, null>({
      query: () => ({ url: 'your-data/copies', method: 'POST' }),
      invalidatesTags: ['YourData'],
    }),
    /** How far the file that is being checked is, in rows. */
    lookProgress: build.query<ProgressView, null>({ query: () => 'your-data/look' }),
    lookAtFile: build.mutation<LookView, File>({
      query: (file) => ({
        url: 'your-data/look',
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    lookAtCopy: build.mutation<LookView, string>({
      query: (copy) => ({ url: 'your-data/look-copy', method: 'POST', body: { copy } }),
    }),
    restoreData: build.mutation<RestoredView, string>({
      query: (token) => ({ url: 'your-data/restore', method: 'POST', body: { token } }),
      invalidatesTags: [...WHOLE, 'Draft', 'Runs', 'YourData', 'Ticks'],
    }),
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

export const {
  useWhoQuery,
  usePairMutation,
  useSharingQuery,
  useChangeSharingMutation,
  useInviteMutation,
  useRevokeMutation,
  useCalendarQuery,
  useNewCalendarMutation,
  useGardenQuery,
  useGardensQuery,
  useOpenPracticeMutation,
  usePracticeQuery,
  usePutAwayMutation,
  useTickAlertMutation,
  useTicksQuery,
  useLookAtCopyMutation,
  useLookAtFileMutation,
  useLookProgressQuery,
  useMakeCopyMutation,
  useMarkImportMutation,
  useTownsQuery,
  useSketchQuery,
  useSayWeatherMutation,
  useUnsayWeatherMutation,
  useKeepStationMutation,
  useRestoreDataMutation,
  useYourDataQuery,
  useRoundQuery,
  useBedPageQuery,
  useSharpenQuery,
  useWalkQuery,
  useProgressQuery,
  useWeatherQuery,
  useSectionQuery,
  useFortnightQuery,
  useTryPlanQuery,
  useLadderQuery,
  useTryRoundsQuery,
  useSchoolsQuery,
  useSavePlantingMutation,
  useMarkPlantingMutation,
  useCopyBedMutation,
  useAddOwnCropMutation,
  useCreateGardenMutation,
  useChangeGardenMutation,
  useStepClockMutation,
  useSaveBedMutation,
  useArchiveBedMutation,
  useLogWateringMutation,
  useLogSkipMutation,
  useLogRainMutation,
  useMarkEventMutation,
  useBringFileMutation,
  useForgetFileMutation,
  useReadFileAgainMutation,
  useStoreFileMutation,
  useWeatherFileQuery,
  useLogFindingMutation,
  useMarkFindingMutation,
  useSaveTapMutation,
  useArchiveTapMutation,
  useLinkBedMutation,
  useDraftsQuery,
  useKeepDraftMutation,
  useDropDraftMutation,
  useRunsQuery,
  useOpenRunMutation,
  useCloseRunMutation,
  useMarkSettingsMutation,
  useMoveSettingMutation,
  useNumberWorkingQuery,
  useDayWorkingQuery,
  useTryOnBedQuery,
  usePotsQuery,
  usePotPageQuery,
  useTreesQuery,
  useAddTreeMutation,
  useChangeTreeMutation,
  useSavePotMutation,
  useArchivePotMutation,
  useCopyPotMutation,
  useLogPotsMutation,
  useMarkPotEntriesMutation,
  useLogPhMutation,
  useBeginSequenceMutation,
  useStepSequenceMutation,
  useBedToPotMutation,
  usePlantOutMutation,
} = api;
