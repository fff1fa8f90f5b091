import type { AfterRainView, RoundView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import { Link, useParams } from 'react-router';
import { useAfterRainQuery } from '../../api/api.ts';
import { dayName, shortDay } from '../../words/dateWords.ts';
import { useUnits, type Units } from '../../words/units.ts';

/** So many beds are named before the rest is counted. */
const NAMED = 8;
/** Names of beds may hold commas. */
const listed = (names: readonly string[]): string =>
  (names.length > NAMED + 1 ? [...names.slice(0, NAMED), `${names.length - NAMED} more`] : names).join(' · ');
const tens = (mm: number): number => Math.round(mm / 10) * 10;

/** The morning after a soaking rain: which beds it filled, how deep, what it spares, and where one spade tells most. */
export function AfterRain({ round, gardenId }: { round: RoundView; gardenId: number }) {
  const yesterday = round.ribbon.find(({ date }) => date === addDays(round.date, -1));
  const isWet = yesterday !== undefined && yesterday.rainMm > 0;
  const { data } = useAfterRainQuery(gardenId, { skip: !isWet });
  return isWet && data ? <Card state={data} today={round.date} /> : null;
}

function Card({ state, today }: { state: NonNullable<AfterRainView>; today: string }) {
  const units = useUnits();
  const { gardenId } = useParams();
  const spade = state.beds.find(({ bedId }) => bedId === state.spade);
  const lines = linesOf(state, today, units);
  return (
    <section aria-labelledby="after-rain" className="mt-4 border-l-4 border-water pl-3">
      <h2 id="after-rain" className="text-lg">
        After the rain
      </h2>
      <p>
        {units.text('depth', state.rainMm)} fell{' '}
        {state.from === state.on ? 'yesterday' : `from ${dayName(state.from)} to yesterday`}.
      </p>
      <dl className="text-quiet">
        {lines.map(([label, beds]) => (
          <div key={label} className="mt-1">
            <dt className="inline font-semibold text-ink">{label}:</dt> <dd className="inline">{beds}</dd>
          </div>
        ))}
      </dl>
      {spade ? (
        <p className="mt-1">
          How much ran off is not known. One look with a spade at {spade.bedName} tells most: by the balance
          the soil is moist down to {units.text('depth', tens(spade.reachesMm))}.{' '}
          <Link
            className="font-semibold underline underline-offset-4"
            to={`/garden/${gardenId}/ground/bed/${spade.bedId}/look`}
          >
            Enter what you find
          </Link>
        </p>
      ) : null}
    </section>
  );
}

/** What became of the beds, line by line: filled, wet in part, and watered later than they would have been. */
function linesOf(
  { beds, spared }: NonNullable<AfterRainView>,
  today: string,
  units: Units,
): [string, string][] {
  const filled = beds.filter((bed) => bed.filled);
  const part = beds.filter((bed) => !bed.filled);
  const lines: [string, string[]][] = [
    ['Filled down to the deepest roots', filled.map(({ bedName }) => bedName)],
    [
      'Wet in part',
      part.map(
        ({ bedName, reachesMm, rootDepthMm }) =>
          `${bedName} (${units.number('depth', tens(reachesMm))} of ${units.text('depth', tens(rootDepthMm))})`,
      ),
    ],
    [
      'Not due today any more',
      spared
        .filter(({ was }) => was <= today)
        .map(
          ({ bedName, now }) => `${bedName} (${now ? `next ${shortDay(now)}` : 'not within a fortnight'})`,
        ),
    ],
    [
      'Due later',
      spared
        .filter(({ was }) => was > today)
        .map(
          ({ bedName, was, now }) =>
            `${bedName} (was ${shortDay(was)}, now ${now ? shortDay(now) : 'not within a fortnight'})`,
        ),
    ],
  ];
  return lines.flatMap(([label, names]) => (names.length > 0 ? [[label, listed(names)]] : []));
}
