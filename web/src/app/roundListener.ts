import { createListenerMiddleware } from '@reduxjs/toolkit';
import type { EventAnswer } from '@kibble/contract';
import { api } from './api.ts';
import { withChanged } from './withChanged.ts';

const { logWatering, logSkip, markEvent } = api.endpoints;

/** Puts what a write answers with into the round on the screen, so that nothing is fetched for it. */
export const roundListener = createListenerMiddleware();
for (const { matchFulfilled } of [logWatering, logSkip, markEvent])
  roundListener.startListening({
    predicate: (action): action is { type: string; payload: EventAnswer } => matchFulfilled(action),
    effect: ({ payload: { gardenId, changed } }, { dispatch }) => {
      if (!changed) return;
      dispatch(api.util.updateQueryData('round', gardenId, (round) => withChanged(round, changed)) as never);
    },
  });
