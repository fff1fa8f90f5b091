import { spotLitres } from '@kibble/core';
import { useEffect, useRef, useState } from 'react';
import { refusal, useLogWateringMutation } from '../app/api.ts';
import { beep } from '../app/beep.ts';
import { noticeShown } from '../app/noticeSlice.ts';
import { useAppDispatch } from '../app/store.ts';
import { useUnits } from '../app/units.ts';
import { Button } from './Button.tsx';
import { clockText, useNow } from './clock.ts';
import { useTaps, type RunningTap } from './useTaps.ts';

/** A second beep and more while nobody has turned it off. */
const BEEP_AGAIN_MS = 60_000;

/** Running taps, in every room, until somebody says they are off. */
export function TapBar({ gardenId }: { gardenId: number }) {
  const { taps, close } = useTaps(gardenId);
  const now = useNow(taps.length > 0);
  const title = useRef(document.title);
  const first = taps[0];
  const left = first ? first.startedAt + first.minutes * 60_000 - now : 0;
  useEffect(() => {
    const plain = title.current;
    if (!first) {
      document.title = plain;
      return;
    }
    document.title = left > 0 ? `${clockText(left)} ${first.bedName}` : `TURN OFF ${first.bedName}`;
    return () => {
      document.title = plain;
    };
  }, [first, left]);
  if (taps.length === 0) return null;
  return (
    <section
      aria-label="Taps that run"
      className="sticky top-0 z-10 border-b-2 border-ink bg-sheet px-4 py-2 md:px-8"
    >
      {taps.map((tap) => (
        <Running key={tap.bedId} tap={tap} now={now} onOff={() => void close(tap.bedId)} />
      ))}
    </section>
  );
}

function Running({ tap, now, onOff }: { tap: RunningTap; now: number; onOff: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [water, { isLoading, error }] = useLogWateringMutation();
  const [asked, setAsked] = useState(false);
  const ran = Math.max(0, now - tap.startedAt);
  const left = tap.minutes * 60_000 - ran;
  const overdue = left <= 0;
  const beeps = overdue ? 1 + Math.floor(-left / BEEP_AGAIN_MS) : 0;
  useEffect(() => {
    if (beeps === 0) return;
    beep();
    if ('Notification' in window && Notification.permission === 'granted')
      new Notification(`Turn off: ${tap.bedName}`, { tag: `tap-${tap.bedId}` });
  }, [beeps, tap.bedId, tap.bedName]);
  const lost = overdue
    ? spotLitres({ litresPerMinute: tap.litresPerMinute, minutes: Math.max(0.01, -left / 60_000) })
    : 0;

  const off = async (minutes: number): Promise<void> => {
    const event = await water({
      bedId: tap.bedId,
      body: { minutes: Math.max(0.1, minutes), asPlanned: Math.abs(minutes / tap.minutes - 1) < 0.05 },
    }).unwrap();
    onOff();
    dispatch(
      noticeShown({
        text: `${tap.bedName}: ${units.text('volume', event.litres ?? 0)} written down.`,
        undoEventId: event.id,
      }),
    );
  };

  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
      <span role="timer" className={`text-4xl font-bold ${overdue ? 'text-brick' : ''}`}>
        {overdue ? `+${clockText(-left)}` : clockText(left)}
      </span>
      <span className="order-first w-full min-w-0 md:order-none md:w-auto md:flex-1">
        <strong>{tap.bedName}</strong>:{' '}
        {overdue ? (
          <span className="font-semibold text-brick">
            turn it off. About {units.text('volume', lost)} too much so far.
          </span>
        ) : (
          'the tap runs.'
        )}
        {error ? <span className="font-semibold text-brick"> {refusal(error).message}</span> : null}
      </span>
      {asked ? (
        <>
          <span>When was it turned off?</span>
          <Button disabled={isLoading} onClick={() => void off(ran / 60_000).catch(() => undefined)}>
            Just now
          </Button>
          <Button
            look="quiet"
            disabled={isLoading}
            onClick={() => void off(tap.minutes).catch(() => undefined)}
          >
            In time, after {Math.round(tap.minutes)} min
          </Button>
        </>
      ) : (
        <>
          <Button
            className="min-h-14 text-lg"
            disabled={isLoading}
            onClick={() =>
              overdue && -left > BEEP_AGAIN_MS
                ? setAsked(true)
                : void off(ran / 60_000).catch(() => undefined)
            }
          >
            It is off
          </Button>
          <Button look="quiet" onClick={onOff}>
            It never ran
          </Button>
        </>
      )}
    </div>
  );
}
