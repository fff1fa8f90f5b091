import type { CropEntry } from '@kibble/core';
import type { BedBody, UnitSystem } from '../garden.ts';
import { nextNames } from '../nextNames.ts';
import type { DateOrder } from '../weatherFile/columns.ts';
import { DATE_ORDERS } from '../weatherFile/columns.ts';
import { RowReader, type CellFault, type UsualBed } from './cells.ts';
import {
  BED_COLUMNS,
  understandColumns,
  type BedColumn,
  type BedColumnAnswers,
  type BedField,
} from './columns.ts';
import { cropFinder } from './crops.ts';
import { orderOf } from './days.ts';
import { tooMuchTable, type TableRows } from './rows.ts';
import { plainWord } from './words.ts';

/** What a table is read against: the garden it is for. */
export interface TableGarden {
  today: string;
  units: UnitSystem;
  /** Names of the beds that are there. */
  bedNames: readonly string[];
  tapNames: readonly string[];
  ownCrops: readonly CropEntry[];
}

/** A bed as its row tells it. */
export interface BedOfTable {
  /** Line of the table, 1 is the headings. */
  line: number;
  body: BedBody;
  /** The zone that it is watered in, else the tap it draws from, by name; null where none is named. */
  tap: string | null;
  /** What of it was taken as something else than was written. */
  takenAs: string[];
  /** What the row does not say, so that the usual was taken. */
  lacking: (keyof UsualBed)[];
}

export interface FaultyRow {
  line: number;
  name: string;
  faults: CellFault[];
}

export interface ReadBeds {
  columns: BedColumn[];
  /** Columns that are not used. */
  ignored: { at: number; heading: string }[];
  beds: BedOfTable[];
  faulty: FaultyRow[];
  /** How days are written: the choice, and whether it must be made. */
  dates: { order: DateOrder; asked: boolean } | null;
  /** Taps that the garden does not have yet, and zones: each with its station and the tap that feeds it, where that is written. */
  newTaps: string[];
  newZones: { name: string; from: string | null; station: number | null }[];
  /** What is amiss with the table as a whole; nothing can be added then. */
  problem: string | null;
}

const NAME_LETTERS = 80;
const PLACE_LETTERS = 40;
const NOTES_LETTERS = 2000;

/** Sides above which a width without a unit is no metres or feet but centimetres or inches. Judgement: beds are about 75 cm or 30 in wide. */
const TOO_WIDE = { metric: { most: 12, then: 'cm' }, us: { most: 17, then: 'in' } } as const;
/** Depths up to which a mulch without a unit is centimetres. Judgement. */
const CM_OF_MULCH = 15;

/** Takes what headings leave open of their units from the figures under them. */
function settleUnits(columns: readonly BedColumn[], rows: readonly string[][], units: UnitSystem): void {
  for (const column of columns) {
    if (!column.unitAssumed) continue;
    const figures = rows
      .map((row) => Number((row[column.at] ?? '').trim().replace(',', '.')))
      .filter((v) => v > 0)
      .sort((a, b) => a - b);
    const middle = figures[Math.floor(figures.length / 2)];
    if (middle === undefined) continue;
    const wide = TOO_WIDE[units];
    if (column.field === 'width' && middle > wide.most) column.unit = wide.then;
    if (column.field === 'mulch' && units === 'metric' && middle <= CM_OF_MULCH) column.unit = 'cm';
  }
}

/** How the days of a table are written, as told, as the rows tell, or, where neither says, as is usual; then it is asked. */
function datesOf(
  column: BedColumn | undefined,
  rows: readonly string[][],
  { units = {} }: BedColumnAnswers,
): ReadBeds['dates'] {
  if (!column) return null;
  const told = DATE_ORDERS.find((order) => order === units.plantedOn);
  if (told) return { order: told, asked: false };
  const order = orderOf(rows.map((row) => row[column.at] ?? ''));
  return { order: order ?? 'day first', asked: order === null };
}

function problemOf(columns: ReadonlyMap<BedField, BedColumn>, { headings }: TableRows): string | null {
  const has = (field: BedField): boolean => columns.has(field);
  const sized = has('size') || has('area') || (has('length') && has('width'));
  if (columns.size > 0 && sized) return null;
  const found = headings.filter((h) => h !== '').join(', ') || 'nothing';
  return `${
    columns.size === 0
      ? 'The first line must name the columns, such as Name, Length, Width, Soil, Crop.'
      : 'The table needs columns for the length and the width of the beds, or one for their area.'
  } Its first line is: ${found}.`;
}

/**
 * Reads a table of beds: recognises its headings, units, how its days are written and what its words mean, and checks every
 * cell. Nothing is guessed without being told: what was taken as something else, or as is usual, is named.
 * @param usual what a bed is where its row does not say
 */
