import type { PotPageView, PotView } from '@kibble/contract';
import { HEAVY_KG, MATERIALS, MIXES, POT_WAY_FACTS, POT_WAYS, vesselKind, type PotWay } from '@kibble/core';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { refusal, usePotPageQuery, usePotsQuery } from '../../api/api.ts';
import { useArchivePotMutation, useBeginSequenceMutation } from '../../api/pots.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import {
  doseText,
  entryText,
  giveText,
  HELP_WORDS,
  nextText,
  plantsText,
  potState,
  taskText,
  isOver,
} from '../../words/potWords.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { dayMonth, plainDate, shareWords } from '../../words/words.ts';
import { VesselGlyph } from '../../drawing/VesselGlyph.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Button } from '../../ui/Button.tsx';
import { OpensTree } from '../../ui/Opens.tsx';
import { Loading, Trouble } from '../../ui/states.tsx';
import { UnderWay } from '../../ui/UnderWay.tsx';
import { BeginSpell, TaskDone } from '../../ui/PotTasks.tsx';
import { usePotActs } from '../../ui/usePotActs.ts';
import { CopyPots, PlantOut } from './PotSheets.tsx';
import { DryingCurve } from './DryingCurve.tsx';
import { Looks } from './Looks.tsx';
import { PotForm } from './PotForm.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Fold } from '../../ui/Fold.tsx';

const HEIGHT = 230;

/** One pot: what it can still give, what to do, its drying, what was found. */
export function PotRoom() {
  const { potId } = useParams();
  const garden = useGarden();
  const { data: page, error, refetch } = usePotPageQuery(Number(potId));
  const { data: shelf } = usePotsQuery(garden.id);
  const [sheet, setSheet] = useState<'change' | 'copy' | 'out' | null>(null);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [archive] = useArchivePotMutation();
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!page) return <Loading what="this pot" />;
  const { pot } = page;
  const spots = shelf?.spots.map(({ name }) => name) ?? [];
  const putAway = async (): Promise<void> => {
    await archive({ potId: pot.id }).unwrap();
    dispatch(
      noticeShown({
        text: `${pot.name} is put away; its log is kept.`,
        undo: [{ to: 'restorePot', at: { id: pot.id } }],
      }),
    );
    void navigate(`/garden/${garden.id}/pots`);
  };
  return (
    <section>
      <p className="text-sm">
        <Link className="underline underline-offset-4" to={`/garden/${garden.id}/pots`}>
          Pots &amp; trays
        </Link>
        , {pot.spot}
      </p>
      <UnderWay sequences={shelf?.sequences.filter(({ potIds }) => potIds.includes(pot.id)) ?? []} />
      <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl">{pot.name}</h1>
        <p>{plantsText(pot)}</p>
      </div>
      <div className="grid gap-x-10 gap-y-4 lg:grid-cols-[17rem_minmax(0,1fr)]">
        <div className="order-last lg:order-none">
          <Large pot={pot} />
          <About page={page} />
        </div>
        <div>
          <Today page={page} />
          <DryingCurve page={page} today={garden.today} />
          <Looks pot={pot} />
        </div>
      </div>
      <AfterFirst>
        <div className="mt-4 grid gap-x-10 gap-y-4 border-t border-ink pt-3 lg:grid-cols-3">
          <Help page={page} />
          <Weighed page={page} />
          <Log page={page} />
        </div>
        <div className="no-print mt-4 -ml-4 flex flex-wrap border-t border-rule pt-2">
          <Button look="quiet" onClick={() => setSheet('change')}>
            Change, move or repot
          </Button>
          <Button look="quiet" onClick={() => setSheet('copy')}>
            More like this one
          </Button>
          <Button look="quiet" onClick={() => setSheet('out')}>
            Plant out to a bed
          </Button>
          <Button look="quiet" onClick={() => void putAway().catch(() => undefined)}>
            Put away
          </Button>
        </div>
      </AfterFirst>
      {sheet === 'change' ? <PotForm pot={pot} spots={spots} onClose={() => setSheet(null)} /> : null}
      {sheet === 'copy' ? <CopyPots pot={pot} onClose={() => setSheet(null)} /> : null}
      {sheet === 'out' ? <PlantOut pot={pot} onClose={() => setSheet(null)} /> : null}
    </section>
  );
}

