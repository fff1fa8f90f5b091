import {
  bedRowsOf,
  readBedsTable,
  textOfRows,
  withCell,
  type BedField,
  type GardenView,
  type ReadBeds,
  type TableRows,
  type UsualBed,
} from '@kibble/contract';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { mostOf } from '../../../places/ground/mostOf.ts';

/** A table as it is typed, and what was answered of it: it outlasts the page. */
interface Typed {
  text: string;
  fields: Record<string, BedField | 'not used'>;
  units: Record<string, string>;
  usual: UsualBed | null;
}
const EMPTY: Typed = { text: '', fields: {}, units: {}, usual: null };

const keyOf = (gardenId: number): string => `kibble.bedsTable.${gardenId}`;
function kept(gardenId: number): Typed {
  try {
    return { ...EMPTY, ...(JSON.parse(sessionStorage.getItem(keyOf(gardenId)) ?? '{}') as Partial<Typed>) };
  } catch {
    return EMPTY;
  }
}

/** What a bed is taken to be where its row does not say: as most beds of the garden are. */
function usualIn({ beds, today }: GardenView): UsualBed {
  const here = beds.filter(({ archived }) => !archived);
  return {
    textureClass: mostOf(here, (bed) => bed.textureClass) ?? 'loam',
    method: mostOf(here, (bed) => bed.delivery.method) ?? 'hose wand',
    plantedOn: today,
    startWetness: 'not known',
  };
}

const isTable = (read: TableRows | { problem: string }): read is TableRows => 'rows' in read;

export interface BedsTable {
  text: string;
  /** The rows; null where the text cannot be parted into any. */
  table: TableRows | null;
  read: ReadBeds | null;
  /** Why there are no rows. */
  problem: string | null;
  usual: UsualBed;
  setText: (text: string) => void;
  /** Puts one cell right. */
  correct: (line: number, at: number, text: string) => void;
  sayField: (at: number, field: BedField | 'not used') => void;
  sayUnit: (field: string, unit: string) => void;
  sayUsual: (change: Partial<UsualBed>) => void;
  /** What is sent home. */
  answers: Pick<Typed, 'fields' | 'units'>;
  forget: () => void;
}

/** A table of beds while it is typed, pasted and put right. */
export function useBedsTable(garden: GardenView): BedsTable {
  const [typed, setTyped] = useState(() => kept(garden.id));
  useEffect(() => sessionStorage.setItem(keyOf(garden.id), JSON.stringify(typed)), [garden.id, typed]);
  // Typing is not held up by the reading of a long table.
  const later = useDeferredValue(typed);
  const usual = later.usual ?? usualIn(garden);
  const rows = useMemo(() => (later.text.trim() === '' ? null : bedRowsOf(later.text)), [later.text]);
  const table = rows && isTable(rows) ? rows : null;
  const read = useMemo(
    () =>
      table &&
      readBedsTable(
        table,
        {
          today: garden.today,
          units: garden.units,
          bedNames: garden.beds.filter(({ archived }) => !archived).map(({ name }) => name),
          tapNames: garden.taps.filter(({ archived }) => !archived).map(({ name }) => name),
          ownCrops: garden.ownCrops,
        },
        later.usual ?? usualIn(garden),
        { fields: later.fields, units: later.units },
      ),
    [table, garden, later.usual, later.fields, later.units],
  );
  const change = (more: Partial<Typed>): void => setTyped((was) => ({ ...was, ...more }));
  return {
    text: typed.text,
    table,
    read,
    problem: rows && !isTable(rows) ? rows.problem : null,
    usual,
    setText: (text) => change({ text }),
    correct: (line, at, text) =>
      setTyped((was) => {
        // What is read may be behind what is typed.
        const now = bedRowsOf(was.text);
        return isTable(now) ? { ...was, text: textOfRows(withCell(now, line, at, text)) } : was;
      }),
    sayField: (at, field) => {
      // What a column is said to be, no other column is any more.
      const others = Object.entries(typed.fields).filter(([, was]) => was !== field || field === 'not used');
      change({ fields: { ...Object.fromEntries(others), [String(at)]: field } });
    },
    sayUnit: (field, unit) => change({ units: { ...typed.units, [field]: unit } }),
    sayUsual: (more) => change({ usual: { ...usual, ...more } }),
    answers: { fields: later.fields, units: later.units },
    forget: () => {
      setTyped(EMPTY);
      sessionStorage.removeItem(keyOf(garden.id));
    },
  };
}
