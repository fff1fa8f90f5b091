import type { UnplannedBedView } from '@kibble/contract';
import { FINDING_FACTS } from '@kibble/core';
import { Link } from 'react-router';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { plainDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { useEnter } from '../../ui/useEnter.ts';
import { BedLog } from './BedLog.tsx';

/** A bed that cannot be planned: what is amiss, everything that may be put right, and its log, of which nothing is lost. */
export function UnplannedBed({ page }: { page: UnplannedBedView }) {
  const { bed, unplanned, events } = page;
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const { undo } = useEnter();
  const takeBack = async (id: number, label: string): Promise<void> => {
    await undo([id]);
    dispatch(noticeShown({ text: `${label} taken back.` }));
  };
  return (
    <div className="max-w-prose">
      <h1 className="text-3xl">{bed.name}</h1>
      <section role="alert" className="my-4 border-l-4 border-brick pl-3">
        <h2 className="text-xl">Cannot be planned</h2>
        <p>{unplanned.message}</p>
        <p className="text-quiet">
          {unplanned.number
            ? 'The rest of the garden is planned. What was written down here is kept.'
            : 'Change what the bed is told to be, or take back the reading that says so; then it is planned again.'}
        </p>
      </section>
      <p className="flex flex-wrap gap-x-6">
        <Link
          className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
          to="../beds"
        >
          Change the bed
        </Link>
        <Link
          className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
          to={`../ground/bed/${bed.id}`}
        >
          Its ground and water
        </Link>
      </p>
      {bed.findings.length > 0 ? (
        <section className="my-4">
          <h2 className="mb-1 text-2xl">What was found</h2>
          <ul>
            {bed.findings.map((finding) => (
              <li key={finding.id} className="flex items-baseline gap-3 border-t border-rule">
                <span className="w-20 shrink-0 text-quiet">{plainDate(finding.on, garden.today)}</span>
                <span className="flex-1">{FINDING_FACTS[finding.input.kind].label}</span>
                <Button
                  look="quiet"
                  onClick={() =>
                    void takeBack(finding.id, FINDING_FACTS[finding.input.kind].label).catch(() => undefined)
                  }
                >
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <BedLog bed={bed} events={events} today={garden.today} />
    </div>
  );
}
