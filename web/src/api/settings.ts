import type {
  CalendarView,
  CopyView,
  InviteBody,
  InviteView,
  LookView,
  PairBody,
  PracticeView,
  ProgressView,
  RestoredView,
  SharingChange,
  SharingView,
  WhoView,
  YourDataView,
} from '@kibble/contract';
import { api } from './api.ts';
import { call } from './call.ts';
import { shown, stale } from './tags.ts';

const more = api.injectEndpoints({
  endpoints: (build) => ({
    practice: build.query<PracticeView, null>({ query: () => call('practice') }),
    openPractice: build.mutation<{ url: string }, null>({
      query: () => call('openPractice', {}, { body: {} }),
    }),
    putAway: build.mutation<{ away: boolean }, { id: number; away: boolean }>({
      query: ({ id, away }) => call('archiveGarden', { id }, { body: { away } }),
      invalidatesTags: stale('archiveGarden'),
    }),
    pair: build.mutation<WhoView, PairBody>({ query: (body) => call('pair', {}, { body }) }),
    sharing: build.query<SharingView, null>({
      query: () => call('sharing'),
      providesTags: shown('sharing'),
    }),
    changeSharing: build.mutation<SharingView, SharingChange>({
      query: (body) => call('changeSharing', {}, { body }),
      invalidatesTags: stale('changeSharing'),
    }),
    invite: build.mutation<InviteView, InviteBody>({
      query: (body) => call('invite', {}, { body }),
      invalidatesTags: stale('invite'),
    }),
    revoke: build.mutation<{ id: string }, string>({
      query: (id) => call('revoke', { id }),
      invalidatesTags: stale('revoke'),
    }),
    calendar: build.query<CalendarView, number>({ query: (id) => call('calendar', { id }) }),
    newCalendar: build.mutation<CalendarView, number>({
      query: (id) => call('renewCalendar', { id }),
      async onQueryStarted(id, { dispatch, queryFulfilled }) {
        const made = await queryFulfilled.catch(() => null);
        if (made) void dispatch(more.util.upsertQueryData('calendar', id, made.data));
      },
    }),
    yourData: build.query<YourDataView, null>({
      query: () => call('yourData'),
      providesTags: shown('yourData'),
    }),
    makeCopy: build.mutation<CopyView, null>({
      query: () => call('makeCopy'),
      invalidatesTags: stale('makeCopy'),
    }),
    /** How far the file that is being checked is, in rows. */
    lookProgress: build.query<ProgressView, null>({ query: () => call('lookProgress') }),
    lookAtFile: build.mutation<LookView, File>({
      query: (file) =>
        call('lookAtFile', {}, { body: file, headers: { 'Content-Type': 'application/octet-stream' } }),
    }),
    lookAtCopy: build.mutation<LookView, string>({
      query: (copy) => call('lookAtCopy', {}, { body: { copy } }),
    }),
    restoreData: build.mutation<RestoredView, string>({
      query: (token) => call('restore', {}, { body: { token } }),
      invalidatesTags: stale('restore'),
    }),
  }),
});

export const {
  usePracticeQuery,
  useOpenPracticeMutation,
  usePutAwayMutation,
  usePairMutation,
  useSharingQuery,
  useChangeSharingMutation,
  useInviteMutation,
  useRevokeMutation,
  useCalendarQuery,
  useNewCalendarMutation,
  useYourDataQuery,
  useMakeCopyMutation,
  useLookProgressQuery,
  useLookAtFileMutation,
  useLookAtCopyMutation,
  useRestoreDataMutation,
} = more;
