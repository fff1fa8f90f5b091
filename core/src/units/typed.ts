import {
  fahrenheitToCelsius,
  feetToM,
  gallonsToLitres,
  inchesToMm,
  kmhToMs,
  mphToMs,
  squareFeetToM2,
} from './convert.ts';

/** Kinds of figures that people type with a unit of their own. */
export type TypedKind = 'area' | 'length' | 'depth' | 'volume' | 'flow' | 'temperature' | 'wind';

const same = (value: number): number => value;
const times =
  (factor: number) =>
  (value: number): number =>
    value * factor;

/** Units by the letters people write them with, and what they come to in SI. */
const UNITS: Readonly<Record<TypedKind, Readonly<Record<string, (value: number) => number>>>> = {
  area: {
    m2: same,
    sqm: same,
    qm: same,
    ft2: squareFeetToM2,
    sqft: squareFeetToM2,
    squarefeet: squareFeetToM2,
    squaremetres: same,
    squaremeters: same,
    acres: times(4046.8564224),
    acre: times(4046.8564224),
    ha: times(10_000),
  },
  length: {
    m: same,
    metre: same,
    metres: same,
    meter: same,
    meters: same,
    cm: times(0.01),
    mm: times(0.001),
    ft: feetToM,
    feet: feetToM,
    foot: feetToM,
    "'": feetToM,
    yd: times(0.9144),
    in: (v) => inchesToMm(v) / 1000,
    '"': (v) => inchesToMm(v) / 1000,
  },
  depth: { mm: same, cm: times(10), in: inchesToMm, inch: inchesToMm, inches: inchesToMm, '"': inchesToMm },
  volume: {
    l: same,
    litre: same,
    litres: same,
    liter: same,
    liters: same,
    ml: times(0.001),
    gal: gallonsToLitres,
    gallon: gallonsToLitres,
    gallons: gallonsToLitres,
  },
  flow: {
    'l/min': same,
    'l/h': times(1 / 60),
    'l/s': times(60),
    'gal/min': gallonsToLitres,
    gpm: gallonsToLitres,
    'gal/h': (v) => gallonsToLitres(v) / 60,
    gph: (v) => gallonsToLitres(v) / 60,
  },
  temperature: { c: same, f: fahrenheitToCelsius },
  wind: { 'm/s': same, 'km/h': kmhToMs, kmh: kmhToMs, kph: kmhToMs, mph: mphToMs },
};

/** Marks that people put between thousands. */
const SPACES = /[\s\u00a0\u202f'’](?=\d{3}(\D|$))/g;

/**
 * A number as people type it: 1,5 and 1.5, 1 000, 1.000,5 and 1,000.5.
 * @param commaThousands whether 1,000 is a thousand, as where inches are used; elsewhere it is one
 * @returns no unit; NaN where it is none
 * Source: common practice of writing numbers.
 */
export function typedNumber(text: string, commaThousands = false): number {
  let plain = text.trim().replace(SPACES, '');
  const [comma, dot] = [plain.lastIndexOf(','), plain.lastIndexOf('.')];
  if (comma >= 0 && dot >= 0) {
    // The later of the two is the decimal one.
    plain = comma > dot ? plain.replaceAll('.', '').replace(',', '.') : plain.replaceAll(',', '');
  } else if (comma >= 0) {
    const thousands =
      /^[+-]?\d{1,3}(,\d{3})+$/.test(plain) && (commaThousands || plain.split(',').length > 2);
    plain = thousands ? plain.replaceAll(',', '') : plain.replace(',', '.');
  } else if (/^[+-]?\d{1,3}(\.\d{3}){2,}$/.test(plain)) plain = plain.replaceAll('.', '');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN;
}

/** A unit's letters: without spaces, stops and the sign of a degree, with plain figures and marks. */
const unitLetters = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s.°]/g, '')
    .replace('²', '2')
    .replace(/[′’]/g, "'")
    .replace(/[″”“]/g, '"');

/** How a figure is typed where no unit is written beside it. */
export interface TypedIn {
  kind: TypedKind | null;
  toSi: (value: number) => number;
  commaThousands?: boolean;
  /** For an area: how its sides are typed. */
  sideToSi?: (value: number) => number;
}

/** One figure with or without its unit, in SI. */
function oneFigure(text: string, { kind, toSi, commaThousands = false }: TypedIn): number {
  const [, figure = '', letters = ''] =
    /^\s*([+-]?[\d.,\s\u00a0\u202f’]*\d[.,]?)\s*([^\d]*\d?)\s*$/u.exec(text) ?? [];
  const value = typedNumber(figure, commaThousands);
  const unit = unitLetters(letters);
  if (unit === '') return toSi(value);
  const known = kind ? UNITS[kind] : {};
  return Object.hasOwn(known, unit) ? (known[unit] as (v: number) => number)(value) : Number.NaN;
}

/** What a shape makes of its one measure or its two sides, m². A round is told by its width. */
const SHAPES: readonly { named: RegExp; area: (a: number, b: number) => number; sides: 1 | 2 }[] = [
  { named: /^(round|circle|⌀|ø)\s*/iu, sides: 1, area: (across) => (Math.PI * across ** 2) / 4 },
  { named: /^half[- ]?(round|circle)\s*/iu, sides: 1, area: (across) => (Math.PI * across ** 2) / 8 },
  { named: /^(oval|ellipse)\s*/iu, sides: 2, area: (a, b) => (Math.PI * a * b) / 4 },
  { named: /^triangle\s*/iu, sides: 2, area: (a, b) => (a * b) / 2 },
  { named: /^(rectangle|square)?\s*/iu, sides: 2, area: (a, b) => a * b },
];

/** One shape by its measures, m²; NaN where it is not told by its sides. */
function shapeArea(text: string, side: TypedIn): number {
  const shape = SHAPES.find(({ named }) => named.test(text));
  const rest = text.replace(shape?.named ?? '', '');
  const sides = rest.split(/\s*[x×*]\s*/i);
  if (!shape || sides.length !== shape.sides) return Number.NaN;
  const [first = '', second = ''] = sides;
  if (shape.sides === 1) return shape.area(oneFigure(first, side), 0);
  // “10 x 4 ft”: the one unit is both sides'.
  const unit = /[a-z'"′″]+\s*$/i.exec(second)?.[0] ?? '';
  const bare = /\d\s*$/.test(first);
  return shape.area(oneFigure(bare ? `${first}${unit}` : first, side), oneFigure(second, side));
}

/**
 * A figure as it was typed, in SI: “10 ft” where metres are asked for, “10 x 4”, “round 3” or “4 x 2 + triangle 2 x 1” for an
 * area.
 * @param text what was typed; `as` what it is taken for where no unit is written
 * @returns SI: m², m, mm of depth, L, L/min, °C or m/s by its kind; NaN where it is none
 * Source: conversions as `convert`; plane geometry.
 */
export function typedFigure(text: string, as: TypedIn): number {
  if (as.kind !== 'area' || !as.sideToSi) return oneFigure(text, as);
  const side: TypedIn = { kind: 'length', toSi: as.sideToSi, commaThousands: as.commaThousands };
  const parts = text.split(/(?<=\S)\s*\+\s*(?=\S)/);
  return parts.reduce((sum, part) => {
    const shaped = shapeArea(part.trim(), side);
    return sum + (Number.isNaN(shaped) ? oneFigure(part, as) : shaped);
  }, 0);
}
