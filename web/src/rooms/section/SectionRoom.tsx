import { SECTION_STATES, type SectionView } from '@kibble/contract';
import { useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { usePotsQuery, useSectionQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { scrub, useScrubbedDay } from '../../state/scrub.ts';
import { dayMonth } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Shelf, ShelfKey } from '../../drawing/Shelf.tsx';
import { useNarrow } from '../../ui/useMedia.ts';
import { useWidth } from '../../drawing/useWidth.ts';
import { Button } from '../../ui/Button.tsx';
import { Empty, Loading, Trouble } from '../../ui/states.tsx';
import { Unplanned } from '../../ui/Unplanned.tsx';
import { SectionDrawing } from './SectionDrawing.tsx';
import { SectionList, SectionTable } from './SectionList.tsx';
import { Term } from '../../ui/Term.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Slide } from '../../ui/Slide.tsx';

const FIRST_WIDTH = 1072;
/** Typing rests this long before the filter is asked for. */
const REST_MS = 250;

/** The garden cut open: all beds on one depth scale, through a week behind and a fortnight ahead. */
export function SectionRoom() {
  const garden = useGarden();
  const narrow = useNarrow();
  const [search, setSearch] = useSearchParams();
  const [frame, width] = useWidth<HTMLElement>(FIRST_WIDTH);
  const [words, setWords] = useState(search.get('words') ?? '');
  const asTable = search.get('as') === 'table';
  const put = (name: string, value: string): void =>
    setSearch(
      (was) => {
        const next = new URLSearchParams(was);
        if (value) next.set(name, value);
        else next.delete(name);
        if (name !== 'offset') next.delete('offset');
        return next;
      },
      { replace: true },
    );
  useEffect(() => {
    const timer = setTimeout(() => {
      if ((search.get('words') ?? '') !== words) put('words', words);
    }, REST_MS);
    return () => clearTimeout(timer);
  });
  useEffect(() => () => scrub.set(null), []);
  const query = Object.fromEntries([...search].filter(([name]) => name !== 'as'));
  const { data: view, error, refetch } = useSectionQuery({ gardenId: garden.id, query });
  const { data: pots } = usePotsQuery(garden.id);
  const beds = garden.beds.filter((b) => !b.archived);
  const places = [...new Set(beds.map((b) => b.place ?? 'elsewhere'))];
  const lines = [
    ...new Set(beds.map((b) => garden.taps.find((t) => t.id === b.tapId)?.name ?? b.delivery.method)),
  ];

  return (
    <section ref={frame}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl">The garden in section</h1>
        {view ? <p className="text-quiet">{summary(view)}</p> : null}
      </div>
      <div className="no-print mb-1 flex flex-wrap items-center gap-x-5 gap-y-1 text-sm">
        <Filter
          label="Part"
          value={search.get('place') ?? ''}
          all="all of it"
          options={places}
          onChange={(v) => put('place', v)}
        />
        <Filter
          label="Line"
          value={search.get('line') ?? ''}
          all="every line"
          options={lines}
          onChange={(v) => put('line', v)}
        />
        <Filter
          label="State"
          value={search.get('state') ?? ''}
          all="any"
          options={SECTION_STATES}
          onChange={(v) => put('state', v)}
        />
        <Choice
          label="Sort"
          manner="beside"
          value={search.get('sort') ?? 'order'}
          onChange={(e) => put('sort', e.target.value === 'order' ? '' : e.target.value)}
        >
          <option value="order">walking order</option>
          <option value="urgency">driest first</option>
        </Choice>
        <label className="flex items-center gap-2">
          <span className="text-quiet">Find</span>
          <input
            className="min-h-9 w-32 border-b border-ink bg-paper px-1"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </label>
        <button
          type="button"
          className="min-h-11 underline underline-offset-4 md:min-h-9"
          onClick={() => put('as', asTable ? '' : 'table')}
        >
          {asTable ? 'As a drawing' : 'As a table'}
        </button>
        <Link className="flex min-h-9 items-center font-semibold underline underline-offset-4" to="../beds">
          Add or change beds
        </Link>
      </div>
      {error ? <Trouble error={error} onRetry={() => void refetch()} /> : null}
      {!view && !error ? <Loading what="the section" /> : null}
      {view ? <Unplanned items={view.unplanned} /> : null}
      {view && view.beds.length === 0 && view.unplanned.length === 0 ? (
        <Empty title={beds.length === 0 ? 'No bed yet' : 'No bed answers to this'}>
          {beds.length === 0 ? (
            <Link className="underline" to="../beds">
              Add the first one
            </Link>
          ) : (
            <Button
              look="quiet"
              className="-ml-4"
              onClick={() => {
                // What is typed would be looked for again.
                setWords('');
                setSearch({}, { replace: true });
              }}
            >
              Show all beds
            </Button>
          )}
        </Empty>
      ) : null}
      {view && view.beds.length > 0 ? (
        asTable ? (
          <SectionTable beds={view.beds} />
        ) : narrow ? (
          <SectionList beds={view.beds} />
        ) : (
          <>
            <TimeBar view={view} today={garden.today} />
            <SectionDrawing view={view} width={width} />
            <Key />
          </>
        )
      ) : null}
      {pots && pots.spots.length > 0 && !asTable ? (
        <AfterFirst>
          <section aria-label="Pots and trays" className="mt-6">
            {pots.spots.map((spot) => (
              <div key={spot.name}>
                <h2 className="text-xl">{spot.name}</h2>
                <Shelf pots={spot.pots} today={garden.today} label={`Pots: ${spot.name}`} />
              </div>
            ))}
            <ShelfKey />
          </section>
        </AfterFirst>
      ) : null}
      {view && view.total > view.beds.length ? (
        <p className="mt-2 flex items-center gap-4">
          Beds {view.offset + 1} to {view.offset + view.beds.length} of {view.total}.
          {view.offset > 0 ? (
            <Button
              look="quiet"
              onClick={() => put('offset', String(Math.max(0, view.offset - view.beds.length)))}
            >
              Those before
            </Button>
          ) : null}
          {view.offset + view.beds.length < view.total ? (
            <Button look="quiet" onClick={() => put('offset', String(view.offset + view.beds.length))}>
              Those after
            </Button>
          ) : null}
        </p>
      ) : null}
    </section>
  );
}

/** The garden in one line: how many ask for water, and which is driest. */
function summary(view: SectionView): string {
  const due = view.beds.filter((b) => b.minutes !== null).length;
  const wet = view.beds.filter((b) => b.state === 'too wet').length;
  const asks =
    due === 0
      ? 'No bed asks for water today'
      : due === 1
        ? 'One bed asks for water today'
        : `${due} beds ask for water today`;
  return `${asks}${wet > 0 ? `, ${wet} ${wet === 1 ? 'is' : 'are'} too wet` : ''}.`;
}

function Filter({
  label,
  value,
  all,
  options,
  onChange,
}: {
  label: string;
  value: string;
  all: string;
  options: readonly string[];
  onChange: (value: string) => void;
}) {
  if (options.length < 2) return null;
  return (
    <Choice
      label={label}
      manner="beside"
      className="max-w-40"
      value={value}
      onChange={(e) => onChange(e.target.value)}
    >
      <option value="">{all}</option>
      {options.map((option) => (
        <option key={option} value={option}>
          {option}
        </option>
      ))}
    </Choice>
  );
}

/** Moves the section through time: the same as drawing along the weather, for hands on a keyboard. */
function TimeBar({ view, today }: { view: SectionView; today: string }) {
  const day = useScrubbedDay();
  const index = day ?? view.todayIndex - 1;
  const date = view.dates[index] ?? today;
  const words =
    day === null
      ? 'This morning'
      : `${dayMonth(date)}, evening${index < view.todayIndex ? ', as it was' : ', as forecast, the plan followed'}`;
  return (
    <div className="no-print mb-1 flex items-center gap-4 text-sm">
      <div className="flex flex-1 items-center gap-3">
        <span aria-hidden className="text-quiet">
          Time
        </span>
        <Slide
          label="Time"
          className="max-w-md flex-1"
          least={0}
          most={view.dates.length - 1}
          value={index}
          words={words}
          onChange={(at) => scrub.set(at)}
        />
        <output className="min-w-64 font-semibold">{words}</output>
      </div>
      <span className="text-quiet">or draw along the weather above</span>
      {day === null ? null : (
        <button
          type="button"
          className="min-h-9 underline underline-offset-4"
          onClick={() => scrub.set(null)}
        >
          Back to this morning
        </button>
      )}
    </div>
  );
}

/** The marks of the drawing, as small as they are on it. */
function Key() {
  const line = (d: string, dash?: string, width = 1) => (
    <svg aria-hidden width={16} height={14} className="inline-block align-[-2px]">
      <path d={d} stroke="var(--ink)" strokeWidth={width} strokeDasharray={dash} fill="none" />
    </svg>
  );
  return (
    <p className="flex flex-wrap gap-x-5 text-sm">
      <span>
        <svg aria-hidden width={12} height={12} className="inline-block align-[-1px]">
          <rect width={12} height={12} fill="var(--water)" opacity={0.82} />
        </svg>{' '}
        water held in each 50 mm
      </span>
      <span>{line('M8 0v14', '1 3')} nothing left to give</span>
      <span>
        {line('M8 0v14', undefined, 1.8)} <Term of="watering line">watering line</Term>: water when the blue
        falls behind it
      </span>
      <span>{line('M8 0v14', '3 2')} full</span>
      <span>{line('M0 7h16', undefined, 1.6)} roots end</span>
      <span>
        <svg aria-hidden width={12} height={12} className="inline-block align-[-1px]">
          <path d="M1 6l9 -5v10z" fill="var(--water)" />
        </svg>{' '}
        last water stopped
      </span>
    </p>
  );
}
