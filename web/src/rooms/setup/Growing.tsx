import { useDeferredValue } from 'react';
import { skipToken } from '@reduxjs/toolkit/query';
import { useSketchQuery, type SetupDraft } from '../../api/setup.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { dayMonth } from '../../words/words.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { OpensTree } from '../../ui/Opens.tsx';
import { Term } from '../../ui/Term.tsx';

/** What is known so far, drawn: the bed's ground as it stands, and what the plan would say of it. */
export function Growing({
  draft,
  today,
  answered,
}: {
  draft: SetupDraft | null;
  today: string;
  answered: number;
}) {
  const units = useUnits();
  const { currentData, data } = useSketchQuery(useDeferredValue(draft) ?? skipToken);
  const sketch = currentData ?? data;
  if (!draft || !sketch)
    return <p className="text-quiet">Say where it is, and the plan begins to grow here.</p>;
  const { core, next, because } = sketch;
  return (
    <div data-testid="growing">
      <PlaceDrawing
        kind="ground"
        core={core}
        width={250}
        height={300}
        depthMm={Math.min(1500, Math.max(600, Math.ceil((core.rootDepthMm * 1.35) / 100) * 100))}
        labelled
        title="The first bed"
      />
      <ul className="mt-3 flex flex-col gap-1 border-t border-ink pt-2">
        <li>
          Sun and wind take{' '}
          <strong>
            <OpensTree working={because.use} title="A usual day now">
              {units.system === 'us'
                ? units.text('depth', sketch.et0Mm)
                : `${sketch.et0Mm.toFixed(1)}\u00a0mm`}
            </OpensTree>
          </strong>{' '}
          on a usual day now.
        </li>
        {answered > 1 ? (
          <li>
            <Term of="reach">Within easy reach</Term>{' '}
            <strong>
              <OpensTree working={because.reach} title="Within easy reach">
                {units.text('depth', core.readilyMm)}
              </OpensTree>
            </strong>
            ;{' '}
            <OpensTree working={because.gone} title="Gone">
              {units.text('depth', core.depletionMm)}
            </OpensTree>{' '}
            are gone.
          </li>
        ) : null}
        {answered > 2 ? (
          <li>
            {next ? (
              <>
                Next watering <strong>{next.date === today ? 'today' : dayMonth(next.date)}</strong>
                {answered > 3 ? (
                  <>
                    :{' '}
                    {because.next ? (
                      <OpensTree working={because.next} title="The next watering">
                        {minutesText(next.minutes)}
                      </OpensTree>
                    ) : (
                      minutesText(next.minutes)
                    )}
                    , {units.text('volume', next.litres)}
                  </>
                ) : null}
                .
              </>
            ) : (
              'Nothing asks for water within a fortnight.'
            )}
          </li>
        ) : null}
      </ul>
      <p className="mt-2 text-sm text-quiet">
        From a usual season: nobody measured the weather yet. It grows truer with each answer.
      </p>
    </div>
  );
}
