import { type BedPageView, type BedView, type GardenView } from '@kibble/contract';
import { METHOD_FACTS, oddities, type Finding, type Oddity, knownBed } from '@kibble/core';
import { skipToken } from '@reduxjs/toolkit/query';
import { Link, useNavigate, useParams } from 'react-router';
import { refusal, useBedPageQuery } from '../../../api/api.ts';
import { useTryOnBedQuery } from '../../../api/workings.ts';
import { useGarden } from '../../../state/gardenRound.ts';
import { useUnits } from '../../../words/units.ts';
import { Button } from '../../../ui/Button.tsx';
import { atTap, onBed, useEnter } from '../../../ui/useEnter.ts';
import { Caution } from '../../../ui/Caution.tsx';
import { Changes } from '../../../ui/Changes.tsx';
import { Empty, Loading } from '../../../ui/states.tsx';
import { Opens } from '../../../ui/Opens.tsx';
import { oddText } from '../oddText.ts';
import { draftKey, useTestForm } from './useTestForm.ts';
import { Reader } from './reader.ts';
import { testPage } from './index.ts';
import { TestContext, type TestState } from './parts.tsx';
import type { TestPage } from './types.ts';
import { Refused } from '../../../ui/Refused.tsx';
import { Check } from '../../../ui/Check.tsx';

/** One guided test, of a bed or of a tap. */
export function TestRoom() {
  const { bedId, tapId, kind } = useParams();
  const garden = useGarden();
  const page = testPage(kind);
  const bed = garden.beds.find((b) => b.id === Number(bedId)) ?? null;
  const tap = garden.taps.find((t) => t.id === Number(tapId)) ?? null;
  if (!page || (!bed && !tap)) {
    return (
      <Empty title="There is no such test here">
        <Link className="underline" to={`/garden/${garden.id}/ground`}>
          Back to Ground & taps
        </Link>
      </Empty>
    );
  }
  const shown =
    bed ?? garden.beds.find((b) => b.tapId === tap?.id && METHOD_FACTS[b.delivery.method].openTap) ?? null;
  const subject = bed ? { bedId: bed.id } : { tapId: tap?.id };
  return (
    <TestOf
      key={draftKey(page.kind, subject)}
      garden={garden}
      page={page}
      bed={shown}
      subject={subject}
      of={bed ? bed.name : [tap?.name, tap?.nozzle].filter(Boolean).join(', ')}
      back={bed ? `/garden/${garden.id}/ground/bed/${bed.id}` : `/garden/${garden.id}/ground`}
    />
  );
}