function Large({ pot }: { pot: PotView }) {
  const units = useUnits();
  const pxPerM = Math.min(150 / pot.shape.heightM, 220 / pot.shape.topM);
  return (
    <svg
      viewBox={`0 0 260 ${HEIGHT}`}
      className="mt-1 w-64 max-w-full"
      role="img"
      aria-label={`${pot.name}: it can still give ${doseText(pot.heldMl, units)} of ${doseText(pot.holdsMl, units)}`}
    >
      <VesselGlyph pot={pot} x={130} y={HEIGHT - 8} pxPerM={pxPerM} />
      <path d={`M6 ${HEIGHT - 4}H254`} stroke="var(--ink)" strokeWidth={2} />
    </svg>
  );
}

const SUN = { full: 'in full sun', half: 'in half shade', shade: 'in the shade' } as const;

/** What it is, in one paragraph. */
function About({ page: { pot, fromBed, earlier } }: { page: PotPageView }) {
  const units = useUnits();
  const { gardenId } = useParams();
  const { facts, shape } = pot;
  return (
    <div className="text-sm text-quiet">
      <p>
        {units.text('litresFine', shape.volumeL)} of mix ({MIXES[facts.mix].label}),{' '}
        {MATERIALS[facts.material].label}, {units.text('span', shape.topM)} across.
        {facts.saucer ? ' A saucer under it.' : ''}
        {facts.noHole
          ? ' It has no hole, so nothing can run out: give it no more than it asks for, and drill a hole in it if you can.'
          : ''}
        {facts.reservoirL ? ` A tank of ${units.text('litresFine', facts.reservoirL)} beneath.` : ''}{' '}
        {facts.stands === 'indoors'
          ? `In a room: ${facts.light}, ${facts.warmth}, air ${facts.air}.`
          : `${facts.stands === 'greenhouse' ? 'Under glass' : facts.stands === 'balcony' ? 'On a balcony' : 'Outdoors'}, ${SUN[facts.sun]}, ${facts.wind === 'open' ? 'open to the wind' : facts.wind}.`}
        {facts.roots === 'root-bound' ? ' Roots have filled it to the last.' : ''}
      </p>
      {earlier.map((was) => (
        <p key={was.until}>
          Until {dayMonth(was.until)}: {was.spot}, {MATERIALS[was.facts.material].label}
          {was.rootsFound
            ? `; roots found ${was.rootsFound === 'upper half' ? 'in the upper half only' : 'throughout'}`
            : ''}
          .
        </p>
      ))}
      {fromBed ? (
        <p>
          It was kept as a bed before:{' '}
          <Link className="underline" to={`/garden/${gardenId}/beds/${fromBed.id}`}>
            its log
          </Link>
          .
        </p>
      ) : null}
      {pot.notes ? <p className="whitespace-pre-line">{pot.notes}</p> : null}
    </div>
  );
}

