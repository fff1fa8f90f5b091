import { createListenerMiddleware } from '@reduxjs/toolkit';
import type { EventAnswer, RoundView, TapRunView } from '@kibble/contract';
import { keptActs } from '../outbox/acts.ts';
import { api } from './api.ts';
import { knownOn } from './baseQuery.ts';
import { settled } from './settled.ts';
import { entryOfAct, runsWith } from './standIns.ts';
import { withChanged } from './withChanged.ts';

const { logWatering, logSkip, markEvent, round, runs } = api.endpoints;

/** Puts what a write answers with into the round on the screen, so that nothing is fetched for it. */
export const roundListener = createListenerMiddleware();
for (const { matchFulfilled } of [logWatering, logSkip, markEvent])
  roundListener.startListening({
    predicate: (action): action is { type: string; payload: EventAnswer } => matchFulfilled(action),
    effect: ({ payload: { gardenId, changed } }, { dispatch }) => {
      if (!changed) return;
      dispatch(api.util.updateQueryData('round', gardenId, (was) => withChanged(was, changed)) as never);
    },
  });

type Came<T> = {
  type: string;
  payload: T;
  meta: { arg: { originalArgs: number } };
};
// What came, also from what the worker had kept, knows nothing of what still waits here: that is put in.
roundListener.startListening({
  predicate: (action): action is Came<RoundView> => round.matchFulfilled(action),
  effect: async ({ meta }, { dispatch, getState }) => {
    const gardenId = meta.arg.originalArgs;
    for (const act of await keptActs()) {
      const event = entryOfAct(act, knownOn(getState()));
      if (event) dispatch(api.util.updateQueryData('round', gardenId, (was) => settled(was, event)) as never);
    }
  },
});
roundListener.startListening({
  predicate: (action): action is Came<TapRunView[]> => runs.matchFulfilled(action),
  effect: async ({ meta }, { dispatch, getState }) => {
    const kept = (await keptActs()).filter(({ url }) => url.endsWith('/run'));
    if (kept.length === 0) return;
    dispatch(
      api.util.updateQueryData('runs', meta.arg.originalArgs, (was) =>
        runsWith(was, kept, knownOn(getState())),
      ) as never,
    );
  },
});
