import type { SectionBed } from '@kibble/contract';
import { Link, useParams } from 'react-router';
import { useUnits } from '../../app/units.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { stateWords } from './stateWords.ts';
import { stageWords } from '../../app/words.ts';

/** So many rows fill a phone's first screen. */
const FIRST_ROWS = 4;

/** The section as a list for a phone: the same cores, small, and the same facts. */
export function SectionList({ beds }: { beds: SectionBed[] }) {
  return (
    <ul aria-label="Beds">
      <Rows beds={beds.slice(0, FIRST_ROWS)} />
      <AfterFirst>
        <Rows beds={beds.slice(FIRST_ROWS)} />
      </AfterFirst>
    </ul>
  );
}

function Rows({ beds }: { beds: SectionBed[] }) {
  const { gardenId } = useParams();
  const units = useUnits();
  return (
    <>
      {beds.map((bed) => (
        <li key={bed.bedId} className="far border-t border-ink">
          <Link
            to={`/garden/${gardenId}/beds/${bed.bedId}`}
            className="grid grid-cols-[3.6rem_minmax(0,1fr)] gap-x-3 py-2"
          >
            <PlaceDrawing
              kind={bed.kind}
              core={bed.core}
              width={54}
              height={92}
              depthMm={Math.min(1000, Math.max(500, bed.core.rootDepthMm * 1.2))}
              title={bed.bedName}
            />
            <span className="flex flex-col">
              <span className="font-serif text-lg font-semibold">{bed.bedName}</span>
              <span
                className={`font-bold ${bed.state === 'past its line' || bed.state === 'too wet' ? 'text-brick' : ''}`}
              >
                {stateWords(bed)}
              </span>
              <span className="text-sm text-quiet">
                {units.number('depth', bed.core.depletionMm)} of {units.text('depth', bed.core.readilyMm)}{' '}
                gone; roots {units.text('depth', Math.round(bed.core.rootDepthMm / 10) * 10)}
              </span>
            </span>
          </Link>
        </li>
      ))}
    </>
  );
}

/** The section in figures, for reading aloud and for paper. */
export function SectionTable({ beds }: { beds: SectionBed[] }) {
  const { gardenId } = useParams();
  const units = useUnits();
  return (
    <table className="w-full">
      <caption className="sr-only">Every bed with its water</caption>
      <thead className="text-left text-sm text-quiet">
        <tr>
          {['Bed', 'Crop', 'Soil', 'State', 'Gone', 'Within reach', 'Roots', 'Last water reached'].map(
            (name) => (
              <th key={name} className="py-1 pr-3 font-normal">
                {name}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>
        {beds.map((bed) => (
          <tr key={bed.bedId} className="border-t border-rule align-baseline">
            <th scope="row" className="py-1 pr-3 text-left">
              <Link
                className="underline decoration-rule underline-offset-4"
                to={`/garden/${gardenId}/beds/${bed.bedId}`}
              >
                {bed.bedName}
              </Link>
            </th>
            <td className="pr-3">
              {[bed.cropName, bed.stage && stageWords(bed.stage)].filter(Boolean).join(', ')}
            </td>
            <td className="pr-3">{bed.textureClass}</td>
            <td
              className={`pr-3 ${bed.state === 'past its line' || bed.state === 'too wet' ? 'font-semibold text-brick' : ''}`}
            >
              {stateWords(bed)}
            </td>
            <td className="pr-3">{units.text('depth', bed.core.depletionMm)}</td>
            <td className="pr-3">{units.text('depth', bed.core.readilyMm)}</td>
            <td className="pr-3">{units.text('depth', Math.round(bed.core.rootDepthMm / 10) * 10)}</td>
            <td>
              {bed.core.lastFrontMm === null
                ? 'none yet'
                : units.text('depth', Math.round(bed.core.lastFrontMm / 10) * 10)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
