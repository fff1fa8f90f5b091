import { METHOD_FACTS, spotLitres, wateredWith, zoneOf } from '@kibble/core';
import { useEffect, useState } from 'react';
import { refusal } from '../api/api.ts';
import { beep } from '../state/beep.ts';
import { nameTap } from '../words/title.ts';
import { useGarden } from '../state/gardenRound.ts';
import { notify } from '../state/notify.ts';
import { noticeShown, undoesEntries } from '../state/noticeSlice.ts';
import { useAppDispatch } from '../api/store.ts';
import { useUnits } from '../words/units.ts';
import { Button } from './Button.tsx';
import { clockText, useNow } from './clock.ts';
import { useSelfStopped } from './useSelfStopped.ts';
import { useTaps, type RunningTap } from './useTaps.ts';
import { useWakeLock } from './useWakeLock.ts';
import { useWater } from './useWater.ts';

/** A second beep and more while nobody has turned it off. */
const BEEP_AGAIN_MS = 60_000;

/** Running taps, in every room, until somebody says they are off. */
export function TapBar({ gardenId }: { gardenId: number }) {
  const { taps: runs, open, close } = useTaps(gardenId);
  const { beds, taps: named } = useGarden();
  // A run of a zone goes by the name of the zone.
  const taps = runs.map((run) => {
    const zone = zoneOf(
      beds.find(({ id }) => id === run.bedId),
      named,
    );
    return zone ? { ...run, bedName: zone.name } : run;
  });
  useSelfStopped(gardenId, taps);
  const now = useNow(taps.length > 0);
  useWakeLock(taps.length > 0);
  const first = taps[0];
  const left = first ? leftOf(first, now) : 0;
  useEffect(() => {
    nameTap(
      first
        ? left > 0
          ? `${clockText(left)} ${first.bedName}`
          : `${first.resting ? 'OPEN' : 'TURN OFF'} ${first.bedName}`
        : null,
    );
    return () => nameTap(null);
  }, [first, left]);
  if (taps.length === 0) return null;
  return (
    <section aria-label="Taps that run" className="border-b-2 border-ink bg-sheet px-4 py-2 md:px-8">
      {taps.map((tap) => (
        <Running key={tap.bedId} tap={tap} now={now} onNext={open} onOver={() => close(tap.bedId)} />
      ))}
    </section>
  );
}

const leftOf = (tap: RunningTap, now: number): number => tap.startedAt + tap.minutes * 60_000 - now;

