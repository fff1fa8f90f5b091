import type { BedView, SchoolsView } from '@kibble/contract';
import type { SchoolId } from '@kibble/core';
import { useState } from 'react';
import { useSavePlantingMutation, useSchoolsQuery } from '../../api/beds.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { plainDate, shareWords } from '../../words/words.ts';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import { Button } from '../../ui/Button.tsx';
import { WiltSheet } from './WiltSheet.tsx';
import { bedBodyOf } from '../beds/bedBodyOf.ts';
import type { WordId } from '../../words/glossary.ts';
import { Term } from '../../ui/Term.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Taps } from '../../ui/Taps.tsx';

/** Heads of the table that open what they mean. */
const HEAD_WORDS: Readonly<Record<string, WordId>> = {
  Way: 'way',
  'Growth lost': 'growth lost',
  'Past the roots': 'root zone',
};

/** How water is decided here: the schools side by side on this very bed, and the choice among them. */
export function Schools({ bed }: { bed: BedView }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [span, setSpan] = useState<'fortnight' | 'season'>('fortnight');
  const { data } = useSchoolsQuery(bed.id);
  const [save, { error }] = useSavePlantingMutation();
  if (!data || !bed.planting) return null;
  const rows = span === 'fortnight' ? data.fortnight : data.season.rows;
  const least = Math.min(...rows.map((r) => r.litres));

  const choose = async (school: SchoolId | null): Promise<void> => {
    const { planting } = bedBodyOf(bed);
    if (!planting) return;
    await save({
      bedId: bed.id,
      plantingId: bed.planting?.id,
      body: { ...planting, school, version: bed.planting?.version },
    }).unwrap();
    dispatch(
      noticeShown({
        text: school ? `${bed.name}: ${school} from now on.` : `${bed.name}: Kibble chooses again.`,
      }),
    );
  };
  const about = data.words.find((w) => w.id === data.chosen);

  return (
    <section aria-labelledby="schools">
      <h2 id="schools" className="mb-1 text-2xl">
        <Term of="way">How it is decided</Term>
      </h2>
      <p className="border-t border-ink pt-2">
        <strong>{data.chosen}</strong>
        {data.own ? ', by your choice' : `, because ${data.usual.reason}`}. {about?.words}
        {about?.warning ? <span className="font-semibold"> {about.warning}</span> : null}
      </p>
      <div className="my-2">
        <Taps
          legend="Over which days"
          quiet
          options={[
            ['fortnight', 'the next fortnight'],
            [
              'season',
              `the season since ${plainDate(data.season.from, garden.today)}, had each been followed`,
            ],
          ]}
          value={span}
          onChange={setSpan}
        />
      </div>
      <div className="relative overflow-x-auto">
        <table className="w-full text-[0.95rem]" data-testid="schools">
          <thead className="text-left text-sm text-quiet">
            <tr>
              {[
                'Way',
                'Waterings',
                'Water',
                'Your own time',
                'Growth lost',
                'Short days',
                'Past the roots',
                '',
              ].map((h) => (
                <th key={h} className="pr-3 font-normal">
                  {HEAD_WORDS[h] ? (
                    <Term of={HEAD_WORDS[h]}>{h}</Term>
                  ) : (
                    h || <span className="sr-only">Choose</span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.school} className="border-t border-rule align-baseline">
                <th
                  scope="row"
                  className={`py-1 pr-3 text-left ${r.school === data.chosen ? 'font-bold' : 'font-normal'}`}
                >
                  {r.school}
                  {r.school === data.chosen ? ' ←' : ''}
                </th>
                <td className="pr-3">{r.waterings}</td>
                <td className={`pr-3 ${r.litres === least ? 'font-semibold' : ''}`}>
                  {units.text('volume', r.litres)}
                </td>
                <td className="pr-3">{r.handsOnMinutes < 1 ? 'none' : minutesText(r.handsOnMinutes)}</td>
                <td className="pr-3">{shareWords(r.lostShare)}</td>
                <td className={`pr-3 ${r.stressDays > 0 ? 'font-semibold text-brick' : ''}`}>
                  {r.stressDays}
                  {r.worst <= 0.5 ? ', wilting' : ''}
                </td>
                <td className="pr-3">{units.text('depth', r.lostBelowRootsMm)}</td>
                <td className="text-right">
                  {r.school === data.chosen || r.school === 'fixed week' ? null : (
                    <button
                      type="button"
                      className="underline underline-offset-4"
                      aria-label={`Choose ${r.school}`}
                      onClick={() => void choose(r.school).catch(() => undefined)}
                    >
                      Choose
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {data.own ? (
        <button
          type="button"
          className="min-h-9 underline underline-offset-4"
          onClick={() => void choose(null).catch(() => undefined)}
        >
          Let Kibble choose
        </button>
      ) : null}
      <Refused error={error} />
      <DrySpell bed={bed} data={data} />
    </section>
  );
}

/** A planned dry spell, and the question whether the plants hang. */
function DrySpell({ bed, data }: { bed: BedView; data: SchoolsView }) {
  const garden = useGarden();
  const [asking, setAsking] = useState(false);
  const { enterAndSay, error } = useEnter();
  const plantingId = bed.planting?.id ?? 0;
  type Kept = { kind: 'toughen'; plantingId: number; what: 'start' | 'end'; days: number };
  const write = async (input: Kept, text: string): Promise<void> => {
    await enterAndSay([onBed(bed.id, input)], text);
  };
  const { toughen, holdUntil, dryFrom } = data;
  return (
    <div className="mt-3 border-t border-rule pt-2">
      {holdUntil ? (
        <p>
          <strong>Dry spell until {plainDate(holdUntil, garden.today)}.</strong> Roots go down to look for
          water. Look every day: wilting ends it.{' '}
          <button
            type="button"
            className="min-h-9 underline underline-offset-4"
            onClick={() =>
              void write(
                { kind: 'toughen', plantingId, what: 'end', days: 1 },
                `${bed.name}: the dry spell is over.`,
              ).catch(() => undefined)
            }
          >
            End it now
          </button>
        </p>
      ) : toughen ? (
        <p>
          It may be held dry on purpose from now until {plainDate(toughen.until, garden.today)}, for{' '}
          {toughen.days} days, so that roots go down
          {toughen.optional ? '; for this crop the gain is small' : ''}. Dry days are counted: a soaking rain
          begins it anew.{' '}
          {dryFrom === null
            ? `The forecast does not show ${toughen.days} dry days in a row. `
            : dryFrom === garden.today
              ? `The forecast has ${toughen.days} dry days from today. `
              : `The forecast has ${toughen.days} dry days from ${plainDate(dryFrom, garden.today)}: begin it then. `}
          <button
            type="button"
            className="min-h-9 font-semibold underline underline-offset-4"
            onClick={() =>
              void write(
                { kind: 'toughen', plantingId, what: 'start', days: toughen.days },
                `${bed.name}: a dry spell of ${toughen.days} days begins.`,
              ).catch(() => undefined)
            }
          >
            Begin a dry spell
          </button>
        </p>
      ) : null}
      <Button look="quiet" className="-ml-4" onClick={() => setAsking(true)}>
        The plants hang
      </Button>
      <Refused error={error} />
      <WiltSheet bed={bed} open={asking} onClose={() => setAsking(false)} />
    </div>
  );
}
