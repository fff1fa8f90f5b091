import type { StopView } from '@kibble/contract';
import { DRY_TO_MM } from '@kibble/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { refusal, useLogWateringMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { minutesText, useUnits } from '../../app/units.ts';
import {
  byHandWords,
  checkFirstWords,
  hourWords,
  sprayWords,
  timeOfDay,
  waterSentence,
} from '../../app/words.ts';
import { SoilCore } from '../../drawing/SoilCore.tsx';
import { Button } from '../../ui/Button.tsx';
import { useGardenRound } from '../../app/gardenRound.ts';
import { useTaps } from '../../ui/useTaps.ts';
import { Opens, Sentence } from '../../ui/Opens.tsx';
import { CheckSheet } from './CheckSheet.tsx';
import { DifferentSheet } from './DifferentSheet.tsx';
import { SkipSheet } from './SkipSheet.tsx';

/** How deep to look when nothing says otherwise: where the core's own rule begins. */
const LOOK_MM = DRY_TO_MM;

/** How it is done: the method, and cycles when the soil cannot take it in one go. */
function howText(stop: StopView): string {
  const { run } = stop;
  if (run.cycles === 1) return `By ${stop.how}`;
  const handmade = stop.method === 'hose wand' || stop.method === 'watering can';
  const name = handmade ? 'passes' : 'runs';
  return `By ${stop.how}: ${run.cycles} ${name} of ${minutesText(run.runMinutes)}, ${minutesText(run.soakMinutes)} between to soak in`;
}

/** One stop of the walk: minutes large, how, one sentence of why, and what became of it. */
export function StopCard({ stop, place }: { stop: StopView; place: number }) {
  const bed = { bedId: stop.bedId, bedName: stop.bedName };
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [water, { isLoading, error }] = useLogWateringMutation();
  const [asking, setAsking] = useState<'different' | 'skip' | 'check' | null>(null);

  const { garden } = useGardenRound();
  const { taps, open } = useTaps(garden.id);
  const running = taps.some((tap) => tap.bedId === stop.bedId);
  const openTap = async (): Promise<void> => {
    // Asked at the first tap, when it is plain why.
    if ('Notification' in window && Notification.permission === 'default')
      void Notification.requestPermission();
    const { bedId, bedName, litresPerMinute, run } = stop;
    await open({
      bedId,
      bedName,
      litresPerMinute,
      minutes: run.runMinutes,
      runs: run.cycles,
      run: 1,
      runMinutes: run.runMinutes,
      soakMinutes: run.soakMinutes,
      ranMinutes: 0,
      resting: false,
      secondsEach: stop.byHand?.secondsEach ?? null,
    });
  };

  const done = async (): Promise<void> => {
    const event = await water({
      bedId: stop.bedId,
      body: { litres: stop.run.litres, asPlanned: true },
    }).unwrap();
    dispatch(
      noticeShown({
        text: `${stop.bedName}: ${units.text('volume', stop.run.litres)} written down.`,
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
        <span className="row-span-4 font-serif text-2xl text-quiet md:row-span-3">{place}</span>
        <div className="row-span-4 md:row-span-3">
          <SoilCore
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
        <div className="col-start-3 flex flex-wrap items-baseline gap-x-4 gap-y-1 md:col-start-4 md:row-span-2 md:row-start-1 md:block">
          <p className="leading-none">
            <Opens
              {...bed}
              of="minutes"
              assumed={!stop.flowMeasured}
              className="text-5xl font-bold"
              label={`${Math.max(1, Math.round(stop.run.minutes))} minutes: show the working`}
            >
              {Math.max(1, Math.round(stop.run.minutes))}
            </Opens>{' '}
            <span className="text-lg">min</span>
          </p>
          <p className="md:mt-2">
            <Opens {...bed} of="litres">
              {units.text('volume', stop.run.litres)}
            </Opens>
            <span className="md:hidden">, </span>
            <br className="hidden md:block" />
            <Opens {...bed} of="depth">
              {units.text('depth', stop.run.localMm)}
            </Opens>{' '}
            {stop.run.bedMm < stop.run.localMm - 0.05 ? 'where it falls' : 'over the bed'}
          </p>
          {stop.runs[0] ? (
            <p className="mt-1">
              from <strong>{timeOfDay(stop.runs[0].from, units)}</strong>
              {stop.runs.length > 1 ? (
                <span className="text-quiet">
                  <span className="md:hidden">, </span>
                  <br className="hidden md:block" />
                  done {timeOfDay(stop.runs.at(-1)?.until ?? stop.runs[0].until, units)}
                </span>
              ) : null}
            </p>
          ) : null}
        </div>
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
          {!stop.flowMeasured ? (
            <p className="text-sm text-quiet">
              <span className="assumed">{units.text('flow', stop.litresPerMinute)}</span> is assumed;{' '}
              <Link className="underline underline-offset-4" to={`../ground/bed/${stop.bedId}`}>
                measure it
              </Link>{' '}
              to be sure of the minutes.
            </p>
          ) : null}
          <p className="text-sm text-quiet">
            {stop.byHand ? `${byHandWords(stop.byHand)} ` : ''}
            {hourWords(stop.hour, units)}
            {stop.spray ? ` ${sprayWords(stop.spray, units)}` : ''}
          </p>
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
        <div className="no-print col-start-3 mt-1 -ml-1 flex flex-wrap items-center gap-x-1 md:col-span-2 md:gap-x-3">
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
