import type { RunBody, TapRunView } from '@kibble/contract';
import { useCloseRunMutation, useOpenRunMutation, useRunsQuery } from '../api/api.ts';

/** A tap that runs or rests: which bed, since when, for how long, and what it gives. */
export type RunningTap = Omit<TapRunView, 'startedAt'> & { startedAt: number };

/** How often another tab or device is asked. */
const ASK_MS = 5000;

const NONE: TapRunView[] = [];

/** Taps under way, kept by the server as the moment they were opened: no reload and no sleeping screen forgets one. */
export function useTaps(gardenId: number) {
  const { data = NONE } = useRunsQuery(gardenId, { pollingInterval: ASK_MS, refetchOnFocus: true });
  const [open] = useOpenRunMutation();
  const [close] = useCloseRunMutation();
  return {
    taps: data.map((run): RunningTap => ({ ...run, startedAt: Date.parse(run.startedAt) })),
    /** Opens a tap, or sets it to its next run or rest: the clock begins now. */
    open: ({ bedId, ...body }: RunBody & { bedId: number }) => open({ gardenId, bedId, body }).unwrap(),
    close: (bedId: number) => close({ gardenId, bedId }).unwrap(),
  };
}
