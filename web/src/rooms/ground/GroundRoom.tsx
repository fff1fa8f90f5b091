import type { BedView, DraftView, GardenView, TapView } from '@kibble/contract';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { useDraftsQuery } from '../../api/api.ts';
import { useArchiveTapMutation, useSaveTapMutation } from '../../api/taps.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { typedSi } from '../../words/numberRule.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Button } from '../../ui/Button.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { KeepOrLeave } from '../../ui/KeepOrLeave.tsx';
import { Empty } from '../../ui/states.tsx';
import { foundOf, bucketTest, staleReason, type SourceKindId } from '@kibble/core';

import { bedFacts } from './facts.ts';
import { SharpenGarden } from './SharpenGarden.tsx';
import { testPage } from './measurements/index.ts';
import { JAR_MS } from './measurements/JarTest.tsx';
import { clockText, useNow } from '../../ui/clock.ts';
import { POT_MS } from './measurements/PathTests.tsx';

import { Mark } from './Mark.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { atTap, useEnter } from '../../ui/useEnter.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Check } from '../../ui/Check.tsx';
import { figure, filled, obeys } from '../../words/formSchema.ts';

/** So many beds a phone shows at first. */
const FIRST_BEDS = 5;

/** The ground under every bed and the water that comes to it: what is measured, what is assumed, what to test next. */
export function GroundRoom() {
  const garden = useGarden();
  const units = useUnits();
  const beds = garden.beds.filter((bed) => !bed.archived);
  const tested = (bedId: number): string => {
    const bed = beds.find((b) => b.id === bedId);
    const last = bed?.findings.find((f) => f.input.kind !== 'told');
    const known = bed ? bedFacts(bed, garden.today, units).known : null;
    const stale = known?.tests.some((t) => t.stale !== null);
    if (!last) return 'nothing yet';
    return `${testPage(last.input.kind)?.title.toLowerCase() ?? last.input.kind}, ${plainDate(last.on, garden.today)}${stale ? '; some are old' : ''}`;
  };
  const row = (bed: BedView) => {
    const facts = bedFacts(bed, garden.today, units);
    return (
      <li key={bed.id} className="border-t border-ink py-2">
        <div className="grid gap-x-6 md:grid-cols-[14rem_minmax(0,1fr)_minmax(0,1fr)]">
          <div>
            <h2 className="text-lg">
              <Link
                className="underline decoration-rule underline-offset-4 hover:decoration-ink"
                to={`bed/${bed.id}`}
              >
                {bed.name}
              </Link>
            </h2>
            <p className="text-sm text-quiet">Tested: {tested(bed.id)}</p>
          </div>
          <p>
            <Mark fact={facts.soil} />
            <br />
            <span className="text-sm">
              <span className="text-quiet">soaks in at</span> <Mark fact={facts.intake} />
              {facts.known.ground.drainageMmPerHour === undefined ? null : (
                <>
                  <span className="text-quiet">, drains</span> <Mark fact={facts.drains} />
                </>
              )}
            </span>
          </p>
          <p>
            {bed.delivery.method}, <Mark fact={facts.flow} />
            <br />
            <span className="text-sm">
              <Mark fact={facts.rate} /> <span className="text-quiet">on</span> <Mark fact={facts.wets} />
            </span>
          </p>
        </div>
      </li>
    );
  };
  return (
    <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_18rem]">
      <div className="min-w-0">
        <h1 className="text-3xl">Ground & taps</h1>
        <p className="mb-4 max-w-prose text-quiet">
          <span className="assumed">Dotted figures</span> are assumed or measured too long ago. A test takes
          minutes and makes every run on the round truer.
        </p>
        <UnderWay garden={garden} />
        {beds.length === 0 ? (
          <Empty title="No bed yet">
            Add one in{' '}
            <Link className="underline" to="../beds">
              Beds
            </Link>
            ; then its ground and its tap can be tested here.
          </Empty>
        ) : (
          <ul aria-label="Beds">
            {beds.slice(0, FIRST_BEDS).map(row)}
            <AfterFirst>{beds.slice(FIRST_BEDS).map(row)}</AfterFirst>
          </ul>
        )}
      </div>
      <aside>
        <AfterFirst>
          <Taps garden={garden} />
          <SharpenGarden gardenId={garden.id} />
        </AfterFirst>
      </aside>
    </div>
  );
}

