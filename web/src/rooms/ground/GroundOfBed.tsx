import type { BedView, FindingView } from '@kibble/contract';

import { foundOf, FINDING_FACTS, METHOD_FACTS, staleReason, type FindingKind } from '@kibble/core';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useBedPageQuery } from '../../api/api.ts';
import { useLinkBedMutation } from '../../api/beds.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Opens } from '../../ui/Opens.tsx';
import { SinceField } from '../../ui/SinceField.tsx';
import { Empty } from '../../ui/states.tsx';
import { bedFacts, type Fact } from './facts.ts';
import { findingWords } from './findingWords.ts';
import { Habit, RunConverter } from './HabitAndRun.tsx';
import { Mark } from './Mark.tsx';
import { MethodAdviser } from './MethodAdviser.tsx';
import { SharpenPlan } from './SharpenPlan.tsx';
import { TEST_PAGES, testPage, TESTS_OF_METHOD } from './measurements/index.ts';
import { Term } from '../../ui/Term.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import { Fold } from '../../ui/Fold.tsx';

const CORE_PX = 380;

const SHARED_SOON: ReadonlySet<FindingKind> = new Set(['amended', 'site']);

/** One bed's ground and water: what is known of them, the tests that would tell more, and what was found. */
export function GroundOfBed() {
  const garden = useGarden();
  const bedId = Number(useParams().bedId);
  const bed = garden.beds.find((b) => b.id === bedId);
  const { data } = useBedPageQuery(bedId);
  const page = data && !('unplanned' in data) ? data : undefined;
  const units = useUnits();
  if (!bed) {
    return (
      <Empty title="There is no such bed">
        <Link className="underline" to={`/garden/${garden.id}/ground`}>
          Back to Ground & taps
        </Link>
      </Empty>
    );
  }
  const facts = bedFacts(bed, garden.today, units);
  const { known } = facts;
  const of = (about: 'ground' | 'water' | 'check'): typeof TEST_PAGES =>
    TEST_PAGES.filter(
      (t) =>
        FINDING_FACTS[t.kind].about === about &&
        (about !== 'water' || TESTS_OF_METHOD[bed.delivery.method].includes(t.kind)),
    );
  return (
    <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[15rem_minmax(0,1fr)]">
      <div>
        <p>
          <Link className="underline underline-offset-4" to={`/garden/${garden.id}/ground`}>
            Ground & taps
          </Link>
        </p>
        <h1 className="text-3xl">{bed.name}</h1>
        <p className="mb-3 text-quiet">
          {bed.delivery.method}, {units.text('area', known.areaM2)}.{' '}
          <Link className="underline underline-offset-4" to={`/garden/${garden.id}/beds/${bed.id}`}>
            The bed’s page
          </Link>
        </p>
        {page ? (
          <PlaceDrawing
            kind={bed.kind}
            core={page.core}
            width={236}
            height={CORE_PX}
            depthMm={1000}
            labelled
            title={bed.name}
          />
        ) : (
          <div style={{ height: CORE_PX }} />
        )}
        <AfterFirst>{page?.sharpen ? <SharpenPlan sharpen={page.sharpen} /> : null}</AfterFirst>
      </div>
      <div className="min-w-0">
        <div className="grid gap-x-10 gap-y-6 md:grid-cols-2">
          <section aria-labelledby="ground">
            <h2 id="ground" className="mb-1 text-2xl">
              The ground
            </h2>
            <FactList facts={[facts.soil, facts.intake, facts.drains]} />
            <p className="mb-3">
              <span className="text-quiet">
                <Term of="reach">Within easy reach</Term>
              </span>{' '}
              <Opens bedId={bed.id} bedName={bed.name} of="spare" assumed={facts.soil.assumed}>
                {page ? units.text('depth', page.core.readilyMm) : '…'}
              </Opens>
            </p>
            <Tests tests={of('ground')} bed={bed} today={garden.today} />
            <SharedGround bed={bed} beds={garden.beds} />
          </section>
          <section aria-labelledby="water">
            <h2 id="water" className="mb-1 text-2xl">
              The water
            </h2>
            <FactList
              facts={[
                facts.flow,
                facts.rate,
                facts.wets,
                ...(METHOD_FACTS[bed.delivery.method].overhead ? [facts.evenness] : []),
              ]}
            />
            <Tests tests={of('water')} bed={bed} today={garden.today} />
            <TapChoice bed={bed} taps={garden.taps.filter((t) => !t.archived)} />
            <h2 className="mt-5 mb-1 text-2xl">Proof</h2>
            <Tests tests={of('check')} bed={bed} today={garden.today} />
          </section>
        </div>
        <AfterFirst>
          <div className="mt-8 grid gap-x-10 gap-y-6 md:grid-cols-2">
            <RunConverter bed={bed} known={known} />
            {page ? <Habit known={known} core={page.core} /> : null}
          </div>
          <MethodAdviser bed={bed} known={known} />
          <Found bed={bed} today={garden.today} />
        </AfterFirst>
      </div>
    </div>
  );
}

