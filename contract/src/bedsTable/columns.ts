import { typedFigure, type TypedKind } from '@kibble/core';
import type { UnitSystem } from '../garden.ts';

/** What a column of a table of beds can be. */
export const BED_FIELDS = [
  'name',
  'place',
  'length',
  'width',
  'size',
  'area',
  'soil',
  'crop',
  'plantedOn',
  'startedAs',
  'method',
  'flow',
  'timer',
  'tap',
  'zone',
  'mulch',
  'form',
  'cover',
  'notes',
] as const;
export type BedField = (typeof BED_FIELDS)[number];

interface BedColumnKind {
  label: string;
  /** Its heading, without the unit and in small letters. */
  names: RegExp;
  /** Of figures: how they are read, the units they may be in, and the one taken where a heading names none. */
  figures?: { kind: TypedKind; units: readonly string[]; usual: Readonly<Record<UnitSystem, string>> };
}

const LENGTHS = { kind: 'length', units: ['m', 'cm', 'ft', 'in'], usual: { metric: 'm', us: 'ft' } } as const;

/** The usual headings of a grower's list of beds. */
export const BED_COLUMNS: Readonly<Record<BedField, BedColumnKind>> = {
  name: { label: 'Name', names: /^(name|beds?|bed (name|no|nr|number|id)|id|no|nr|number|row)$/ },
  place: {
    label: 'Part of the garden',
    names: /^(parts?|part of (the )?garden|place|section|fields?|block|plot|location|house)$/,
  },
  length: { label: 'Length', names: /^(length|bed length|long|l)$/, figures: LENGTHS },
  width: { label: 'Width', names: /^(width|bed width|wide|breadth|w)$/, figures: LENGTHS },
  size: { label: 'Length × width', names: /^(size|dimensions?|measures|l x w|w x l)$/, figures: LENGTHS },
  area: {
    label: 'Area',
    names: /^(area|bed area|surface)$/,
    figures: { kind: 'area', units: ['m²', 'sq ft'], usual: { metric: 'm²', us: 'sq ft' } },
  },
  soil: { label: 'Soil', names: /^(soil|soil (type|texture|class)|texture|topsoil|ground)$/ },
  crop: { label: 'Crop', names: /^(crops?|plants?|vegetables?|planted with|growing|what grows( there)?)$/ },
  plantedOn: {
    label: 'Planted or sown on',
    names:
      /^(date|planted|sown|(planted|sown|planted or sown)( on)?|(planting|sowing|plant|sow|transplant) date|date (planted|sown)|since)$/,
  },
  startedAs: { label: 'Started as', names: /^(start|started (as|from)|begun as|raised as|seed or plants?)$/ },
  method: {
    label: 'Watered by',
    names:
      /^(watered (by|with)|water(ing)?|irrigation|(watering|irrigation) (method|type)|method|you water with)$/,
  },
  flow: {
    label: 'Flow over the whole bed',
    names: /^(flow|flow rate|rate)$/,
    figures: {
      kind: 'flow',
      units: ['L/min', 'L/h', 'gal/min', 'gal/h'],
      usual: { metric: 'L/min', us: 'gal/min' },
    },
  },
  timer: { label: 'On a timer', names: /^(timer|on a timer|controller|automatic)$/ },
  tap: { label: 'Tap', names: /^(taps?|faucet|spigot|hydrant|water source|source)$/ },
  zone: {
    label: 'Zone',
    names: /^((irrigation |watering )?zones?|valves?|(timer )?stations?)$/,
  },
  mulch: {
    label: 'Mulch',
    names: /^(mulch|mulched|mulch depth)$/,
    figures: { kind: 'depth', units: ['mm', 'cm', 'in'], usual: { metric: 'mm', us: 'in' } },
  },
  form: { label: 'Shape of the bed', names: /^(shape|form|bed (type|form|shape))$/ },
  cover: {
    label: 'Under cover',
    names: /^(cover(ed)?|under cover|tunnel|greenhouse|under (glass|plastic))$/,
  },
  notes: { label: 'Notes', names: /^(notes?|remarks?|comments?)$/ },
};

/** A column that is used: what it is taken for, and of figures in which unit. */
export interface BedColumn {
  /** Its place in a row, 0 the first. */
  at: number;
  heading: string;
  field: BedField;
  label: string;
  unit: string | null;
  /** The heading names no unit; this one was taken. */
  unitAssumed: boolean;
  unitChoices: readonly string[];
}

/** What the gardener said of columns: what one is, by its place, and the unit of one, by what it is. */
export interface BedColumnAnswers {
  fields?: Readonly<Record<string, BedField | 'not used'>>;
  units?: Readonly<Record<string, string>>;
}

/** A figure read in a unit by its letters, in SI. */
export const inUnit =
  (kind: TypedKind, unit: string) =>
  (value: number): number =>
    value * typedFigure(`1 ${unit}`, { kind, toSi: () => Number.NaN });

/** A heading in small letters without its unit, and the words that may be one. */
function partsOf(heading: string): { plain: string; mayBeUnit: string | null } {
  const spaced = heading
    .trim()
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/[_]+/g, ' ');
  const bracketed = /[([]([^)\]]*)[)\]]/.exec(spaced)?.[1] ?? null;
  const plain = spaced
    .replace(/[([][^)\]]*[)\]]/g, ' ')
    .replace(/×/g, 'x')
    .replace(/[.,:/*#-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return { plain, mayBeUnit: bracketed };
}

const fieldNamed = (plain: string): BedField | undefined =>
  BED_FIELDS.find((field) => BED_COLUMNS[field].names.test(plain));

/** Which of a column's units some letters mean; undefined for none of them. */
function unitMeant(field: BedField, letters: string | null): string | undefined {
  const { figures } = BED_COLUMNS[field];
  if (!figures || letters === null) return undefined;
  const one = inUnit(figures.kind, letters)(1);
  return figures.units.find((unit) => inUnit(figures.kind, unit)(1) === one);
}

/** A heading that ends with its unit, such as “length m” or “Width in ft”. */
function splitUnit(plain: string): { field: BedField; letters: string } | null {
  const found = /^(.*?)\s+(?:in )?(\S+(?: ft)?)$/.exec(plain);
  const field = found ? fieldNamed(found[1] ?? '') : undefined;
  const letters = found?.[2] ?? '';
  return field && unitMeant(field, letters) !== undefined ? { field, letters } : null;
}

/** What each column of a table is; null where it is not used. Of two that are the same the first is used. */
export function understandColumns(
  headings: readonly string[],
  { fields = {}, units = {} }: BedColumnAnswers,
  system: UnitSystem,
): (BedColumn | null)[] {
  const answered = new Set<string>(Object.values(fields));
  const seen = new Set<BedField>();
  return headings.map((heading, at) => {
    const { plain, mayBeUnit } = partsOf(heading);
    const told = fields[String(at)];
    const split = splitUnit(plain);
    const guessed = fieldNamed(plain) ?? split?.field;
    const field = told ?? (guessed && answered.has(guessed) ? undefined : guessed);
    if (field === undefined || field === 'not used' || seen.has(field)) return null;
    seen.add(field);
    const { label, figures } = BED_COLUMNS[field];
    const named = unitMeant(field, mayBeUnit) ?? unitMeant(field, split?.letters ?? null);
    const chosen = figures?.units.find((unit) => unit === units[field]);
    return {
      at,
      heading,
      field,
      label,
      unit: figures ? (chosen ?? named ?? figures.usual[system]) : null,
      unitAssumed: figures !== undefined && chosen === undefined && named === undefined,
      unitChoices: figures?.units ?? [],
    };
  });
}
