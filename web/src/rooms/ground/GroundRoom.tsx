import type { BedView, DraftView, GardenView } from '@kibble/contract';
import { Link } from 'react-router';
import { useDraftsQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Empty } from '../../ui/states.tsx';
import { bedFacts } from './facts.ts';
import { SharpenGarden } from './SharpenGarden.tsx';
import { TapList } from './TapList.tsx';
import { testPage } from './measurements/index.ts';
import { JAR_MS } from './measurements/JarTest.tsx';
import { clockText, useNow } from '../../ui/clock.ts';
import { POT_MS } from './measurements/PathTests.tsx';

import { Mark } from './Mark.tsx';

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
          <TapList garden={garden} />
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
