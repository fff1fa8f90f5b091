import { addDays, balanceStart, knownBed, zoneOf, type RoomForWater } from '@kibble/core';
import { Link, useParams } from 'react-router';
import { useBedPageQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import {
  leaveHead,
  leaveSentence,
  shareWords,
  stageWords,
  waitingWords,
  waterSentence,
} from '../../words/words.ts';
import { runsOutWords, windowWords } from '../../words/bedWords.ts';
import { DepletionChart } from '../../drawing/DepletionChart.tsx';
import { PlaceDrawing } from '../../places/index.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Opens, OpensTree, Sentence } from '../../ui/Opens.tsx';
import { Loading, Trouble } from '../../ui/states.tsx';
import { SharpenPlan } from '../ground/SharpenPlan.tsx';
import { BedLog } from './BedLog.tsx';
import { SettingsLog } from './SettingsLog.tsx';
import { CoverAdvice } from './CoverAdvice.tsx';
import { Ladder } from './Ladder.tsx';
import { LastYear } from './LastYear.tsx';
import { OwnLine } from './OwnLine.tsx';
import { Plantings } from './Plantings.tsx';
import { Schools } from './Schools.tsx';
import { StageStrip } from './StageStrip.tsx';
import { Weeks } from './Weeks.tsx';
import { WhereItWent } from './WhereItWent.tsx';
import { type BedPageView } from '@kibble/contract';
import { BeyondNote } from '../../ui/BeyondNote.tsx';
import { UnplannedBed } from './UnplannedBed.tsx';
import { PartNote } from '../../ui/PartNote.tsx';
import { OneOffRun } from '../../ui/OneOffRun.tsx';
import { TaskList } from '../../ui/TaskList.tsx';

/** One bed: its core, what has gone from it and what is to come, and its log. */
/** Depths that are believed and not measured are told to the nearest 10 mm. */
const tens = (mm: number): number => Math.round(mm / 10) * 10;

/** From so far off what is not known of the ground is told, share. Judgement. */
const WIDE_DOUBT = 0.2;

export function BedRoom() {
  const bedId = Number(useParams().bedId);
  const { data: page, error, refetch } = useBedPageQuery(bedId);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!page) return <Loading what="the bed" />;
  return 'unplanned' in page ? <UnplannedBed page={page} /> : <PlannedBed bedId={bedId} page={page} />;
}

