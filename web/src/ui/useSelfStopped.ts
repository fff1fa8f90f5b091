import { useEffect, useRef } from 'react';
import { api } from '../api/api.ts';
import { noticeShown, undoesEntries } from '../state/noticeSlice.ts';
import { useAppDispatch } from '../api/store.ts';
import { useUnits } from '../words/units.ts';
import type { RunningTap } from './useTaps.ts';

/** Tells of runs whose own timer has shut the tap: they are written down at home, and the round is another for them. */
export function useSelfStopped(gardenId: number, taps: readonly RunningTap[]): void {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const before = useRef<readonly RunningTap[]>([]);
  useEffect(() => {
    const gone = before.current.filter(
      (tap) =>
        tap.selfStops &&
        tap.startedAt + tap.minutes * 60_000 <= Date.now() &&
        !taps.some(({ id }) => id === tap.id),
    );
    before.current = taps;
    if (gone.length === 0) return;
    const tell = async (): Promise<void> => {
      dispatch(api.util.invalidateTags(['Place', 'Plan']));
      const asked = dispatch(
        api.endpoints.round.initiate(gardenId, { forceRefetch: true, subscribe: false }),
      );
      const { leaveAlone } = await asked.unwrap();
      for (const tap of gone) {
        const event = leaveAlone.find(({ bedId }) => bedId === tap.bedId)?.event;
        if (!event) continue;
        dispatch(
          noticeShown({
            text: `${tap.bedName}: ${units.text('volume', event.litres ?? 0)} written down.`,
            undo: undoesEntries(gardenId, [event.id]),
          }),
        );
      }
    };
    void tell().catch(() => undefined);
  }, [taps, gardenId, dispatch, units]);
}
