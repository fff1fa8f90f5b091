import type { FortnightView, GardenPatch, RoundsTry, RoundsTryView } from '@kibble/contract';
import { useState } from 'react';
import { useChangeGardenMutation } from '../../api/api.ts';
import { useTryRoundsQuery } from '../../api/plans.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { dayMonth, roundsWords, shareWords, weekdayWords } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Check } from '../../ui/Check.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** Monday first, as most calendars hang. */
const WEEK = [1, 2, 3, 4, 5, 6, 0] as const;

/** Which days are round days: chosen by trying, kept or given back to Kibble; and days away. */
export function Rounds({ view }: { view: FortnightView }) {
  const garden = useGarden();
  const [change, { isLoading, error }] = useChangeGardenMutation();
  const [open, setOpen] = useState(false);
  const [days, setDays] = useState<number[] | null>(null);
  const [away, setAway] = useState<{ from: string; until: string } | null>(null);
  const { limits } = garden;
  const chosen = days ?? view.rounds.weekdays;
  const tried: RoundsTry | null =
    days !== null || away !== null
      ? {
          roundDays: days ?? limits.roundDays ?? null,
          away: away && away.from !== '' && away.until !== '' ? away : undefined,
        }
      : null;
  const keep = async (patch: Partial<NonNullable<GardenPatch['limits']>>, text: string): Promise<void> => {
    await change({
      id: garden.id,
      patch: { version: garden.version, limits: { ...limits, ...patch } },
      says: text,
    }).unwrap();
    setDays(null);
    setAway(null);
  };
  const toggle = (day: number, on: boolean): void => {
    const next = on ? [...chosen, day] : chosen.filter((d) => d !== day);
    if (next.length > 0) setDays(next);
  };
  return (
    <Fold
      heading={
        <>
          <strong>{roundsWords(view.rounds)}</strong>{' '}
          <span className="underline underline-offset-4">What if other days, or days away?</span>
        </>
      }
      className="no-print mt-3 border-t border-rule"
      id="rounds"
      begins={open}
      onChange={setOpen}
    >
      <AfterFirst>
        <div className="grid gap-x-10 gap-y-4 md:grid-cols-2">
          <div>
            <fieldset>
              <legend className="font-semibold">Round days</legend>
              <div className="flex flex-wrap gap-x-4">
                {WEEK.map((day) => (
                  <Check
                    key={day}
                    checked={chosen.includes(day)}
                    onChange={(e) => toggle(day, e.target.checked)}
                  >
                    {weekdayWords([day])}
                  </Check>
                ))}
              </div>
            </fieldset>
            <div className="mt-2 grid grid-cols-2 gap-4">
              <Field
                label="Away from"
                type="date"
                value={away?.from ?? ''}
                onChange={(e) => setAway({ from: e.target.value, until: away?.until ?? '' })}
              />
              <Field
                label="Away until"
                type="date"
                value={away?.until ?? ''}
                onChange={(e) => setAway({ from: away?.from ?? '', until: e.target.value })}
              />
            </div>
            {(limits.away ?? []).map((span) => (
              <p key={span.from} className="mt-2">
                Away {dayMonth(span.from)} to {dayMonth(span.until)}.{' '}
                <button
                  type="button"
                  className="min-h-6 underline underline-offset-4"
                  onClick={() =>
                    void keep(
                      { away: (limits.away ?? []).filter((one) => one !== span) },
                      'The days away are taken back.',
                    ).catch(() => undefined)
                  }
                >
                  Take it back
                </button>
              </p>
            ))}
            {limits.roundDays && days === null ? (
              <Button
                look="quiet"
                className="-ml-4"
                disabled={isLoading}
                onClick={() =>
                  void keep({ roundDays: null }, 'Kibble proposes the round days again.').catch(
                    () => undefined,
                  )
                }
              >
                Let Kibble propose them
              </Button>
            ) : null}
          </div>
          {tried ? (
            <Tried
              tried={tried}
              isLoading={isLoading}
              onKeep={() =>
                void keep(
                  {
                    roundDays: tried.roundDays,
                    ...(tried.away ? { away: [...(limits.away ?? []), tried.away] } : {}),
                  },
                  tried.away
                    ? `Away ${dayMonth(tried.away.from)} to ${dayMonth(tried.away.until)}, kept.`
                    : `Rounds ${weekdayWords(chosen)} from now on.`,
                ).catch(() => undefined)
              }
              onLeave={() => {
                setDays(null);
                setAway(null);
              }}
            />
          ) : null}
        </div>
      </AfterFirst>
      <Refused error={error} />
    </Fold>
  );
}

const ROWS: readonly (readonly [string, (v: RoundsTryView, when: 'before' | 'after') => string])[] = [
  ['Days with a round', (v, when) => String(v.days[when])],
  ['Your own time in all', (v, when) => minutesText(v[when].handsOnMinutes)],
  ['On the longest day', (v, when) => minutesText(v.mostMinutes[when])],
  ['Growth lost', (v, when) => shareWords(v[when].lostShare)],
];

function Tried({
  tried,
  isLoading,
  onKeep,
  onLeave,
}: {
  tried: RoundsTry;
  isLoading: boolean;
  onKeep: () => void;
  onLeave: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const { data, error } = useTryRoundsQuery({ gardenId: garden.id, tried });
  if (error) return <Refused error={error} />;
  if (!data) return <p className="text-quiet">Working it out.</p>;
  return (
    <div data-testid="rounds-tried">
      <table className="w-full">
        <thead className="text-left text-sm text-quiet">
          <tr>
            <th className="font-normal">The fortnight</th>
            <th className="font-normal">now</th>
            <th className="font-normal">then</th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([label, of]) => (
            <tr key={label} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {label}
              </th>
              <td className="text-quiet">{of(data, 'before')}</td>
              <td className="font-bold">{of(data, 'after')}</td>
            </tr>
          ))}
          <tr className="border-t border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              Water
            </th>
            <td className="text-quiet">{units.text('volume', data.before.litres)}</td>
            <td className="font-bold">{units.text('volume', data.after.litres)}</td>
          </tr>
        </tbody>
      </table>
      {data.losers.length > 0 ? (
        <p className="mt-2 text-brick">
          Over what their goal allows:{' '}
          {data.losers.map((l) => `${l.bedName} ${shareWords(l.lostShare)}`).join(', ')}.
        </p>
      ) : null}
      {tried.away ? (
        <p className="mt-2">
          {data.beforeLeaving.length > 0
            ? `Before leaving, water ${data.beforeLeaving.map((b) => `${b.bedName} (${units.text('volume', b.litres)})`).join(', ')}.`
            : 'Nothing needs water the day before you leave.'}{' '}
          Mulch and shade what is bare; ask somebody, or hang a timer, where the loss is too much.
        </p>
      ) : null}
      <div className="mt-2 flex gap-2">
        <Button disabled={isLoading} onClick={onKeep}>
          Keep it so
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave it as it was
        </Button>
      </div>
    </div>
  );
}
