import type { EntriesAnswer, RoundView, TapRunView } from '@kibble/contract';
import { createListenerMiddleware } from '@reduxjs/toolkit';
import { waitingActs } from '../outbox/acts.ts';
import { api } from './api.ts';
import { knownOn } from './baseQuery.ts';
import { settled } from './settled.ts';
import { eventsOfAct, runsWith } from './optimistic.ts';
import { withChanged } from './withChanged.ts';

const { addEntries, undoEntries, send, round, runs } = api.endpoints;

type Came<T, Arg> = { type: string; payload: T; meta: { arg: { originalArgs: Arg } } };

/** Puts what a write answers with into the round on the screen, so that nothing is fetched for it. */
export const roundListener = createListenerMiddleware();
for (const { matchFulfilled } of [addEntries, undoEntries, send])
  roundListener.startListening({
    predicate: (
      action,
    ): action is Came<Partial<EntriesAnswer>, { gardenId?: number; at?: { id?: number } }> =>
      matchFulfilled(action),
    effect: ({ payload, meta }, { dispatch }) => {
      const { changed } = payload ?? {};
      const { gardenId, at } = meta.arg.originalArgs;
      if (!changed) return;
      dispatch(
        api.util.updateQueryData('round', gardenId ?? at?.id ?? 0, (was) =>
          withChanged(was, changed),
        ) as never,
      );
    },
  });

// What came, also from what the worker had kept, knows nothing of what still waits here: that is put in.
roundListener.startListening({
  predicate: (action): action is Came<RoundView, number> => round.matchFulfilled(action),
  effect: async ({ meta }, { dispatch, getState }) => {
    const gardenId = meta.arg.originalArgs;
    for (const act of await waitingActs())
      for (const event of eventsOfAct(act, knownOn(getState())))
        dispatch(api.util.updateQueryData('round', gardenId, (was) => settled(was, event)) as never);
  },
});
roundListener.startListening({
  predicate: (action): action is Came<TapRunView[], number> => runs.matchFulfilled(action),
  effect: async ({ meta }, { dispatch, getState }) => {
    const kept = (await waitingActs()).filter(({ url }) => url.endsWith('/run'));
    if (kept.length === 0) return;
    dispatch(
      api.util.updateQueryData('runs', meta.arg.originalArgs, (was) =>
        runsWith(was, kept, knownOn(getState())),
      ) as never,
    );
  },
});
