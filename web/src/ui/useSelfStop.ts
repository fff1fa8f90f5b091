import { useEffect, useRef } from 'react';
import { useLogWateringMutation } from '../app/api.ts';
import { noticeShown } from '../app/noticeSlice.ts';
import { useAppDispatch } from '../app/store.ts';
import { useUnits } from '../app/units.ts';
import { useGarden } from '../app/gardenRound.ts';
import { useTaps, type RunningTap } from './useTaps.ts';

/** A run whose tap closes by itself is written down when its time is up: by one of all open tabs, and once. */
export function useSelfStop(tap: RunningTap, ended: boolean): void {
  const garden = useGarden();
  const { close } = useTaps(garden.id);
  const [water] = useLogWateringMutation();
  const dispatch = useAppDispatch();
  const units = useUnits();
  const begun = useRef(false);
  useEffect(() => {
    if (!ended || begun.current) return;
    begun.current = true;
    const write = async (): Promise<void> => {
      // Every tab sends it under the run's own key, and it is written down once; only then is the run let go.
      const event = await water({
        bedId: tap.bedId,
        body: { minutes: tap.minutes, note: 'one run by the clock' },
        key: `run-${garden.id}-${tap.bedId}-${tap.startedAt}`,
      }).unwrap();
      const { dropped } = await close(tap.bedId);
      if (dropped)
        dispatch(
          noticeShown({
            text: `${tap.bedName}: ${units.text('volume', event.litres ?? 0)} written down.`,
            undoEventId: event.id,
          }),
        );
    };
    void write().catch(() => undefined);
  }, [ended, tap, garden.id, close, water, dispatch, units]);
}