function FactList({ facts }: { facts: Fact[] }) {
  return (
    <dl className="mb-3 grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 border-t border-ink pt-1">
      {facts.map((fact) => (
        <div key={fact.label} className="contents">
          <dt className="text-quiet">{fact.word ? <Term of={fact.word}>{fact.label}</Term> : fact.label}</dt>
          <dd className="font-semibold">
            <Mark fact={fact} />
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** The tests to be made, each with the day of the last one. */
function Tests({ tests, bed, today }: { tests: typeof TEST_PAGES; bed: BedView; today: string }) {
  return (
    <ul>
      {tests.map((test) => {
        const last = bed.findings.find(
          (f) =>
            f.input.kind === test.kind &&
            (f.method === null || f.method === bed.delivery.method || !FINDING_FACTS[test.kind].ofMethod),
        );
        const stale = last ? staleReason(foundOf(last), bed.findings.map(foundOf), today) : null;
        return (
          <li key={test.kind} className="flex items-baseline gap-3 border-t border-rule">
            <Link className="min-h-9 flex-1 py-1 font-semibold underline underline-offset-4" to={test.kind}>
              {test.title}
            </Link>
            <span className={`text-sm ${stale ? 'font-semibold text-brick' : 'text-quiet'}`}>
              {last
                ? `${plainDate(last.on, today)}${stale ? `, ${stale}` : ''}`
                : `${FINDING_FACTS[test.kind].minutes} min`}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function SharedGround({ bed, beds }: { bed: BedView; beds: BedView[] }) {
  const [link, { error }] = useLinkBedMutation();
  const others = beds.filter((b) => b.id !== bed.id && !b.archived);
  const followers = others.filter((b) => b.groundId === bed.groundId);
  if (others.length === 0) return null;
  return (
    <div className="mt-3">
      <Choice
        label="Same ground as"
        hint={
          followers.length > 0
            ? `Tests here count for ${followers.map((b) => b.name).join(', ')} too.`
            : 'Beds on one ground share its tests; slope and compost stay their own.'
        }
        value={followers[0]?.id ?? ''}
        onChange={(e) =>
          void link({
            bedId: bed.id,
            links: { groundOf: e.target.value ? Number(e.target.value) : null, version: bed.version },
          })
        }
      >
        <option value="">no other bed</option>
        {others.map((b) => (
          <option key={b.id} value={b.id}>
            {b.name}
          </option>
        ))}
      </Choice>
      <Refused error={error} />
    </div>
  );
}

function TapChoice({ bed, taps }: { bed: BedView; taps: { id: number; name: string; nozzle: string }[] }) {
  const [link, { error }] = useLinkBedMutation();
  const garden = useGarden();
  const { enterAndSay } = useEnter();
  const [since, setSince] = useState(garden.today);
  const changed = async (): Promise<void> => {
    await enterAndSay(
      [onBed(bed.id, { kind: 'changed', what: 'number of beds on the line' })],
      `${bed.name}: its water tests want making again.`,
    );
  };
  return (
    <div className="mt-3">
      <Choice
        label="It draws from"
        hint="A bucket timed at the tap counts here, or limits what the lines can ask for."
        value={bed.tapId ?? ''}
        onChange={(e) =>
          void link({
            bedId: bed.id,
            links: { tapId: e.target.value ? Number(e.target.value) : null, since, version: bed.version },
          })
        }
      >
        <option value="">no tap named</option>
        {taps.map((tap) => (
          <option key={tap.id} value={tap.id}>
            {tap.name}
            {tap.nozzle ? `, ${tap.nozzle}` : ''}
          </option>
        ))}
      </Choice>
      <Fold
        heading="Another tap holds from today on; since another day?"
        className="mt-1"
        look="text-sm text-quiet"
      >
        <SinceField bed={bed} today={garden.today} value={since} onChange={setSince} />
      </Fold>
      <Refused error={error} />
      <button
        type="button"
        className="min-h-9 text-sm underline underline-offset-4"
        onClick={() => void changed().catch(() => undefined)}
      >
        Something changed: nozzle, height, or more beds on the line
      </button>
    </div>
  );
}

/** Everything written down about this bed's ground and water, newest first; each can be taken back. */
function Found({ bed, today }: { bed: BedView; today: string }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { undo } = useEnter();
  const back = async (finding: FindingView): Promise<void> => {
    await undo([finding.id]);
    dispatch(noticeShown({ text: `The finding of ${plainDate(finding.on, today)} is taken back.` }));
  };
  const all = bed.findings.map(foundOf);
  const found = bed.findings.filter((f) => !['plant', 'plan'].includes(FINDING_FACTS[f.input.kind].about));
  return (
    <section className="mt-8" aria-labelledby="found">
      <h2 id="found" className="mb-1 text-2xl">
        What was found
      </h2>
      {found.length === 0 ? (
        <p className="border-t border-rule pt-2 text-quiet">Nothing yet. The first test takes ten minutes.</p>
      ) : null}
      <ul>
        {found.map((finding) => {
          const stale = staleReason(foundOf(finding), all, today);
          const elsewhere =
            finding.tapId !== null
              ? 'at the tap'
              : finding.bedId !== bed.id && !SHARED_SOON.has(finding.input.kind)
                ? 'on the same ground'
                : '';
          return (
            <li key={finding.id} className="flex items-baseline gap-3 border-t border-rule py-1">
              <span className="w-24 shrink-0 text-quiet">{plainDate(finding.on, today)}</span>
              <span className="min-w-0 flex-1">
                <strong>
                  {testPage(finding.input.kind)?.title ?? FINDING_FACTS[finding.input.kind].label}
                </strong>
                {elsewhere ? <span className="text-quiet"> ({elsewhere})</span> : null}:{' '}
                {findingWords(finding.input, units)}
                {stale ? <span className="font-semibold text-brick"> {stale}: measure again.</span> : null}
              </span>
              <button
                type="button"
                className="underline underline-offset-4"
                onClick={() => void back(finding)}
              >
                Take back
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
