import Papa from 'papaparse';
import { parseRawJson } from '../rawJson.ts';

/** A file's rows under their headings, before anything is made of them. */
export interface FileRows {
  headings: string[];
  rows: string[][];
  /** What the first row is called in the file: 2 under a line of headings, 1 in a list of entries. */
  firstRow: number;
  counted: 'line' | 'entry';
  /** What parted the columns. */
  delimiter: string;
  /** Why there are none. */
  problem: string | null;
}

/** Most columns, rows and cells of a file: beyond them it is no table of weather, and taking it apart would hold up others. Judgements. */
export const MOST_COLUMNS = 300;
export const MOST_ROWS = 1_000_000;
export const MOST_CELLS = 6_000_000;

const NEWLINE = 10;
/** What may part columns: comma, semicolon, tab, upright stroke. */
const PARTING = [44, 59, 9, 124];

/** Why a text is too much to be taken apart; null when it is not. It is only counted through, which takes no room. */
function tooMuch(text: string): string | null {
  const parted = new Uint32Array(128);
  let rows = 1;
  let cells = 0;
  const endOfRow = (): string | null => {
    const columns = 1 + Math.max(...PARTING.map((code) => parted[code] ?? 0));
    cells += columns;
    parted.fill(0);
    if (columns > MOST_COLUMNS)
      return `Line ${rows} has ${columns} columns, where a table of weather has at most ${MOST_COLUMNS}.`;
    if (rows > MOST_ROWS)
      return `The file has more than ${MOST_ROWS.toLocaleString('en')} lines. Split it by years.`;
    return cells > MOST_CELLS
      ? `The file has more than ${MOST_CELLS.toLocaleString('en')} cells. Split it by years, or leave out columns.`
      : null;
  };
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    if (code === NEWLINE) {
      const wrong = endOfRow();
      if (wrong) return wrong;
      rows += 1;
    } else if (code < 128) parted[code] = (parted[code] ?? 0) + 1;
  }
  return endOfRow();
}

const none = (problem: string, counted: FileRows['counted']): FileRows => ({
  headings: [],
  rows: [],
  firstRow: counted === 'line' ? 2 : 1,
  counted,
  delimiter: '',
  problem,
});

/** A file's text as rows: JSON where it begins like it, columns parted by anything usual otherwise. */
export function rowsOf(text: string): FileRows {
  const plain = text.replace(/^\uFEFF/, '');
  if (/^\s*[[{]/.test(plain)) return rowsOfJson(plain);
  const lines = plain.replace(/\r\n?/g, '\n');
  const much = tooMuch(lines);
  if (much) return none(much, 'line');
  const { data, meta } = Papa.parse<string[]>(lines, {
    skipEmptyLines: false,
    newline: '\n',
  });
  const [headings = [], ...rows] = data;
  return { headings, rows, firstRow: 2, counted: 'line', delimiter: meta.delimiter, problem: null };
}

const isEntry = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The first list of entries in a file of JSON: the file itself, or what one of its names holds. */
function listIn(value: unknown): Record<string, unknown>[] | null {
  if (Array.isArray(value)) return value.length > 0 && value.every(isEntry) ? value : null;
  if (!isEntry(value)) return null;
  for (const part of Object.values(value)) {
    const list = Array.isArray(part) ? listIn(part) : null;
    if (list) return list;
  }
  return null;
}

const cellOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : '';

function rowsOfJson(text: string): FileRows {
  let value: unknown;
  try {
    value = parseRawJson(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return none(`The file begins like JSON, and cannot be read as that: ${why}.`, 'entry');
  }
  const list = listIn(value);
  if (!list)
    return none(
      'The file holds no list of days: write [{"date": "2026-07-01", "tMinC": 14, …}, …].',
      'entry',
    );
  const names = new Set<string>();
  for (const entry of list) {
    for (const name of Object.keys(entry)) names.add(name);
    if (names.size > MOST_COLUMNS)
      return none(
        `The entries have more than ${MOST_COLUMNS} names, where a table of weather has a few.`,
        'entry',
      );
  }
  if (list.length > MOST_ROWS || list.length * names.size > MOST_CELLS)
    return none('The file holds more entries than can be taken at once. Split it by years.', 'entry');
  const headings = [...names];
  const rows = list.map((entry) => headings.map((heading) => cellOf(entry[heading])));
  return { headings, rows, firstRow: 1, counted: 'entry', delimiter: '', problem: null };
}
