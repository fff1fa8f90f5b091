import type { SectionBed } from '@kibble/contract';
import { Link, useParams } from 'react-router';
import { useUnits } from '../../words/units.ts';
import { PlaceDrawing } from '../../places/index.tsx';
import { DataTable, type Column } from '../../ui/DataTable.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { stateWords } from './stateWords.ts';
import { stageWords } from '../../words/words.ts';

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
  const tens = (mm: number): string => units.text('depth', Math.round(mm / 10) * 10);
  const columns: Column<SectionBed>[] = [
    {
      id: 'bed',
      heading: 'Bed',
      names: true,
      className: 'py-1 font-bold',
      headClassName: '',
      by: (bed) => bed.bedName,
      show: (bed) => (
        <Link
          className="underline decoration-rule underline-offset-4"
          to={`/garden/${gardenId}/beds/${bed.bedId}`}
        >
          {bed.bedName}
        </Link>
      ),
    },
    {
      id: 'crop',
      heading: 'Crop',
      by: (bed) => bed.cropName ?? '',
      show: (bed) => [bed.cropName, bed.stage && stageWords(bed.stage)].filter(Boolean).join(', '),
    },
    { id: 'soil', heading: 'Soil', by: (bed) => bed.textureClass, show: (bed) => bed.textureClass },
    {
      id: 'state',
      heading: 'State',
      show: (bed) => (
        <span
          className={
            bed.state === 'past its line' || bed.state === 'too wet' ? 'font-semibold text-brick' : ''
          }
        >
          {stateWords(bed)}
        </span>
      ),
    },
    {
      id: 'gone',
      heading: 'Gone',
      by: (bed) => bed.core.depletionMm,
      show: (bed) => units.text('depth', bed.core.depletionMm),
    },
    {
      id: 'reach',
      heading: 'Within reach',
      by: (bed) => bed.core.readilyMm,
      show: (bed) => units.text('depth', bed.core.readilyMm),
    },
    {
      id: 'roots',
      heading: 'Roots',
      by: (bed) => bed.core.rootDepthMm,
      show: (bed) => tens(bed.core.rootDepthMm),
    },
    {
      id: 'front',
      heading: 'Last water reached',
      by: (bed) => bed.core.lastFrontMm ?? -1,
      show: (bed) => (bed.core.lastFrontMm === null ? 'none yet' : tens(bed.core.lastFrontMm)),
    },
  ];
  return (
    <DataTable
      caption="Every bed with its water"
      columns={columns}
      rows={beds}
      rowKey={({ bedId }) => bedId}
    />
  );
}