export function readBedsTable(
  table: TableRows,
  garden: TableGarden,
  usual: UsualBed,
  answers: BedColumnAnswers = {},
): ReadBeds {
  const understood = understandColumns(table.headings, answers, garden.units);
  const used = understood.filter((column) => column !== null);
  const columns = new Map(used.map((column) => [column.field, column]));
  const filled = table.rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  settleUnits(used, filled, garden.units);
  const dates = datesOf(columns.get('plantedOn'), filled, answers);
  const result: ReadBeds = {
    columns: used,
    ignored: table.headings.flatMap((heading, at) =>
      understood[at] === null && heading.trim() !== '' ? [{ at, heading }] : [],
    ),
    beds: [],
    faulty: [],
    dates,
    newTaps: [],
    newZones: [],
    problem: tooMuchTable(table) ?? problemOf(columns, table),
  };
  if (result.problem === null && filled.length === 0)
    result.problem = 'The table has no rows under its headings. Write one bed a row.';
  if (result.problem !== null) return result;

  const reading = {
    columns,
    order: dates?.order ?? 'year first',
    today: garden.today,
    units: garden.units,
    cropOf: cropFinder(garden.ownCrops),
    usual,
  } as const;
  const here = new Set(garden.bedNames.map(plainWord));
  const lineOf = new Map<string, number>();
  const taken = new Set([
    ...garden.bedNames,
    ...(columns.has('name') ? filled.map((row) => (row[columns.get('name')?.at ?? 0] ?? '').trim()) : []),
  ]);
  const taps = new Map(garden.tapNames.map((name) => [plainWord(name), name]));
  /** The name above, from which those that are empty go on. */
  let above = 'Bed 0';
  let next = nextNames(above, taken);
  for (const [index, row] of table.rows.entries()) {
    if (row.every((cell) => cell.trim() === '')) continue;
    const line = index + 2;
    const read = new RowReader(row, reading);
    const written = read.letters('name', NAME_LETTERS);
    const name = written === '' ? next() : written;
    if (written !== '' && written !== above) {
      above = written;
      next = nextNames(above, taken);
    }
    const before = lineOf.get(plainWord(name));
    if (here.has(plainWord(name)))
      read.fault(
        'name',
        `Name must be one that no bed of the garden has; got “${name}”. Write another name, or leave this row out.`,
      );
    else if (before !== undefined)
      read.fault('name', `Name must be another than the one on line ${before}; got “${name}”.`);
    else lineOf.set(plainWord(name), line);
    const body: BedBody = {
      kind: 'ground',
      name,
      place: read.letters('place', PLACE_LETTERS) || null,
      ...read.size(),
      textureClass: read.soil(),
      form: read.shape(),
      underCover: read.yes('cover'),
      shadeCloth: false,
      goal: 'steady',
      ...read.mulch(),
      startWetness: read.or('startWetness', null),
      // What was planted before is told as its ground is now.
      wetnessOn: garden.today,
      lately: usual.lately ?? null,
      notes: read.letters('notes', NOTES_LETTERS),
      planting: read.planting(),
      delivery: read.delivery(),
    };
    const tapText = read.letters('tap', NAME_LETTERS);
    const tap = tapText === '' ? null : (taps.get(plainWord(tapText)) ?? tapText);
    const zoneText = zoneName(read.letters('zone', NAME_LETTERS));
    const zone = zoneText === '' ? null : (taps.get(plainWord(zoneText)) ?? zoneText);
    if (read.faults.length > 0) {
      const faults = read.faults.sort((a, b) => (a.at ?? 0) - (b.at ?? 0));
      result.faulty.push({ line, name, faults });
      continue;
    }
    if (tap !== null && !taps.has(plainWord(tap))) {
      taps.set(plainWord(tap), tap);
      result.newTaps.push(tap);
    }
    if (zone !== null && !taps.has(plainWord(zone))) {
      taps.set(plainWord(zone), zone);
      result.newZones.push({ name: zone, from: tap, station: stationOf(zone) });
    }
    result.beds.push({ line, body, tap: zone ?? tap, takenAs: read.takenAs, lacking: [...read.lacking] });
  }
  return result;
}

/** A zone that is only numbered is called by its number. */
const zoneName = (text: string): string => (/^\d{1,2}$/.test(text) ? `Zone ${text}` : text);

/** The station on a timer that a zone is numbered by; null where its name has no number. */
const stationOf = (zone: string): number | null => {
  const number = Number(/(?:^|\s)0*(\d{1,2})$/.exec(zone)?.[1] ?? 0);
  return number > 0 ? number : null;
};

/** What a column may be said to be, in the order in which it is asked. */
export const bedColumnChoices = Object.entries(BED_COLUMNS).map(
  ([field, { label }]) => [field as BedField, label] as const,
);