/** Where a test under way stands: what its clock says. */
function draftState(draft: DraftView, now: number): string {
  const { startedAt, shakenAt, filledAt } = draft.body as Record<string, number | null | undefined>;
  if (typeof startedAt === 'number') return `the clock runs: ${clockText(now - startedAt)}`;
  if (typeof shakenAt === 'number')
    return now >= shakenAt + JAR_MS
      ? 'settled: mark the layers'
      : `settling, ${clockText(shakenAt + JAR_MS - now)} left`;
  if (typeof filledAt === 'number')
    return now >= filledAt + POT_MS
      ? 'settled: pour and watch'
      : `settling, ${Math.ceil((filledAt + POT_MS - now) / 86_400_000)} days left`;
  return 'begun';
}

/** Tests begun and not yet kept, on any device. */
function UnderWay({ garden }: { garden: GardenView }) {
  const { data } = useDraftsQuery(garden.id, { refetchOnFocus: true, refetchOnMountOrArgChange: true });
  const now = useNow(Boolean(data?.length));
  const items = (data ?? []).flatMap((draft) => {
    const [kind, subject] = draft.key.split(':');
    const page = testPage(kind);
    const id = Number(subject?.split('-')[1]);
    const isTap = subject?.startsWith('tap');
    const name = isTap
      ? garden.taps.find((t) => t.id === id)?.name
      : garden.beds.find((b) => b.id === id)?.name;
    return page && name ? [{ draft, page, name, to: `${isTap ? 'tap' : 'bed'}/${id}/${kind}` }] : [];
  });
  if (items.length === 0) return null;
  return (
    <section className="mb-5" aria-labelledby="under-way">
      <h2 id="under-way" className="mb-1 text-xl">
        Under way
      </h2>
      <ul>
        {items.map(({ draft, page, name, to }) => (
          <li key={draft.key} className="border-t border-rule py-1">
            <Link className="font-semibold underline underline-offset-4" to={to}>
              {page.title}, {name}
            </Link>
            : <span role="timer">{draftState(draft, now)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The taps with what is screwed on them, their measured flow and its age. */
function Taps({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState<TapView | 'new' | null>(null);
  const [archive] = useArchiveTapMutation();
  const { enterAndSay } = useEnter();
  const taps = garden.taps.filter((tap) => !tap.archived);
  const away = async (tap: TapView): Promise<void> => {
    await archive({ tapId: tap.id });
    dispatch(
      noticeShown({ text: `${tap.name} is put away.`, undo: [{ to: 'restoreTap', at: { id: tap.id } }] }),
    );
  };
  const changed = async (tap: TapView): Promise<void> => {
    await enterAndSay(
      [atTap(tap.id, { kind: 'changed', what: 'pressure or height' })],
      `${tap.name}: its flow wants measuring again.`,
    );
  };
  return (
    <section aria-labelledby="taps">
      <h2 id="taps" className="mb-1 text-2xl">
        Taps
      </h2>
      {taps.length === 0 ? (
        <p className="border-t border-rule pt-2 text-quiet">
          None named yet. A tap measured once serves every bed that draws from it.
        </p>
      ) : null}
      <ul>
        {taps.map((tap) => {
          const bucket = tap.findings.find((f) => f.input.kind === 'bucket');
          const stale = bucket ? staleReason(foundOf(bucket), tap.findings.map(foundOf), garden.today) : null;
          const flow = bucket?.input.kind === 'bucket' ? bucketTest(bucket.input).litresPerMinute : null;
          const beds = garden.beds.filter((b) => b.tapId === tap.id && !b.archived).length;
          return (
            <li key={tap.id} className="border-t border-rule py-2">
              <p>
                <strong>{tap.name}</strong>
                {tap.nozzle ? `, ${tap.nozzle}` : ''}
              </p>
              <p>
                {flow === null || !bucket ? (
                  'not measured'
                ) : (
                  <>
                    <span className={stale ? 'assumed' : ''}>{units.text('flow', flow)}</span>
                    <span className="text-sm text-quiet">
                      {' '}
                      measured {plainDate(bucket.on, garden.today)}
                      {stale ? `; ${stale}` : ''}
                    </span>
                  </>
                )}
                <span className="text-sm text-quiet">; {beds === 1 ? '1 bed' : `${beds} beds`}</span>
              </p>
              <p className="flex flex-wrap items-center gap-x-4 text-sm">
                <Link
                  className="flex min-h-8 items-center underline underline-offset-4"
                  to={`tap/${tap.id}/bucket`}
                >
                  Time a bucket<span className="sr-only"> at {tap.name}</span>
                </Link>
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => setEditing(tap)}
                >
                  Change
                </button>
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => void changed(tap).catch(() => undefined)}
                >
                  Pressure changed
                </button>
                <button
                  type="button"
                  className="min-h-8 underline underline-offset-4"
                  onClick={() => void away(tap)}
                >
                  Put away
                </button>
              </p>
            </li>
          );
        })}
      </ul>
      {editing ? (
        <TapForm
          key={editing === 'new' ? 'new' : editing.id}
          tap={editing === 'new' ? null : editing}
          gardenId={garden.id}
          today={garden.today}
          onClose={() => setEditing(null)}
        />
      ) : (
        <Button look="quiet" className="-ml-4" onClick={() => setEditing('new')}>
          Add a tap
        </Button>
      )}
    </section>
  );
}

interface TypedTap {
  name: string;
  nozzle: string;
  since: string;
  sameNozzle: boolean;
  source: SourceKindId;
  perDay: string;
}

function TapForm({
  tap,
  gardenId,
  today,
  onClose,
}: {
  tap: TapView | null;
  gardenId: number;
  today: string;
  onClose: () => void;
}) {
  const [save, { isLoading, error }] = useSaveTapMutation();
  const dispatch = useAppDispatch();
  const units = useUnits();
  const form = useKeptForm<TypedTap>(`tap-${gardenId}-${tap?.id ?? 'new'}`, {
    fields: {
      name: filled('Name of the tap must not be empty.'),
      since: (typed) =>
        tap === null || typed.nozzle.trim() === tap.nozzle || typed.sameNozzle
          ? null
          : obeys((day) => day <= today || `On it since must be today or earlier; got ${day}.`),
      perDay: (typed) => (typed.source === 'well' ? figure('sourceLitres', units, { optional: true }) : null),
    },
    defaultValues: {
      name: tap?.name ?? '',
      nozzle: tap?.nozzle ?? '',
      since: today,
      sameNozzle: false,
      source: tap?.source ?? 'mains',
      perDay: tap?.litresPerDay ? String(Math.round(units.of('volume').fromSi(tap.litresPerDay))) : '',
    },
  });
  const [source, nozzle, sameNozzle] = useWatch({
    control: form.control,
    name: ['source', 'nozzle', 'sameNozzle'],
  });
  const another = tap !== null && nozzle.trim() !== tap.nozzle;
  const send = (version: number | undefined) =>
    form.handleSubmit(async ({ perDay, since, sameNozzle: same, ...typed }) => {
      const litresPerDay = typed.source === 'well' ? (typedSi('sourceLitres', perDay, units) ?? null) : null;
      const on = another ? { since: since || undefined, sameNozzle: same } : {};
      await save({ gardenId, tapId: tap?.id, body: { ...typed, ...on, litresPerDay, version } }).unwrap();
      if (tap)
        dispatch(
          noticeShown({
            text: `${typed.name}: changes kept.`,
            undo: [
              {
                to: 'changeTap',
                at: { id: tap.id },
                body: {
                  name: tap.name,
                  nozzle: tap.nozzle,
                  source: tap.source,
                  litresPerDay: tap.litresPerDay,
                  ...on,
                },
              },
            ],
          }),
        );
      onClose();
    });
  const submit = send(tap?.version);
  return (
    <form
      noValidate
      onSubmit={(e) => void submit(e).catch(() => undefined)}
      className="mt-2 flex flex-col gap-3 border border-ink bg-sheet p-4"
    >
      <DraftNote draft={form.draft} />
      <Field
        label="Name of the tap"
        placeholder="Tap by the shed"
        error={form.formState.errors.name?.message}
        {...form.register('name')}
      />
      <Field
        label="With this on it"
        placeholder="wand, open hose, sprinkler"
        hint={
          tap
            ? 'Another nozzle makes the old flow doubtful.'
            : 'Each nozzle has its own flow: add the tap once for each.'
        }
        {...form.register('nozzle')}
      />
      {another && !sameNozzle ? (
        <Field
          label="On it since"
          type="date"
          max={today}
          hint="The flow measured before that day holds for the waterings before it; after it, time a bucket again."
          error={form.formState.errors.since?.message}
          {...form.register('since')}
        />
      ) : null}
      {another ? (
        <Check {...form.register('sameNozzle')}>It is the same one, only called otherwise</Check>
      ) : null}
      <Choice label="Its water comes from" {...form.register('source')}>
        <option value="mains">the mains</option>
        <option value="well">a well</option>
      </Choice>
      {source === 'well' ? (
        <Field
          label="What the well gives in a day"
          unit={units.of('volume').unit}
          inputMode="decimal"
          error={form.formState.errors.perDay?.message}
          hint="Before it draws air. Leave empty when it never has."
          {...form.register('perDay')}
        />
      ) : null}
      {source === 'well' ? <Caution of="wells" /> : null}
      {source === 'well' ? <Caution of="electricity" /> : <Caution of="backflow" />}
      <RefusalOrConflict
        error={error}
        onMine={(version) => void send(version)().catch(() => undefined)}
        onTheirs={onClose}
      />
      <KeepOrLeave busy={isLoading} onLeave={onClose} />
    </form>
  );
}