function TestOf({
  garden,
  page,
  bed,
  subject,
  of,
  back,
}: {
  garden: GardenView;
  page: TestPage;
  bed: BedView | null;
  subject: { bedId?: number; tapId?: number };
  of: string;
  back: string;
}) {
  const units = useUnits();
  const navigate = useNavigate();
  const { data } = useBedPageQuery(bed ? bed.id : skipToken);
  const bedPage = data && !('unplanned' in data) ? data : undefined;
  const known = bed ? knownBed(bed, garden.today) : null;
  const lastWatering = bedPage ? lastOf(bedPage) : null;
  const state = { bed, known, lastWatering };
  const { form, draft, ready, set, finish, started } = useTestForm(
    garden.id,
    draftKey(page.kind, subject),
    (typed) => page.read(typed, state),
  );
  const { errors, isSubmitted: tried } = form.formState;
  const { enterAndSay, isLoading, error } = useEnter();
  if (!ready) return <Loading what="the test" />;

  const reader = new Reader(draft, units);
  const input = page.read(reader, state);
  const odd = input ? oddOf(input, known) : [];
  const confirmed = draft.confirmed === JSON.stringify(odd);

  const keep = form.handleSubmit(async (read) => {
    if (odd.length > 0 && !confirmed) return;
    const made =
      subject.tapId === undefined ? onBed(subject.bedId ?? 0, read.input) : atTap(subject.tapId, read.input);
    await enterAndSay([made], `${of}: “${page.title}” is written down.`, odd.length > 0);
    finish();
    void navigate(back);
  });
  const leave = (): void => {
    finish();
    void navigate(back);
  };

  const context: TestState = {
    control: form.control,
    draft,
    set,
    reader,
    tried,
    core: bedPage?.core ?? null,
    today: garden.today,
    ...state,
  };
  return (
    <TestContext value={context}>
      <p>
        <Link className="underline underline-offset-4" to={back}>
          {of}
        </Link>
      </p>
      <h1 className="text-3xl">{page.title}</h1>
      <p className="mb-1 max-w-prose">{page.about}</p>
      <p className="text-quiet">You need {page.needs}.</p>
      <div className="mt-2 mb-4 flex flex-col gap-1">
        {page.cautions?.map((of) => (
          <Caution key={of} of={of} />
        ))}
      </div>
      <div className="grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_24rem] lg:grid-rows-[auto_1fr]">
        <form
          id="test"
          noValidate
          aria-label={page.title}
          onSubmit={(e) => void keep(e).catch(() => undefined)}
        >
          <ol className="border-b border-rule">
            <page.Steps />
          </ol>
        </form>
        <aside
          aria-live="polite"
          className="lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:border-l lg:border-rule lg:pl-6"
        >
          <h2 className="mb-2 text-2xl">What it says</h2>
          {input ? <page.Result input={input} /> : <p className="text-quiet">It appears here as you go.</p>}
          {input && bed ? <WhatItChanges bed={bed} input={input} today={garden.today} /> : null}
        </aside>
        <div className="lg:col-start-1">
          {odd.length > 0 ? (
            <div role="alert" className="mt-4 border-l-4 border-brick pl-3">
              {odd.map((o) => (
                <p key={o.code} className="font-semibold">
                  {oddText(o, units)}
                </p>
              ))}
              <Check
                checked={confirmed}
                onChange={(e) => set({ confirmed: e.target.checked ? JSON.stringify(odd) : null })}
              >
                It is right, I looked twice
              </Check>
            </div>
          ) : null}
          <Refused error={error} className="mt-3" />
          {tried && (!input || errors.root) ? (
            <p role="alert" className="mt-3 font-semibold text-brick">
              {errors.root?.message || 'Something is missing above; nothing was lost.'}
            </p>
          ) : null}
          <div className="mt-4 flex flex-wrap gap-2">
            <Button type="submit" form="test" disabled={isLoading || (odd.length > 0 && !confirmed)}>
              {page.keep ?? 'Keep this'}
            </Button>
            {started ? (
              <Button look="quiet" onClick={leave}>
                Drop it
              </Button>
            ) : null}
          </div>
          {started ? (
            <p className="mt-2 text-sm text-quiet">What you typed is kept while you are away.</p>
          ) : null}
        </div>
      </div>
    </TestContext>
  );
}

/** Findings that only prove or note something move no plan by themselves. */
const MOVES_NOTHING: ReadonlySet<Finding['kind']> = new Set(['depth', 'look', 'amended', 'dye', 'changed']);

function WhatItChanges({ bed, input, today }: { bed: BedView; input: Finding; today: string }) {
  const { data, error } = useTryOnBedQuery(
    MOVES_NOTHING.has(input.kind) ? skipToken : { bedId: bed.id, body: { inputs: [input] } },
  );
  if (MOVES_NOTHING.has(input.kind)) return null;
  return (
    <section className="mt-5">
      <h2 className="mb-2 text-2xl">What it changes</h2>
      {error ? <p className="text-quiet">{refusal(error).message}</p> : null}
      {data ? <Changes before={data.before} after={data.after} today={today} /> : null}
      {data && data.before.minutes !== null ? (
        <p className="mt-2 text-sm">
          <Opens bedId={bed.id} bedName={bed.name} of="minutes" className="underline underline-offset-4">
            Where today’s minutes come from
          </Opens>
        </p>
      ) : null}
    </section>
  );
}

const oddOf = (input: Finding, known: ReturnType<typeof knownBed> | null): Oddity[] =>
  oddities(input, {
    areaM2: known?.areaM2,
    supplyLitresPerMinute: known?.supplyLitresPerMinute,
    litresPerMinute: known?.known.flow?.kind === 'measured' ? known.delivery.litresPerMinute : undefined,
  });

/** The bed's last watering, and the depth the balance gave it. */
function lastOf(page: BedPageView): TestState['lastWatering'] {
  const event = page.events.find((e) => e.kind === 'watering');
  if (!event?.minutes) return null;
  const day = page.days.find((d) => d.date === event.date);
  return {
    date: event.date,
    minutes: event.minutes,
    predictedMm: day && day.wetFrontMm > 0 ? day.wetFrontMm : null,
  };
}
