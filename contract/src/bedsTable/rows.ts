import Papa from 'papaparse';

/** A table as it was typed or pasted: its headings, and its rows under them. */
export interface TableRows {
  headings: string[];
  rows: string[][];
}

/** Most rows and columns of a table of beds, and most letters of its text. Judgements. */
export const MOST_BED_ROWS = 500;
export const MOST_BED_COLUMNS = 40;
const MOST_LETTERS = 400_000;

/** What of a table cannot be taken at all; null where it can be read. */
export function tooMuchTable({ headings, rows }: TableRows): string | null {
  if (rows.length > MOST_BED_ROWS)
    return `Rows must be ${MOST_BED_ROWS} or fewer at once; got ${rows.length}. Bring the rest in afterwards.`;
  const columns = Math.max(headings.length, ...rows.map((row) => row.length));
  return columns > MOST_BED_COLUMNS ? `Columns must be ${MOST_BED_COLUMNS} or fewer; got ${columns}.` : null;
}

/** Parts a text into rows by tabs, semicolons or commas, as a spreadsheet copies or saves them. Rows keep their places: empty ones too. */
export function bedRowsOf(text: string): TableRows | { problem: string } {
  if (text.length > MOST_LETTERS)
    return {
      problem: `The text must be ${MOST_LETTERS.toLocaleString('en')} letters or fewer; got ${text.length.toLocaleString('en')}.`,
    };
  const lines = text
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n')
    .replace(/\n+$/, '');
  const { data } = Papa.parse<string[]>(lines, {
    skipEmptyLines: false,
    newline: '\n',
    delimitersToGuess: ['\t', ';', ',', '|'],
  });
  const [headings = [], ...rows] = data;
  const table = { headings: headings.map((h) => h.trim()), rows };
  const much = tooMuchTable(table);
  return much === null ? table : { problem: much };
}

/** A table as text again, as a spreadsheet would paste it. */
export const textOfRows = ({ headings, rows }: TableRows): string =>
  Papa.unparse([headings, ...rows], { delimiter: '\t', newline: '\n' });

/** A table in which one cell is another. @param line of the table, 1 is the headings */
export const withCell = (
  { headings, rows }: TableRows,
  line: number,
  at: number,
  text: string,
): TableRows => ({
  headings,
  rows: rows.map((row, i) =>
    i + 2 === line
      ? Array.from({ length: Math.max(row.length, at + 1) }, (_, n) => (n === at ? text : (row[n] ?? '')))
      : row,
  ),
});
