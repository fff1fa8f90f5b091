import { summed } from '@kibble/core';
import type { StopView } from '@kibble/contract';
import { Link } from 'react-router';
import { bedsListed } from '../../words/grouped.ts';
import { useUnits } from '../../words/units.ts';
import { Fold } from '../../ui/Fold.tsx';
import { Opens, OpensTree } from '../../ui/Opens.tsx';
import type { WalkStop } from './zonesTogether.ts';

/** Less than this of what a zone brings is not worth naming, share. */
const WORTH_NAMING = 0.05;
const isBeyond = ({ zone, run }: StopView): boolean => (zone?.beyondL ?? 0) > WORTH_NAMING * run.litres;

/** What one run of a zone brings to each of its beds, and what is more than they need. */
export function ZoneNote({ stop }: { stop: WalkStop }) {
  const units = useUnits();
  const { beds = [], zone } = stop;
  const names = beds.map(({ bedName }) => bedName);
  const lead = beds.find(({ bedId }) => bedId === stop.bedId);
  const beyond = beds.filter(isBeyond);
  const litresOf = (of: (bed: StopView) => number) =>
    summed(
      'Litres',
      'L',
      beds.map((bed) => ({ label: bed.bedName, value: of(bed) })),
    );
  return (
    <>
      <p>
        It waters {bedsListed(names)} with{' '}
        <OpensTree title="Water for the zone" working={litresOf(({ run }) => run.litres)}>
          {units.text('volume', stop.run.litres)}
        </OpensTree>
        . {lead && beds.length > 1 ? `It runs today because ${lead.bedName} can wait least.` : ''}
      </p>
      {zone && beyond.length > 0 ? (
        <p className="mt-1">
          <OpensTree title="More than the beds need" working={litresOf((bed) => bed.zone?.beyondL ?? 0)}>
            {units.text('volume', zone.whole.beyondL)}
          </OpensTree>{' '}
          of it is more than {bedsListed(beyond.map(({ bedName }) => bedName))}{' '}
          {beyond.length === 1 ? 'needs' : 'need'} today.
        </p>
      ) : null}
      <Fold heading="What each bed gets" look="text-quiet underline underline-offset-4">
        <ul className="mt-1 mb-2">
          {beds.map((bed) => (
            <li key={bed.bedId} className="flex justify-between gap-4 border-t border-rule py-1">
              <Link to={`../beds/${bed.bedId}`} className="underline underline-offset-4">
                {bed.bedName}
              </Link>
              <span className="text-right">
                <Opens bedId={bed.bedId} bedName={bed.bedName} of="litres">
                  {units.text('volume', bed.run.litres)}
                </Opens>
                {isBeyond(bed) ? `, ${units.text('volume', bed.zone?.beyondL ?? 0)} more than it needs` : ''}
              </span>
            </li>
          ))}
        </ul>
      </Fold>
    </>
  );
}