function Running({
  tap,
  now,
  onNext,
  onOver,
}: {
  tap: RunningTap;
  now: number;
  onNext: (tap: RunningTap) => Promise<unknown>;
  onOver: () => Promise<unknown>;
}) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { water, isLoading, refused, twice } = useWater();
  const [asked, setAsked] = useState(false);
  const [silent, setSilent] = useState<string | null>(null);
  /** What the tap was told that home did not take is said beside its clock. */
  const speaking = (act: Promise<unknown>): void => {
    setSilent(null);
    act.catch((error: unknown) => setSilent(refusal(error).message));
  };
  const ran = Math.max(0, now - tap.startedAt);
  const left = leftOf(tap, now);
  const over = left <= 0;
  // Each minute over time asks again; by hand, each plant has its own short call.
  const calls = over ? 1 + Math.floor(-left / BEEP_AGAIN_MS) : 0;
  const plant = !tap.resting && tap.secondsEach ? Math.floor(ran / 1000 / tap.secondsEach) + 1 : 0;
  useEffect(() => {
    if (calls === 0) return;
    beep();
    notify(`${tap.resting ? 'Open again' : 'Turn off'}: ${tap.bedName}`, { tag: `tap-${tap.bedId}` });
  }, [calls, tap.bedId, tap.bedName, tap.resting]);
  useEffect(() => {
    if (plant > 1) beep(1);
  }, [plant]);
  // What is held is let go of when the time is up; what runs by itself runs on.
  const method = garden.beds.find(({ id }) => id === tap.bedId)?.delivery.method;
  const byHand = method !== undefined && METHOD_FACTS[method].byHand;
  const tooMuch =
    over && !tap.resting && !byHand
      ? spotLitres({ litresPerMinute: tap.litresPerMinute, minutes: Math.max(0.01, -left / 60_000) })
      : 0;

  /** Writes down all runs together. */
  const finish = async (ranMinutes: number): Promise<void> => {
    const whole = tap.runMinutes * tap.runs;
    const { ids, gave } = await water({
      bedId: tap.bedId,
      bedIds: wateredWith(tap.bedId, garden.beds, garden.taps),
      body: { minutes: Math.max(0.1, ranMinutes), asPlanned: Math.abs(ranMinutes / whole - 1) < 0.05 },
    });
    await onOver();
    dispatch(
      noticeShown({
        text: `${tap.bedName}: ${gave} written down.`,
        undo: undoesEntries(garden.id, ids),
      }),
    );
  };
  const off = (minutes: number): void => {
    setAsked(false);
    const ranMinutes = tap.ranMinutes + minutes;
    // Without a rest between, it is the spot that changes: the hose is moved and runs on.
    if (tap.run < tap.runs && tap.soakMinutes === 0)
      speaking(onNext({ ...tap, run: tap.run + 1, minutes: tap.runMinutes, ranMinutes }));
    else if (tap.run < tap.runs)
      speaking(onNext({ ...tap, resting: true, minutes: Math.max(0.5, tap.soakMinutes), ranMinutes }));
    else void finish(ranMinutes).catch(() => undefined);
  };
  const again = (): void =>
    speaking(onNext({ ...tap, resting: false, run: tap.run + 1, minutes: tap.runMinutes }));

  const moved = tap.runs > 1 && tap.soakMinutes === 0;
  const turn = tap.runs > 1 ? `, ${moved ? 'spot' : 'turn'} ${tap.run} of ${tap.runs}` : '';
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
      <span role="timer" className={`text-4xl font-bold ${over && !tap.resting ? 'text-brick' : ''}`}>
        {over ? `+${clockText(-left)}` : clockText(left)}
      </span>
      <span className="order-first w-full min-w-0 md:order-none md:w-auto md:flex-1">
        <strong>{tap.bedName}</strong>
        {turn}:{' '}
        {tap.resting ? (
          over ? (
            'it has soaked in: open the tap again.'
          ) : (
            'soaking in; water another bed meanwhile.'
          )
        ) : tap.selfStops ? (
          'it runs, and the timer on the tap shuts it.'
        ) : over && moved && tap.run < tap.runs ? (
          <span className="font-semibold text-brick">
            this spot has enough. Is the ground there wet through? Then move the hose on.
          </span>
        ) : over && byHand ? (
          <span className="font-semibold text-brick">this turn is over: say that it is off.</span>
        ) : over ? (
          <span className="font-semibold text-brick">
            turn it off. About {units.text('volume', tooMuch)} too much so far.
          </span>
        ) : plant > 0 ? (
          `at plant ${plant}, ${Math.max(1, Math.round(tap.secondsEach ?? 0))} s each.`
        ) : (
          'the tap runs.'
        )}
        {refused || silent ? (
          <span role="alert" className="font-semibold text-brick">
            {' '}
            {refused ?? silent}
            {twice ? ' Say once more that it is off, and it is written down as well.' : ''}
          </span>
        ) : null}
      </span>
      {tap.resting ? (
        <>
          <Button className="min-h-14 text-lg" onClick={again}>
            It runs again
          </Button>
          <Button
            look="quiet"
            disabled={isLoading}
            onClick={() => void finish(tap.ranMinutes).catch(() => undefined)}
          >
            Enough for today
          </Button>
        </>
      ) : asked ? (
        <>
          <span>When was it turned off?</span>
          <Button disabled={isLoading} onClick={() => off(ran / 60_000)}>
            Just now
          </Button>
          <Button look="quiet" disabled={isLoading} onClick={() => off(tap.minutes)}>
            In time, after {Math.round(tap.minutes)} min
          </Button>
        </>
      ) : (
        <>
          <Button
            className="min-h-14 text-lg"
            disabled={isLoading}
            onClick={() => (over && -left > BEEP_AGAIN_MS ? setAsked(true) : off(ran / 60_000))}
          >
            {moved && tap.run < tap.runs ? `Moved to spot ${tap.run + 1}` : 'It is off'}
          </Button>
          <Button
            look="quiet"
            onClick={() =>
              tap.ranMinutes > 0 ? void finish(tap.ranMinutes).catch(() => undefined) : speaking(onOver())
            }
          >
            {tap.ranMinutes > 0 ? 'This run never came' : 'It never ran'}
          </Button>
        </>
      )}
    </div>
  );
}
