import { useEffect, useRef } from 'react';
import { useLogWateringMutation } from '../app/api.ts';
import { noticeShown } from '../app/noticeSlice.ts';
import { useAppDispatch } from '../app/store.ts';
import { useUnits } from '../app/units.ts';
import { useGardenRound } from '../app/gardenRound.ts';
import { useTaps, type RunningTap } from './useTaps.ts';

/** A run whose tap closes by itself is written down when its time is up: by one of all open tabs, and once. */
export function useSelfStop(tap: RunningTap, ended: boolean): void {
  const { garden } = useGardenRound();
  const { close, restore } = useTaps(garden.id);
  const [water] = useLogWateringMutation();
  const dispatch = useAppDispatch();
  const units = useUnits();
  const begun = useRef(false);
  useEffect(() => {
    if (!ended || begun.current) return;
    begun.current = true;
    const write = async (): Promise<void> => {
      const { dropped } = await close(tap.bedId);
      if (!dropped) return;
      try {
        const event = await water({
          bedId: tap.bedId,
          body: { minutes: tap.minutes, note: 'one run by the clock' },
        }).unwrap();
        dispatch(
          noticeShown({
            text: `${tap.bedName}: ${units.text('volume', event.litres ?? 0)} written down.`,
            undoEventId: event.id,
          }),
        );
      } catch (error) {
        // Nothing was written: the run stands again, to be settled by hand.
        await restore({ ...tap, selfStops: false });
        throw error;
      }
    };
    void write().catch(() => undefined);
  }, [ended, tap, close, restore, water, dispatch, units]);
}