function PlannedBed({ bedId, page }: { bedId: number; page: BedPageView }) {
  const units = useUnits();
  const today = page.date;
  const bed = { bedId, bedName: page.bedName };
  const { core, stop, leave } = page;
  const zone = zoneOf(page.bed, useGarden().taps);
  /** Nothing was ever planted: there is no use of water to show. */
  const bare = page.bed.plantings.length === 0;
  /** The room of an earlier day is what was gone on the evening before it. */
  const roomOn = (date: string): RoomForWater | null => {
    if (date === today) return page.room;
    const before = page.days.find((day) => day.date === addDays(date, -1));
    return before ? { ...page.room, depletionMm: before.depletionMm } : null;
  };
  const { startDoubt: doubt = 0 } = balanceStart(
    page.bed.startOn,
    page.bed.startWetness,
    today,
    page.bed.wetnessOn,
  );

  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[17rem_minmax(0,1fr)] lg:grid-rows-[auto_1fr]">
      <div>
        <h1 className="text-3xl">{page.bedName}</h1>
        <p className="mb-3 text-quiet">
          {page.cropName ?? 'Nothing planted'}
          {page.stage ? `, ${stageWords(page.stage)}` : ''}. On {page.textureClass},{' '}
          {page.tree ? 'roots’ ground ' : ''}
          {units.text('area', page.areaM2)}. {zone ? `Watered with the other beds of ${zone.name}. ` : ''}
          <Link className="underline underline-offset-4" to={`../ground/bed/${bedId}`}>
            Ground and water
          </Link>
          {page.tree ? (
            <>
              {' '}
              <Link
                className="underline underline-offset-4"
                to={`/garden/${page.bed.gardenId}/trees/${bedId}`}
              >
                Its ring from above
              </Link>
            </>
          ) : null}
        </p>
        <BeyondNote beyond={page.beyond} unread={page.unread} />
        <PlaceDrawing
          kind={page.kind}
          core={core}
          width={272}
          height={430}
          depthMm={Math.min(1500, Math.max(600, Math.ceil((core.rootDepthMm * 1.35) / 100) * 100))}
          labelled
          title={page.bedName}
        />
      </div>
      <div className="min-w-0 lg:row-span-2">
        <section className="mb-4 max-w-prose">
          {stop ? (
            <p className="text-lg">
              <strong>
                Water today:{' '}
                <Opens {...bed} of="minutes" assumed={!stop.flowMeasured}>
                  {minutesText(stop.run.minutes)}
                </Opens>
                ,{' '}
                <Opens {...bed} of="litres">
                  {units.text('volume', stop.run.litres)}
                </Opens>
                .
              </strong>{' '}
              <Sentence
                {...bed}
                pieces={waterSentence(stop.reason, stop.reachesMm, units, stop.run.localMm)}
              />
            </p>
          ) : null}
          {stop ? <PartNote reason={stop.reason} /> : null}
          {leave ? (
            <p className="text-lg">
              <strong>Leave alone today: {leaveHead(leave.reason, leave.nextDate)}.</strong>{' '}
              <Sentence {...bed} pieces={leaveSentence(leave.reason, units, leave.event)} />{' '}
              {leave.waiting ? <Sentence {...bed} pieces={waitingWords(leave.waiting)} /> : null}
            </p>
          ) : null}
          <AfterFirst>
            {page.window && !bare ? (
              <p className="mt-1 text-quiet">
                {windowWords(page.window, today, doubt)}
                {doubt > WIDE_DOUBT
                  ? ' How wet the ground was is not known, so this may be days off: a finger or a probe in the soil settles it.'
                  : ''}{' '}
                Over the fortnight{' '}
                <Opens {...bed} of="fortnight">
                  {units.number('volume', page.window.litres.low)} to{' '}
                  {units.text('volume', page.window.litres.high)}
                </Opens>
                , in eight of ten ways the weather and the roots may go.
              </p>
            ) : null}
            {page.roots ? (
              <p className="mt-1 text-quiet">
                Doses go by roots {units.text('depth', tens(page.roots.countedMm))} deep, the middle of what
                is believed. If they go down to {units.text('depth', tens(page.roots.upToMm))},{' '}
                {page.roots.leftIfDeepMm > 0
                  ? `${units.text('depth', page.roots.leftIfDeepMm)} are still within easy reach today`
                  : 'it is past its line all the same'}
                ; if they are shallow, the fortnight costs {shareWords(page.loss.ifShallow)} of its growth. A
                spade or a probe settles it:{' '}
                <Link className="underline underline-offset-4" to={`../ground/bed/${bedId}/dig`}>
                  dig and look
                </Link>
                .
              </p>
            ) : null}
            {page.often ? (
              <p className="mt-1">
                <strong>
                  It is planned on {page.often.days} of {page.often.of} days, which is more than nearly all
                  ground needs.
                </strong>{' '}
                Once or twice a week is usual. Where its roots are shallow, its soil is light or its pace is
                fixed, look below at what fewer rounds would cost and what would help.
              </p>
            ) : null}
            {page.undivided ? (
              <p className="mt-1 text-quiet">
                The ground round its roots can hold {units.text('depth', page.undivided.holdsMm)}, so its
                water is divided: the {page.undivided.waterings} waterings of a week given as one would be{' '}
                {units.text('depth', page.undivided.givenMm)}, and{' '}
                <OpensTree title="Would sink below the roots" working={page.undivided.because}>
                  {units.text('depth', page.undivided.sinksMm)}
                </OpensTree>{' '}
                of it, {units.text('volume', page.undivided.sinksL)}, would sink below the roots.
              </p>
            ) : null}
            {page.runsOut && !bare ? (
              <p className="mt-1 text-quiet">{runsOutWords(page.runsOut, today)}</p>
            ) : null}
            <OneOffRun
              bedId={page.bedId}
              bedName={page.bedName}
              litresPerMinute={knownBed(page.bed, today).delivery.litresPerMinute}
            />
          </AfterFirst>
        </section>
        <AfterFirst>
          {page.strips.map((strip) => (
            <StageStrip
              key={strip.plantingId}
              strip={strip}
              bedId={bedId}
              today={today}
              named={page.strips.length > 1}
            />
          ))}
          {bare ? (
            <Plantings bed={page.bed} />
          ) : (
            <>
              <h2 className="text-2xl">Water gone from round the roots</h2>
              <DepletionChart days={page.days} today={today} fan={page.window?.fan} />
              <div className="mt-6">
                <Ladder {...bed} lately={page.loss.lately} />
              </div>
              <div className="mt-6">
                <Schools bed={page.bed} />
                <OwnLine page={page} />
              </div>
            </>
          )}
          <div className="mt-6 grid gap-8 md:grid-cols-2">
            <div className="flex flex-col gap-8">
              <WhereItWent page={page} />
              <Weeks days={page.days} today={today} />
              {page.lastYear ? <LastYear compared={page.lastYear} /> : null}
            </div>
            <div className="flex flex-col gap-8">
              {bare ? null : <Plantings bed={page.bed} />}
              <CoverAdvice
                key={bedId}
                bed={page.bed}
                depletionShare={core.readilyMm > 0 ? core.depletionMm / core.readilyMm : 0}
              />
              <BedLog bed={page.bed} events={page.events} today={today} roomOn={roomOn} />
              <SettingsLog bed={page.bed} />
            </div>
          </div>
        </AfterFirst>
      </div>
      <aside>
        <AfterFirst>
          <TaskList tasks={page.tasks} named={false} />
          {page.cautions.length > 0 ? (
            <section className="mt-6">
              <h2 className="mb-1 text-xl">Mind with {page.cropName?.toLowerCase()}</h2>
              <ul>
                {page.cautions.map((caution) => (
                  <li key={caution} className="border-t border-rule py-1">
                    {caution}
                  </li>
                ))}
              </ul>
            </section>
          ) : null}
          {page.bed.notes ? (
            <section className="mt-6">
              <h2 className="mb-1 text-xl">Notes</h2>
              <p className="border-t border-rule py-1 whitespace-pre-wrap">{page.bed.notes}</p>
            </section>
          ) : null}
          {page.sharpen ? <SharpenPlan sharpen={page.sharpen} /> : null}
        </AfterFirst>
      </aside>
    </div>
  );
}
