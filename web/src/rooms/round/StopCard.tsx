import type { StopView } from '@kibble/contract';
import { DRY_TO_MM } from '@kibble/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { refusal, useLogWateringMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { minutesText, useUnits } from '../../app/units.ts';
import { checkFirstWords, waterSentence } from '../../app/words.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { Button } from '../../ui/Button.tsx';
import { useGarden } from '../../app/gardenRound.ts';
import { useTaps } from '../../ui/useTaps.ts';
import { Sentence } from '../../ui/Opens.tsx';
import { CheckSheet } from './CheckSheet.tsx';
import { StopDetails } from './StopDetails.tsx';
import { StopFigures } from './StopFigures.tsx';
import { DifferentSheet } from './DifferentSheet.tsx';
import { SkipSheet } from './SkipSheet.tsx';

/** How deep to look when nothing says otherwise: where the core's own rule begins. */
const LOOK_MM = DRY_TO_MM;

/** How it is done: the method, and cycles when the soil cannot take it in one go. */
function howText(stop: StopView): string {
  const { run, byHand } = stop;
  const times = byHand?.passes ?? run.cycles;
  if (times === 1) return `By ${stop.how}`;
  const rest = byHand?.restMinutes ?? run.soakMinutes;
  return `By ${stop.how}: ${times} ${byHand ? 'passes' : 'runs'} of ${minutesText(run.minutes / times)}, ${minutesText(rest)} between to soak in`;
}

/** One stop of the walk: minutes large, how, one sentence of why, and what became of it. */
export function StopCard({ stop, place }: { stop: StopView; place: number }) {
  const bed = { bedId: stop.bedId, bedName: stop.bedName };
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [water, { isLoading, error }] = useLogWateringMutation();
  const [asking, setAsking] = useState<'different' | 'skip' | 'check' | null>(null);

  const garden = useGarden();
  const { taps, open } = useTaps(garden.id);
  const running = taps.some((tap) => tap.bedId === stop.bedId);
  const openTap = async (): Promise<void> => {
    // Asked at the first tap, when it is plain why.
    if ('Notification' in window && Notification.permission === 'default')
      void Notification.requestPermission();
    const { bedId, run } = stop;
    await open({
      bedId,
      minutes: run.runMinutes,
      runs: run.cycles,
      run: 1,
      runMinutes: run.runMinutes,
      soakMinutes: run.soakMinutes,
      secondsEach: stop.byHand?.secondsEach ?? null,
    });
  };

  const done = async (): Promise<void> => {
    const event = await water({
      bedId: stop.bedId,
      // What is carried is counted in litres; a tap is open for minutes, whatever it gives.
      body: stop.fills
        ? { litres: stop.run.litres, asPlanned: true }
        : { minutes: stop.run.minutes, asPlanned: true },
    }).unwrap();
    dispatch(
      noticeShown({
        text: `${stop.bedName}: ${units.text('volume', event.litres ?? stop.run.litres)} written down.`,
        undoEventId: event.id,
      }),
    );
  };

  return (
    <li
      data-stop
      tabIndex={-1}
      className="far border-t border-ink py-3 last:border-b"
      aria-label={stop.bedName}
    >
      <div className="grid grid-cols-[1.4rem_3.6rem_minmax(0,1fr)] gap-x-3 md:grid-cols-[1.6rem_4rem_minmax(0,1fr)_9.5rem] md:gap-x-5">
        <span className="row-span-5 font-serif text-2xl text-quiet md:row-span-4">{place}</span>
        <div className="row-span-5 md:row-span-4">
          <PlaceDrawing
            kind={stop.kind}
            core={stop.core}
            width={58}
            height={118}
            depthMm={Math.min(1000, Math.max(500, stop.core.rootDepthMm * 1.3))}
            title={stop.bedName}
          />
        </div>
        <h2 className="text-xl">
          <Link
            to={`../beds/${stop.bedId}`}
            className="underline decoration-rule decoration-1 underline-offset-4 hover:decoration-ink"
          >
            {stop.bedName}
          </Link>
        </h2>
        <StopFigures stop={stop} />
        <div className="col-start-3">
          <p className="font-semibold">{howText(stop)}</p>
          {stop.reason.overdueDays > 0 ? (
            <p className="font-semibold text-brick">
              {stop.reason.overdueDays === 1
                ? 'Carried over from yesterday.'
                : `Carried over: due for ${stop.reason.overdueDays} days.`}
            </p>
          ) : null}
          <p>
            <Sentence {...bed} pieces={waterSentence(stop.reason, stop.reachesMm, units, stop.run.localMm)} />
            {stop.reason.sparedByRainMm >= 1 && stop.reason.code === 'refill line'
              ? ` ${units.text('depth', Math.ceil(stop.reason.sparedByRainMm))} of rain today would spare it.`
              : ''}
          </p>
          {stop.checkFirst ? (
            <p>
              <strong>{checkFirstWords(stop.checkFirst, units)}</strong>{' '}
              <button
                type="button"
                className="no-print font-semibold underline underline-offset-4"
                onClick={() => setAsking('check')}
              >
                What did you find?
              </button>
            </p>
          ) : null}
          {stop.wetFirst ? (
            <p className="font-semibold">
              Water runs down one channel here: wet it lightly first, wait ten minutes, then give the rest.
            </p>
          ) : null}
          {stop.keepLeavesDry && stop.method !== 'drip' && stop.method !== 'soaker hose' ? (
            <p className="font-semibold text-brick">
              Keep the leaves dry: this crop sickens when they stay wet.
            </p>
          ) : null}
        </div>
        <div className="order-2 col-start-3 md:order-none">
          <StopDetails stop={stop} />
        </div>
        <div className="no-print order-1 col-start-3 mt-1 -ml-1 md:order-none flex flex-wrap items-center gap-x-1 md:col-span-2 md:gap-x-3">
          <Button
            disabled={isLoading}
            className="ml-1 min-w-20 md:min-w-28"
            data-key="d"
            onClick={() => void done()}
          >
            Done
          </Button>
          {running ? (
            <span className="px-2 font-semibold">the tap runs</span>
          ) : (
            <Button
              look="quiet"
              className="px-1 md:px-2"
              data-key="t"
              onClick={() => void openTap().catch(() => undefined)}
            >
              Open the tap
            </Button>
          )}
          <Button look="quiet" className="px-1 md:px-2" data-key="o" onClick={() => setAsking('different')}>
            Other amount
          </Button>
          <Button look="quiet" className="px-1 md:px-2" data-key="c" onClick={() => setAsking('check')}>
            Look first
          </Button>
          <Button look="quiet" className="px-1 md:px-2" data-key="s" onClick={() => setAsking('skip')}>
            Skip
          </Button>
          {error ? (
            <p role="alert" className="text-brick">
              {refusal(error).message}
            </p>
          ) : null}
        </div>
      </div>
      <DifferentSheet stop={stop} open={asking === 'different'} onClose={() => setAsking(null)} />
      <CheckSheet
        stop={stop}
        depthMm={stop.checkFirst?.depthMm ?? LOOK_MM}
        open={asking === 'check'}
        onClose={() => setAsking(null)}
      />
      <SkipSheet stop={stop} open={asking === 'skip'} onClose={() => setAsking(null)} />
    </li>
  );
}
