import type { ReadBeds, UsualBed } from '@kibble/contract';
import { cropById } from '@kibble/core';
import { useGarden } from '../../../state/gardenRound.ts';
import { DataTable, type Column } from '../../../ui/DataTable.tsx';
import { useUnits } from '../../../words/units.ts';
import { fullDate } from '../../../words/words.ts';

type Row = ReadBeds['beds'][number];

/** On a phone it is under the bed's name. */
const WIDE = 'hidden sm:table-cell';
/** Rows to a page. */
const PAGE = 10;

/** The beds as they would be added, with what was taken as usual underlined as assumed. */
export function BedsToCome({ read }: { read: ReadBeds }) {
  const units = useUnits();
  const { ownCrops } = useGarden();
  const assumed = (row: Row, key: keyof UsualBed): string => (row.lacking.includes(key) ? 'assumed' : '');
  const cropName = (id: string): string => ownCrops.find((crop) => crop.id === id)?.name ?? cropById(id).name;
  const size = ({ lengthM, widthM, areaM2 }: Row['body']): string =>
    lengthM && widthM
      ? `${units.number('length', lengthM)} × ${units.text('length', widthM)}`
      : units.text('area', areaM2);
  const columns: Column<Row>[] = [
    {
      id: 'name',
      heading: 'Bed',
      names: true,
      by: ({ body }) => body.name,
      show: ({ body, takenAs }) => (
        <>
          <span className="font-semibold">{body.name}</span>
          <span className="block text-sm sm:hidden">
            {[body.place, size(body), body.textureClass].filter(Boolean).join(', ')}
          </span>
          {takenAs.map((words) => (
            <span key={words} className="block text-sm text-quiet">
              {words}
            </span>
          ))}
        </>
      ),
    },
    {
      id: 'place',
      className: WIDE,
      heading: 'Part',
      by: ({ body }) => body.place ?? '',
      show: ({ body }) => body.place ?? '–',
    },
    {
      id: 'size',
      className: WIDE,
      heading: 'Size',
      by: ({ body }) => body.areaM2,
      show: ({ body }) => size(body),
    },
    {
      id: 'soil',
      className: WIDE,
      heading: 'Soil',
      by: ({ body }) => body.textureClass,
      show: (row) => <span className={assumed(row, 'textureClass')}>{row.body.textureClass}</span>,
    },
    {
      id: 'crop',
      heading: 'Crop',
      by: ({ body }) => body.planting?.cropId ?? '',
      show: (row) =>
        row.body.planting ? (
          <>
            {cropName(row.body.planting.cropId)},{' '}
            <span className={`whitespace-nowrap ${assumed(row, 'plantedOn')}`}>
              {fullDate(row.body.planting.plantedOn)}
            </span>
          </>
        ) : (
          'nothing yet'
        ),
    },
    {
      id: 'method',
      heading: 'Watered by',
      by: ({ body }) => body.delivery.method,
      show: (row) => (
        <>
          <span className={assumed(row, 'method')}>{row.body.delivery.method}</span>
          {row.tap === null ? null : `, ${row.tap}`}
        </>
      ),
    },
  ];
  const shared = new Set(read.beds.map(({ body }) => body.place).filter((place) => place !== null));
  return (
    <>
      <DataTable
        caption="Beds as they would be added"
        columns={columns}
        rows={read.beds}
        rowKey={({ line }) => line}
        pages={{ rows: PAGE, back: 'Rows before', on: 'Rows after' }}
      />
      {read.newTaps.length > 0 ? (
        <p className="mt-2">
          {read.newTaps.length === 1 ? 'A tap is' : `${read.newTaps.length} taps are`} added with them:{' '}
          {read.newTaps.join(', ')}.
        </p>
      ) : null}
      {read.newZones.length > 0 ? (
        <p className="mt-2">
          {read.newZones.length === 1 ? 'A zone is' : `${read.newZones.length} zones are`} added with them:{' '}
          {read.newZones.map(({ name }) => name).join(', ')}. A zone waters all of its beds at once.
        </p>
      ) : null}
      {shared.size > 0 ? (
        <p className="mt-2 text-quiet">
          Beds of one part with one soil share their ground: a soil test on one of them counts for all.
        </p>
      ) : null}
      {read.beds.some(({ lacking }) => lacking.some((key) => key !== 'startWetness')) ? (
        <p className="mt-2 text-quiet">
          The table does not say what is <span className="assumed">underlined</span>: it is taken from the
          choices above.
        </p>
      ) : null}
    </>
  );
}
