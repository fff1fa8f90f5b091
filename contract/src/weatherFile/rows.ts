import Papa from 'papaparse';

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

/** A file's text as rows: JSON where it begins like it, columns parted by anything usual otherwise. */
export function rowsOf(text: string): FileRows {
  const plain = text.replace(/^\uFEFF/, '');
  if (/^\s*[[{]/.test(plain)) return rowsOfJson(plain);
  const { data, meta } = Papa.parse<string[]>(plain.replace(/\r\n?/g, '\n'), {
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
  const none = (problem: string): FileRows => ({
    headings: [],
    rows: [],
    firstRow: 1,
    counted: 'entry',
    delimiter: '',
    problem,
  });
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return none(`The file begins like JSON, and cannot be read as that: ${why}.`);
  }
  const list = listIn(value);
  if (!list)
    return none('The file holds no list of days: write [{"date": "2026-07-01", "tMinC": 14, …}, …].');
  const headings = [...new Set(list.flatMap((entry) => Object.keys(entry)))];
  const rows = list.map((entry) => headings.map((heading) => cellOf(entry[heading])));
  return { headings, rows, firstRow: 1, counted: 'entry', delimiter: '', problem: null };
}
