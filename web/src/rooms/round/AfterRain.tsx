import type { AfterRainView, RoundView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import { Link, useParams } from 'react-router';
import { useAfterRainQuery } from '../../api/api.ts';
import { dayName, shortDay } from '../../words/dateWords.ts';
import { useUnits, type Units } from '../../words/units.ts';

/** So many beds are named before the rest is counted. */
const NAMED = 6;
const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

const listed = (names: readonly string[]): string =>
  names.length > NAMED + 1
    ? LIST.format([...names.slice(0, NAMED), `${names.length - NAMED} more`])
    : LIST.format(names);
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
  const filled = state.beds.filter((bed) => bed.filled);
  const part = state.beds.filter((bed) => !bed.filled);
  const spade = state.beds.find(({ bedId }) => bedId === state.spade);
  const deep = (mm: number): string => units.text('depth', tens(mm));
  return (
    <section aria-labelledby="after-rain" className="mt-4 border-l-4 border-water pl-3">
      <h2 id="after-rain" className="text-lg">
        After the rain
      </h2>
      <p>
        {units.text('depth', state.rainMm)} fell{' '}
        {state.from === state.on ? 'yesterday' : `from ${dayName(state.from)} to yesterday`}.{' '}
        {filled.length === 0
          ? 'It filled no bed to the bottom of its roots.'
          : part.length === 0
            ? 'It filled every bed to the bottom of its roots.'
            : `It filled ${listed(filled.map(({ bedName }) => bedName))} to the bottom of the roots.`}{' '}
        {part.length === 0 ? '' : `It wet ${partWords(part, units)}.`}
      </p>
      {state.spared.length > 0 ? (
        <p className="mt-1">
          It spares{' '}
          {listed(
            state.spared.map(
              ({ bedName, was, now }) =>
                `${bedName} (${was <= today ? 'due today' : `due ${shortDay(was)}`}, now ${now ? shortDay(now) : 'not within a fortnight'})`,
            ),
          )}
          .
        </p>
      ) : null}
      {spade ? (
        <p className="mt-1">
          How much ran off is not known. One look with a spade in {spade.bedName} tells most: by the balance
          it is moist down to {deep(Math.min(spade.reachesMm, spade.rootDepthMm))}.{' '}
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

/** Beds that were reached in part, each with how deep. */
const partWords = (beds: NonNullable<AfterRainView>['beds'], units: Units): string =>
  listed(
    beds.map(
      ({ bedName, reachesMm, rootDepthMm }) =>
        `${bedName} ${units.text('depth', tens(Math.min(reachesMm, rootDepthMm)))} deep of ${units.text('depth', tens(rootDepthMm))}`,
    ),
  );
