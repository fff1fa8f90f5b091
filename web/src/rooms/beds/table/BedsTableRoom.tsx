import { decodeText } from '@kibble/contract';
import { useDropzone } from 'react-dropzone';
import { Link, useNavigate } from 'react-router';
import { useAddBedsOfTableMutation } from '../../../api/beds.ts';
import { useAppDispatch } from '../../../api/store.ts';
import { useGarden } from '../../../state/gardenRound.ts';
import { noticeShown } from '../../../state/noticeSlice.ts';
import { Button } from '../../../ui/Button.tsx';
import { Refused } from '../../../ui/Refused.tsx';
import { useBegin } from '../../../ui/useBegin.ts';
import { ColumnsOfTable } from './ColumnsOfTable.tsx';
import { FaultyRows } from './FaultyRows.tsx';
import { BedsToCome } from './BedsToCome.tsx';
import { bedsCounted } from './words.ts';
import { useBedsTable } from './useBedsTable.ts';
import { UsualOfTable } from './UsualOfTable.tsx';

/** Rows that show what may be written. */
const EXAMPLE = {
  metric:
    'Name\tPart\tLength (m)\tWidth (cm)\tSoil\tCrop\tPlanted\tWatered by\tTap\nN1\tNorth side\t12\t80\tloam\tLeeks\t2026-05-20\tdrip\tYard tap\nN2\tNorth side\t12\t80\tloam\tBeetroot\t2026-04-28\tdrip\tYard tap',
  us: 'Name\tPart\tLength (ft)\tWidth (in)\tSoil\tCrop\tPlanted\tWatered by\tTap\nN1\tNorth side\t40\t30\tloam\tLeeks\t2026-05-20\tdrip\tYard tap\nN2\tNorth side\t40\t30\tloam\tBeets\t2026-04-28\tdrip\tYard tap',
} as const;

/** Many beds at once, from a table that is pasted, typed or chosen as a file: looked at and put right before anything is saved. */
export function BedsTableRoom() {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const begins = useBegin();
  const sheet = useBedsTable(garden);
  const [add, { isLoading, error }] = useAddBedsOfTableMutation();
  const { table, read } = sheet;
  const take = async (file: Blob): Promise<void> =>
    sheet.setText(decodeText(new Uint8Array(await file.arrayBuffer())));
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: ([chosen]) => {
      if (chosen) void take(chosen);
    },
  });
  const keep = async (): Promise<void> => {
    if (!table || !read) return;
    const body = { ...table, ...sheet.answers, usual: sheet.usual, leaveFaulty: read.faulty.length > 0 };
    const { ids, taps } = await add({ gardenId: garden.id, body }).unwrap();
    sheet.forget();
    dispatch(
      noticeShown({
        text: `${bedsCounted(ids.length)} added.`,
        undo: [{ to: 'archiveBeds', at: { id: garden.id }, body: { ids, taps } }],
      }),
    );
    void navigate(`/garden/${garden.id}/${begins ? 'round' : 'beds'}`);
  };
  const stands = read?.problem === null && read.dates?.asked !== true && read.beds.length > 0;
  return (
    <div {...getRootProps()} className={`max-w-5xl ${isDragActive ? 'outline-2 outline-offset-8' : ''}`}>
      <h1 className="mb-2 text-3xl">Many beds from a table</h1>
      <p className="mb-3 max-w-prose">
        Paste the rows of a spreadsheet, type them, or choose a CSV file. Write one bed a row, and name the
        columns in the first row. A bed needs a length and a width, or an area. Everything else may be left
        out. Nothing is saved until you add the beds.
      </p>
      <label className="block">
        <span className="mb-1 block font-semibold">Rows, with the names of the columns above them</span>
        <textarea
          className="block h-44 w-full border border-ink bg-sheet p-2 font-mono text-sm whitespace-pre"
          style={{ tabSize: 14 }}
          placeholder={EXAMPLE[garden.units]}
          spellCheck={false}
          value={sheet.text}
          onChange={(e) => sheet.setText(e.target.value)}
        />
      </label>
      <input {...getInputProps({ 'aria-label': 'File with a table of beds' })} />
      <div className="mt-1 flex flex-wrap items-center gap-x-2">
        <Button look="quiet" className="-ml-4" onClick={open}>
          {isDragActive ? 'Drop it here' : 'Choose a file'}
        </Button>
        {sheet.text === '' ? (
          <Button look="quiet" onClick={() => sheet.setText(EXAMPLE[garden.units])}>
            Begin with two example rows
          </Button>
        ) : (
          <Button look="quiet" onClick={sheet.forget}>
            Empty the table
          </Button>
        )}
        <Link className="px-4 underline underline-offset-4" to={`/garden/${garden.id}/beds`}>
          Back to the beds
        </Link>
      </div>
      {(sheet.problem ?? read?.problem) ? (
        <p role="alert" className="mt-3 font-semibold text-brick">
          {sheet.problem ?? read?.problem}
        </p>
      ) : null}
      {read && table ? (
        <div className="mt-6 flex flex-col gap-8">
          {read.problem === null ? (
            <section>
              <div role="status">
                <h2 className="mb-2 text-2xl">{summary(read.beds.length, read.faulty.length)}</h2>
              </div>
              {read.faulty.length > 0 ? <FaultyRows rows={read.faulty} onCorrect={sheet.correct} /> : null}
              <UsualOfTable read={read} usual={sheet.usual} onUsual={sheet.sayUsual} />
              <BedsToCome read={read} />
              <Refused error={error} className="mt-3" />
              <Button
                className="mt-3"
                disabled={!stands || isLoading}
                onClick={() => void keep().catch(() => undefined)}
              >
                {read.faulty.length > 0
                  ? `Add ${bedsCounted(read.beds.length)} and leave ${read.faulty.length} ${read.faulty.length === 1 ? 'row' : 'rows'} out`
                  : `Add ${bedsCounted(read.beds.length)}`}
              </Button>
            </section>
          ) : null}
          <ColumnsOfTable
            headings={table.headings}
            read={read}
            onField={sheet.sayField}
            onUnit={sheet.sayUnit}
          />
        </div>
      ) : null}
    </div>
  );
}

function summary(beds: number, faulty: number): string {
  const can = beds === 0 ? 'No bed can be added yet' : `${bedsCounted(beds)} can be added`;
  if (faulty === 0) return `${can}.`;
  return `${can}; ${faulty === 1 ? 'one row is' : `${faulty} rows are`} not right yet.`;
}
