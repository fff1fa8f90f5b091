import type { BedView, EventView } from '@kibble/contract';
import type { RoomForWater } from '@kibble/core';
import { useState } from 'react';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { useEnter } from '../../ui/useEnter.ts';
import { EarlierSheet } from './EarlierSheet.tsx';

const SHOWN = 10;

/** What was done on the bed, newest first; an entry can be taken back. */
export function BedLog({
  bed,
  events,
  today,
  roomOn = () => null,
}: {
  bed: BedView;
  events: EventView[];
  today: string;
  roomOn?: (date: string) => RoomForWater | null;
}) {
  const [entering, setEntering] = useState(false);
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { undo } = useEnter();
  const takeBack = async (event: EventView): Promise<void> => {
    await undo([event.id]);
    dispatch(noticeShown({ text: `Entry of ${plainDate(event.date, today)} taken back.` }));
  };
  return (
    <section>
      <h2 className="mb-1 text-2xl">Log</h2>
      {events.length === 0 ? (
        <p className="text-quiet">Nothing written down yet. Tick the bed off on the round.</p>
      ) : null}
      {bed.archived ? null : (
        <Button look="quiet" className="-ml-4" onClick={() => setEntering(true)}>
          Write down an earlier watering
        </Button>
      )}
      {entering ? (
        <EarlierSheet bed={bed} today={today} roomOn={roomOn} onClose={() => setEntering(false)} />
      ) : null}
      <ul>
        {events.slice(0, SHOWN).map((event) => (
          <li key={event.id} className="flex items-baseline gap-3 border-t border-rule py-1">
            <span className="w-20 shrink-0 text-quiet">{plainDate(event.date, today)}</span>
            <span className="flex-1">
              {event.kind === 'watering'
                ? `${units.text('volume', event.litres ?? 0)}, ${Math.round(event.minutes ?? 0)} min${event.reason === 'as planned' ? '' : event.note ? `, off the plan: ${event.note}` : ', done differently'}`
                : `Skipped: ${event.reason ?? ''}`}
              {event.by ? `; on ${event.by}` : ''}
              {event.clockWasAhead
                ? '. That device’s clock was ahead, so this counts from when it arrived'
                : ''}
            </span>
            <button
              type="button"
              className="no-print underline underline-offset-4"
              onClick={() => void takeBack(event).catch(() => undefined)}
            >
              Take back
            </button>
          </li>
        ))}
      </ul>
      {events.length > SHOWN ? (
        <p className="mt-1 text-sm text-quiet">and {events.length - SHOWN} earlier</p>
      ) : null}
    </section>
  );
}
