import {
  decodeText,
  readWeatherFile,
  rowsOf,
  type FileRows,
  type ImportPreview,
  type ReadWeather,
} from '@kibble/contract';

const FIRST_ROWS = 5;
/** Refused rows that are told one by one. */
const TOLD_ROWS = 200;
/** Files kept at once; of more the one that was touched longest ago is let go. */
const KEPT = 4;
/** Cells of all files kept at once: some hundred megabytes. Judgement. */
const KEPT_CELLS = 8_000_000;
const cellsOf = ({ rows, headings }: FileRows): number => rows.length * Math.max(1, headings.length);

/** How far a reading is, shared between who reads and who asks: rows done, of so many; and whether it is given up. */
export const PROGRESS = { done: 0, of: 1, givenUp: 2, length: 3 } as const;
export const newProgress = (): Int32Array =>
  new Int32Array(new SharedArrayBuffer(PROGRESS.length * Int32Array.BYTES_PER_ELEMENT));

export interface ReadAs {
  units: Readonly<Record<string, string>>;
  latitudeDeg: number;
}

/** What was understood of a file, without what the record says to it. */
export type Understood = Omit<ImportPreview, 'endsAhead' | 'known'>;

/** A file is not there any more: it was let go, or the program began anew. */
export class FileGone extends Error {}

interface Held {
  rows: FileRows;
  read: ReadWeather | null;
}

const understoodOf = (result: ReadWeather): Understood => ({
  columns: result.columns,
  ignored: result.ignored,
  firstDays: result.days.slice(0, FIRST_ROWS),
  goodRows: result.days.length,
  rejected: result.rejected.slice(0, TOLD_ROWS),
  rejectedCount: result.rejected.length,
  hourly: result.hourly,
  counted: result.counted,
  repeated: result.repeated,
  gaps: result.gaps,
  question: result.question,
  from: result.days[0]?.date ?? null,
  to: result.days.at(-1)?.date ?? null,
  problem: result.problem,
});

/**
 * Files of weather as they were read: what is shown of one and what is stored come from the same reading. A file is taken apart
 * once; read with other units, its rows are read again.
 */
export class Readings {
  private readonly held = new Map<string, Held>();

  private find(id: string): Held {
    const held = this.held.get(id);
    if (!held) throw new FileGone();
    // The one asked for goes to the end of the row.
    this.held.delete(id);
    this.held.set(id, held);
    return held;
  }

  /** Takes a file apart and reads it. @throws GivenUp */
  take(id: string, bytes: Uint8Array, as: ReadAs, progress: Int32Array): Understood {
    this.held.set(id, { rows: rowsOf(decodeText(bytes)), read: null });
    this.letGo(id);
    return this.read(id, as, progress);
  }

  /** Lets go of the files that were touched longest ago until the rest have room. */
  private letGo(latest: string): void {
    let cells = 0;
    for (const { rows } of this.held.values()) cells += cellsOf(rows);
    for (const [id, { rows }] of this.held) {
      if (id === latest || (this.held.size <= KEPT && cells <= KEPT_CELLS)) return;
      this.held.delete(id);
      cells -= cellsOf(rows);
    }
  }

  /** Reads a file that was taken apart. @throws GivenUp, FileGone */
  read(id: string, { units, latitudeDeg }: ReadAs, progress: Int32Array): Understood {
    const held = this.find(id);
    held.read = readWeatherFile(held.rows, {
      units,
      latitudeDeg,
      onRows: (done, of) => {
        Atomics.store(progress, PROGRESS.done, done);
        Atomics.store(progress, PROGRESS.of, of);
        return Atomics.load(progress, PROGRESS.givenUp) === 0;
      },
    });
    return understoodOf(held.read);
  }

  /** Some of the days that were read, as JSON text. @throws FileGone */
  days(id: string, from: number, count: number): string {
    return JSON.stringify(this.find(id).read?.days.slice(from, from + count) ?? []);
  }

  forget(id: string): void {
    this.held.delete(id);
  }
}
