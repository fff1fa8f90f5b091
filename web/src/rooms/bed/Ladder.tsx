import type { LadderView } from '@kibble/contract';
import { useLadderQuery } from '../../api/beds.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { Opens, OpensTree } from '../../ui/Opens.tsx';
import { perWeekWords, shareWords } from '../../words/words.ts';
import { Term } from '../../ui/Term.tsx';
import { RemedyList } from '../../ui/RemedyList.tsx';
import { Refused } from '../../ui/Refused.tsx';

/** How often it is asked, and what every other way would come to: rounds, litres, minutes of one's own, growth. */
export function Ladder({ lately, ...bed }: { bedId: number; bedName: string; lately: number }) {
  const units = useUnits();
  const { data, error } = useLadderQuery(bed.bedId);
  if (error) return <Refused error={error} />;
  if (!data) return null;
  return (
    <section aria-labelledby="ladder">
      <h2 id="ladder" className="mb-1 text-2xl">
        How often
      </h2>
      <p className="border-t border-ink pt-2">
        {data.onTimer
          ? 'A timer comes every day. '
          : data.byItsWay
            ? 'Its way of watering goes by days of its own, not by the rounds. '
            : `Asked ${perWeekWords(data.perWeek).toLowerCase()}. `}
        Over the fortnight that costs{' '}
        <strong>
          <Opens {...bed} of="growth">
            {shareWords(data.lostShare)}
          </Opens>
        </strong>{' '}
        of its growth; its goal lets it lose {shareWords(data.allowedShare)}. The fortnight behind cost{' '}
        <Opens {...bed} of="lately">
          {shareWords(lately)}
        </Opens>
        .
      </p>
      {data.rungs.length > 0 ? (
        <div className="relative overflow-x-auto">
          <table className="w-full text-[0.95rem]" data-testid="ladder">
            <thead className="text-left text-sm text-quiet">
              <tr>
                {[
                  'Asked',
                  'Waterings',
                  'Water',
                  'Your own time',
                  'Growth lost',
                  'if the roots are shallow',
                ].map((head) => (
                  <th key={head} className="pr-4 font-normal">
                    {head === 'Growth lost' ? <Term of="growth lost">{head}</Term> : head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.rungs.map((rung) => {
                const here = !data.onTimer && rung.perWeek === data.perWeek;
                return (
                  <tr key={rung.perWeek} className="border-t border-rule align-baseline">
                    <th
                      scope="row"
                      className={`py-1 pr-4 text-left whitespace-nowrap ${here ? 'font-bold' : 'font-normal'}`}
                    >
                      {perWeekWords(rung.perWeek)}
                      {here ? ' ←' : ''}
                    </th>
                    <td className="pr-4">{rung.waterings}</td>
                    <td className="pr-4 whitespace-nowrap">{units.text('volume', rung.litres)}</td>
                    <td className="pr-4 whitespace-nowrap">
                      {rung.handsOnMinutes < 0.5 ? 'none' : minutesText(rung.handsOnMinutes)}
                    </td>
                    <td className={`pr-4 whitespace-nowrap ${rung.over ? 'font-semibold text-brick' : ''}`}>
                      {rung.because ? (
                        <OpensTree
                          working={rung.because}
                          title={`${bed.bedName}, asked ${perWeekWords(rung.perWeek).toLowerCase()}`}
                        >
                          {shareWords(rung.lostShare)}
                        </OpensTree>
                      ) : (
                        shareWords(rung.lostShare)
                      )}
                    </td>
                    <td className="pr-4 whitespace-nowrap">{shareWords(rung.lostIfShallow)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      ) : null}
      {data.remedies.length > 0 ? <Remedies bedName={bed.bedName} remedies={data.remedies} /> : null}
    </section>
  );
}

/** What would help, each with the growth that would then be lost. */
function Remedies({ bedName, remedies }: { bedName: string; remedies: LadderView['remedies'] }) {
  return (
    <p className="mt-2">
      <strong>What would help:</strong> <RemedyList bedName={bedName} remedies={remedies} />.
    </p>
  );
}