/** What to do today, in one sentence with its working. */
function Today({ page: { pot, working } }: { page: PotPageView }) {
  const units = useUnits();
  const garden = useGarden();
  const acts = usePotActs();
  const [begin, { isLoading, error }] = useBeginSequenceMutation();
  const way = POT_WAY_FACTS[pot.way];
  const dryFirst = pot.leave?.code === 'look if it is dry';
  const started = (kind: 'rescue' | 'drench twice' | 'tray soak'): void =>
    void begin({ gardenId: garden.id, body: { kind, potIds: [pot.id] } });
  return (
    <div className="border-l-4 border-ink pl-4" data-testid="pot-today">
      <p className="text-2xl leading-tight font-bold">
        {pot.give && working ? (
          <OpensTree title={`Water for ${pot.name}`} working={working}>
            Give {giveText(pot, units)}
          </OpensTree>
        ) : (
          capital(
            pot.leave?.code === 'enough'
              ? `leave it, next ${nextText(pot, garden.today)}`
              : potState(pot, garden.today, units),
          )
        )}
        {pot.give?.again ? (
          <span className="block text-lg">
            and {doseText(pot.give.again.millilitres, units)} about {pot.give.again.hour}:00: it empties
            within the day
          </span>
        ) : null}
      </p>
      {isOver(pot) ? (
        <p>
          {pot.leave?.code === 'killed by frost'
            ? 'The night was too cold for this plant outdoors. Empty the pot when you like. If the plant is still alive, say so, and Kibble plans its water again.'
            : 'The season of this plant is over, and it needs no more water. Empty the pot when you like.'}
        </p>
      ) : (
        <p>
          {way.label}: {way.does}. {pot.facts.way ? '' : `That suits it: ${pot.usual.why}. `}
          {pot.leave?.code === 'held dry'
            ? 'Look at it every day: the first wilting ends its dry spell. '
            : ''}
          {pot.atNight ? 'From sunset on: its pores open at night. ' : ''}
          {pot.give || pot.leave?.code === 'rests' ? '' : between(pot)}A day like today takes{' '}
          <span className={pot.weighedOn ? '' : 'assumed'}>{doseText(pot.dayUseMl, units)}</span>, right
          within {shareWords(pot.doubt)}; it can still give{' '}
          {working ? (
            <OpensTree title={`What ${pot.name} holds`} working={working}>
              {doseText(pot.heldMl, units)} of {doseText(pot.holdsMl, units)}
            </OpensTree>
          ) : (
            `${doseText(pot.heldMl, units)} of ${doseText(pot.holdsMl, units)}`
          )}
          .{' '}
          {pot.lastsUntil
            ? `Watered today and then left, it hangs on ${dayMonth(pot.lastsUntil)}.`
            : 'Watered today and then left, it lasts the fortnight.'}
        </p>
      )}
      {pot.tasks.map((task) => (
        <p key={task.key} className="flex items-center font-semibold">
          <span className="min-w-0">{taskText(task)}</span>
          {task.code === 'rescue' ? null : task.code === 'dry spell' ? (
            <BeginSpell of={[{ pot }]} days={task.days} />
          ) : (
            <TaskDone of={[{ pot, key: task.key }]} />
          )}
        </p>
      ))}
      <div className="mt-1 flex flex-wrap gap-x-4">
        {pot.give ? (
          <Button disabled={acts.isLoading} onClick={() => void acts.give([pot]).catch(() => undefined)}>
            It had {doseText(pot.give.millilitres, units)}
          </Button>
        ) : null}
        {pot.leave?.code === 'held dry' ? (
          <>
            <Button
              look="quiet"
              disabled={acts.isLoading}
              onClick={() =>
                void acts
                  .one(pot, { kind: 'dry spell', what: 'end', days: 1 }, 'the dry spell is over.')
                  .catch(() => undefined)
              }
            >
              End the dry spell
            </Button>
            <Button
              look="quiet"
              disabled={acts.isLoading}
              onClick={() =>
                void acts
                  .one(pot, { kind: 'seen', sign: 'droops' }, 'it wilts, so its dry spell is over.')
                  .catch(() => undefined)
              }
            >
              It wilts
            </Button>
          </>
        ) : null}
        {pot.leave?.code === 'killed by frost' ? (
          <Button
            look="quiet"
            disabled={acts.isLoading}
            onClick={() =>
              void acts
                .one(pot, { kind: 'seen', sign: 'recovered' }, 'it is still alive after the frost.')
                .catch(() => undefined)
            }
          >
            It is still alive
          </Button>
        ) : null}
        {dryFirst ? (
          <Button
            onClick={() =>
              void acts.one(pot, { kind: 'seen', sign: 'wholly dry' }, 'wholly dry.').catch(() => undefined)
            }
          >
            It is wholly dry
          </Button>
        ) : null}
        {pot.shrunk && !isOver(pot) ? (
          <Button look={pot.give ? 'quiet' : 'act'} disabled={isLoading} onClick={() => started('rescue')}>
            Stand it in water, with a clock
          </Button>
        ) : null}
        {pot.way === 'drench twice' && pot.give ? (
          <Button look="quiet" disabled={isLoading} onClick={() => started('drench twice')}>
            With a clock for the rest
          </Button>
        ) : null}
        {vesselKind(pot.kind).seedlings ? (
          <Button look="quiet" disabled={isLoading} onClick={() => started('tray soak')}>
            Soak it, with a clock
          </Button>
        ) : null}
      </div>
      {(acts.refused ?? (error ? refusal(error).message : null)) ? (
        <p className="font-semibold text-brick">{acts.refused ?? refusal(error).message}</p>
      ) : null}
    </div>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Between which days, where that is more than one. */
const between = ({ next: { early, late } }: PotView): string =>
  early && late && early !== late ? `Likely between ${dayMonth(early)} and ${dayMonth(late)}. ` : '';

/** What would make it last longer; and the ways it can be watered. */
function Help({ page: { pot, help } }: { page: PotPageView }) {
  return (
    <div>
      <h2 className="text-xl">What would help</h2>
      {help.helps.length === 0 ? (
        <p className="text-quiet">Nothing we know of would spare a watering this fortnight.</p>
      ) : (
        <>
          <p className="text-sm text-quiet">
            Waterings in the fortnight: {help.now} as it is
            {pot.missedShare > 0.02 ? `, and still ${shareWords(pot.missedShare)} short` : ''}.
          </p>
          <ul>
            {help.helps.map(({ code, waterings }) => (
              <li key={code} className="flex justify-between gap-4 border-t border-rule py-0.5">
                <span>{HELP_WORDS[code]}</span>
                <strong>{waterings}</strong>
              </li>
            ))}
          </ul>
        </>
      )}
      <Fold heading="Ways of watering, and when each suits" className="mt-2">
        <dl className="text-sm">
          {POT_WAYS.map((way: PotWay) => (
            <div key={way} className="border-t border-rule py-1">
              <dt className={way === pot.way ? 'font-bold' : ''}>
                {POT_WAY_FACTS[way].label}
                {way === pot.way ? ' (this one)' : ''}
              </dt>
              <dd>
                {capital(POT_WAY_FACTS[way].does)}. Suits {POT_WAY_FACTS[way].suits}.
              </dd>
            </div>
          ))}
        </dl>
      </Fold>
    </div>
  );
}

/** Its weighings: how fast it dried, against what was reckoned. */
function Weighed({ page: { pot, spans, found, sanity } }: { page: PotPageView }) {
  const units = useUnits();
  const { gardenId } = useParams();
  return (
    <div>
      <h2 className="text-xl">Weighed and found</h2>
      {pot.fullKg === null ? (
        <p className="text-quiet">
          Not weighed yet. Weigh it when it was filled and has drained, and again a day later: that divides
          out the day’s weather and serves the season.{' '}
          <Link className="underline" to={`/garden/${gardenId}/pots/weigh`}>
            Weigh in
          </Link>
        </p>
      ) : (
        <p>
          By volume it holds {Math.round(pot.vwcPct)} % water now; it is watered at{' '}
          {Math.round(pot.lineVwcPct)} %. Full it weighs {units.text('weight', pot.fullKg)}. It uses{' '}
          {shareWords(pot.useFactor)} of what the weather asks of a pot like it.
        </p>
      )}
      {pot.fullKg !== null && pot.fullKg >= HEAVY_KG ? (
        <Caution
          of="lifting"
          lead={`It weighs ${units.text('weight', pot.fullKg)} when full.`}
          className="max-w-prose mt-1"
        />
      ) : null}
      {pot.facts.hangs ? <Caution of="ladders" className="max-w-prose mt-1" /> : null}
      {sanity ? (
        <p className="border-l-4 border-brick pl-2">
          By scale and meter on {dayMonth(sanity.on)} there would be {units.text('litresFine', sanity.mixL)}{' '}
          of mix in it; told are {units.text('litresFine', sanity.toldL)}. Is the meter right, or the size of
          the pot?
        </p>
      ) : null}
      <ul className="text-sm">
        {spans.map((one) => (
          <li key={`${one.from}-${one.until}`} className="border-t border-rule py-0.5">
            {dayMonth(one.from)} to {dayMonth(one.until)}: lost {doseText(one.lostMl, units)}, reckoned{' '}
            {doseText(one.reckonedMl, units)}
          </li>
        ))}
        {found
          .filter(({ what }) => what !== 'weight')
          .map((one, i) => (
            <li key={`${one.date}-${i}`} className="border-t border-rule py-0.5">
              {dayMonth(one.date)}, {one.what}: {doseText(one.foundMl, units)} where{' '}
              {doseText(one.reckonedMl, units)} was reckoned
            </li>
          ))}
      </ul>
    </div>
  );
}

function Log({ page: { pot, log } }: { page: PotPageView }) {
  const units = useUnits();
  const garden = useGarden();
  const acts = usePotActs();
  const [all, setAll] = useState(false);
  const SHOWN = 8;
  return (
    <div>
      <h2 className="text-xl">Log</h2>
      {log.length === 0 ? <p className="text-quiet">Nothing written down yet.</p> : null}
      <ul className="text-sm">
        {log.slice(0, all ? undefined : SHOWN).map(({ id, date, entry }) => (
          <li key={id} className="flex items-center gap-3 border-t border-rule">
            <span className="flex-1">
              {plainDate(date, garden.today)}: {entryText(entry, units)}
            </span>
            <button
              type="button"
              className="min-h-9 underline underline-offset-4"
              onClick={() => acts.takeBack([id])}
            >
              Take back
              <span className="sr-only">
                : {entryText(entry, units)}, {pot.name}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {log.length > SHOWN ? (
        <Button look="quiet" className="-ml-4" onClick={() => setAll(!all)}>
          {all ? 'Only the last' : `All ${log.length}`}
        </Button>
      ) : null}
    </div>
  );
}
