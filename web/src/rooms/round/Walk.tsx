import type { WalkView } from '@kibble/contract';
import { useState } from 'react';
import { useWalkQuery } from '../../api/api.ts';
import { useGarden, useGardenRound } from '../../state/gardenRound.ts';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { minuteOf } from '../../words/timeField.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { timeOfDay } from '../../words/words.ts';
import { Field } from '../../ui/Field.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { later } from '../../ui/later.tsx';

const Fold = later(async () => (await import('../../ui/Fold.tsx')).Fold);

/** The round on the clock, and what becomes of it when it begins at another hour: what is left at dusk waits for tomorrow. */
export function Walk() {
  const garden = useGarden();
  const { stops, sun, totals } = useGardenRound();
  const units = useUnits();
  const [begin, setBegin] = useState('');
  const [minutes, setMinutes] = useState('');
  const runs = stops.flatMap((stop) => stop.runs);
  const from = minuteOf(begin);
  const rule = numberRule('minutes', minutes, units, true);
  const asked = from !== undefined && rule === true;
  const { data, error } = useWalkQuery(
    { gardenId: garden.id, from: from ?? 0, minutes: typedSi('minutes', minutes, units) },
    { skip: !asked },
  );
  if (stops.length === 0) return null;
  const first = Math.min(...runs.map((run) => run.from));
  const last = Math.max(...runs.map((run) => run.until));
  return (
    <section className="mb-8" aria-labelledby="walk">
      <h2 id="walk" className="mb-1 text-2xl">
        On the clock
      </h2>
      <p className="border-t border-rule pt-2">
        {runs.length > 0 ? (
          <>
            First tap at <strong>{timeOfDay(first, units)}</strong>, last one off at{' '}
            <strong>{timeOfDay(last, units)}</strong>.{' '}
          </>
        ) : null}
        {minutesText(totals.minutes)} of the taps in all.{' '}
        <span className={sun.assumed ? 'assumed' : ''}>
          Sun up {timeOfDay(sun.sunrise * 60, units)}, down {timeOfDay(sun.sunset * 60, units)}.
        </span>
      </p>
      <Fold
        heading="I begin at another hour"
        className="no-print mt-1"
        look="font-semibold underline underline-offset-4"
      >
        <div className="my-2 grid grid-cols-2 gap-4">
          <Field label="Begin at" type="time" value={begin} onChange={(e) => setBegin(e.target.value)} />
          <Field
            label="I have"
            unit="min"
            inputMode="decimal"
            value={minutes}
            error={rule === true ? undefined : rule}
            hint="Empty: until dark."
            onChange={(e) => setMinutes(e.target.value)}
          />
        </div>
        <Refused error={asked ? error : null} />
        {asked && data ? <WalkList walk={data} /> : null}
      </Fold>
    </section>
  );
}

function WalkList({ walk }: { walk: WalkView }) {
  const units = useUnits();
  return (
    <div data-testid="walk">
      {walk.slots.length > 0 ? (
        <table className="w-full text-sm">
          <tbody>
            {walk.slots.map((slot) => (
              <tr key={`${slot.bedId}-${slot.cycle}`} className="border-t border-rule">
                <td className="w-14 py-1 font-bold">{timeOfDay(slot.from, units)}</td>
                <td>
                  {slot.bedName}
                  {slot.cycles > 1 ? `, ${slot.cycle} of ${slot.cycles}` : ''}
                </td>
                <td className="text-right">{minutesText(slot.until - slot.from)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p>Nothing fits any more today.</p>
      )}
      {walk.carriedOver.length > 0 ? (
        <p className="mt-2 border-l-4 border-brick pl-3">
          <strong>
            Left at {timeOfDay(walk.until, units)}
            {walk.endsByDark ? ', when it is dark' : ''}, for tomorrow in this order:
          </strong>{' '}
          {walk.carriedOver.map((bed) => `${bed.bedName} (${minutesText(bed.minutes)})`).join(', ')}. Sprays
          are not begun in the evening: wet leaves over night bring disease.
        </p>
      ) : (
        <p className="mt-2">All of it fits.</p>
      )}
    </div>
  );
}
