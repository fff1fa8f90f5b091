import { Link } from 'react-router';
import { listed } from '../../words/grouped.ts';
import { useUnits } from '../../words/units.ts';
import { Fold } from '../../ui/Fold.tsx';
import type { WalkStop } from './zonesTogether.ts';

/** Names said one by one; of more beds only their number is said. */
const FEW = 4;
/** Less than this of what a zone brings is not worth naming, share. */
const WORTH_NAMING = 0.05;

/** What one run of a zone brings to each of its beds, and what is more than they need. */
export function ZoneNote({ stop }: { stop: WalkStop }) {
  const units = useUnits();
  const { beds = [] } = stop;
  const lead = beds.find(({ bedId }) => bedId === stop.bedId);
  const beyond = beds.filter(({ zone, run }) => (zone?.beyondL ?? 0) > WORTH_NAMING * run.litres);
  const beyondL = beyond.reduce((sum, { zone }) => sum + (zone?.beyondL ?? 0), 0);
  const others = beds.length - 1;
  const names = beds.map(({ bedName }) => bedName);
  return (
    <>
      <p>
        {names.length <= FEW ? `It waters ${listed(names)}.` : `It waters ${beds.length} beds.`}{' '}
        {lead && others > 0 ? `It runs today because ${lead.bedName} can wait least.` : ''}
      </p>
      {beyond.length > 0 ? (
        <p className="mt-1">
          {units.text('volume', beyondL)} of it is more than{' '}
          {beyond.length <= FEW
            ? `${listed(beyond.map(({ bedName }) => bedName))} ${beyond.length === 1 ? 'needs' : 'need'}`
            : `${beyond.length} of the beds need`}{' '}
          today.
        </p>
      ) : null}
      <Fold heading="What each bed gets" look="text-quiet underline underline-offset-4">
        <ul className="mt-1 mb-2">
          {beds.map(({ bedId, bedName, run, zone }) => (
            <li key={bedId} className="flex justify-between gap-4 border-t border-rule py-1">
              <Link to={`../beds/${bedId}`} className="underline underline-offset-4">
                {bedName}
              </Link>
              <span className="text-right">
                {units.text('volume', run.litres)}
                {(zone?.beyondL ?? 0) > WORTH_NAMING * run.litres
                  ? `, ${units.text('volume', zone?.beyondL ?? 0)} more than it needs`
                  : ''}
              </span>
            </li>
          ))}
        </ul>
      </Fold>
    </>
  );
}
