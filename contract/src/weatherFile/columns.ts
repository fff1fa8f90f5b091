import { fahrenheitToCelsius, inchesToMm, kmhToMs, kwhToMJ, mphToMs, wattsToMJPerDay } from '@kibble/core';

/** What a column of a weather file can be. */
export type WeatherField =
  'date' | 'tMinC' | 'tMaxC' | 'tempC' | 'rainMm' | 'windMs' | 'rhMinPct' | 'rhMaxPct' | 'rhPct' | 'solarMJ';

interface UnitChoice {
  unit: string;
  /** Words in a heading that name the unit. */
  marks: RegExp;
  toSi: (value: number) => number;
}

interface ColumnKind {
  field: WeatherField;
  label: string;
  /** Heading with unit and punctuation taken off. */
  names: RegExp;
  units: readonly UnitChoice[];
}

/** How a file writes its days. */
export const DATE_ORDERS = ['year first', 'day first', 'month first'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

export const same = (v: number): number => v;
const CELSIUS: UnitChoice = { unit: '°C', marks: /(^|[^a-z])(c|°c|degc|celsius)($|[^a-z])/, toSi: same };
const FAHRENHEIT: UnitChoice = {
  unit: '°F',
  marks: /(^|[^a-z])(f|°f|degf|fahrenheit)($|[^a-z])/,
  toSi: fahrenheitToCelsius,
};
const PERCENT: UnitChoice = { unit: '%', marks: /%|pct|percent/, toSi: same };

/** The usual names and units of daily records; the first unit is taken when a heading names none. */
export const KINDS: readonly ColumnKind[] = [
  {
    field: 'date',
    label: 'Date',
    names: /^(date|day|time|datetime|date time|timestamp|dt|observation date)$/,
    // How its days are written; told from the rows, not from the heading.
    units: DATE_ORDERS.map((unit) => ({ unit, marks: /^$/, toSi: same })),
  },
  {
    field: 'tMinC',
    label: 'Lowest temperature',
    names:
      /^(tmin|temp min|min temp|temperature min|min temperature|tn|low|temp low|mintemp|tempmin|t min|minimum temperature)$/,
    units: [CELSIUS, FAHRENHEIT],
  },
  {
    field: 'tMaxC',
    label: 'Highest temperature',
    names:
      /^(tmax|temp max|max temp|temperature max|max temperature|tx|high|temp high|maxtemp|tempmax|t max|maximum temperature)$/,
    units: [CELSIUS, FAHRENHEIT],
  },
  // One temperature or humidity a row: an hourly file, of which each day's ends are taken.
  {
    field: 'tempC',
    label: 'Temperature',
    names: /^(temp|temperature|air temp|air temperature|t air|t|outdoor temperature|dry bulb)$/,
    units: [CELSIUS, FAHRENHEIT],
  },
  {
    field: 'rhPct',
    label: 'Humidity',
    names: /^(rh|humidity|relative humidity|rel humidity|outdoor humidity)$/,
    units: [PERCENT],
  },
  {
    field: 'rainMm',
    label: 'Rain',
    names: /^(rain|rainfall|precip|precipitation|prcp|rr|rain total|precipitation total|precipitation sum)$/,
    units: [
      { unit: 'mm', marks: /(^|[^a-z])mm($|[^a-z])/, toSi: same },
      { unit: 'in', marks: /(^|[^a-z])(in|inch|inches)($|[^a-z])/, toSi: inchesToMm },
    ],
  },
  {
    field: 'windMs',
    label: 'Wind',
    names: /^(wind|windspeed|wind speed|wind mean|mean wind|awnd|ws|wind avg)$/,
    units: [
      { unit: 'm/s', marks: /m\/s|(^|[^a-z])(ms|mps)($|[^a-z])/, toSi: same },
      { unit: 'km/h', marks: /km\/?h|kph|kmph/, toSi: kmhToMs },
      { unit: 'mph', marks: /mph|mi\/h/, toSi: mphToMs },
    ],
  },
  {
    field: 'rhMinPct',
    label: 'Lowest humidity',
    names: /^(rhmin|rh min|min rh|humidity min|min humidity|minimum humidity)$/,
    units: [PERCENT],
  },
  {
    field: 'rhMaxPct',
    label: 'Highest humidity',
    names: /^(rhmax|rh max|max rh|humidity max|max humidity|maximum humidity)$/,
    units: [PERCENT],
  },
  {
    field: 'solarMJ',
    label: 'Solar radiation',
    names: /^(solar|solar radiation|radiation|srad|rs|global radiation|insolation)$/,
    units: [
      { unit: 'MJ/m²', marks: /mj/, toSi: same },
      { unit: 'W/m²', marks: /w\/m|watt|wm-?2|w m/, toSi: wattsToMJPerDay },
      { unit: 'kWh/m²', marks: /kwh/, toSi: kwhToMJ },
    ],
  },
];

export interface UnderstoodColumn {
  heading: string;
  field: WeatherField;
  label: string;
  unit: string;
  /** The heading named no unit; this one was taken, by the figures where they tell. */
  unitAssumed: boolean;
  unitChoices: string[];
}

const UNIT_WORDS =
  /\(([^)]*)\)|\[([^\]]*)\]|°c|°f|degc|degf|celsius|fahrenheit|km\/?h|kmph|kph|mph|m\/s|mm|inches|inch|mj\/?m.?2?(\/?d(ay)?)?|w\/m.?2?|kwh\/m.?2?|%|pct|percent/g;

function plainName(heading: string): string {
  return heading
    .trim()
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(UNIT_WORDS, ' ')
    .replace(/[_\-.,/]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** A trailing one-word unit ("temp_max_f", "rain_in") when the whole heading is no known name. */
function splitTrailingUnit(name: string): string {
  return name.replace(/ (c|f|in|ms|mps|mm|mj)$/, '');
}

/** What a heading means; null when it is none of weather's. */
export function understand(
  heading: string,
  unitOverrides: Readonly<Record<string, string>>,
): UnderstoodColumn | null {
  const plain = plainName(heading);
  const kind = KINDS.find((k) => k.names.test(plain) || k.names.test(splitTrailingUnit(plain)));
  if (!kind) return null;
  const lower = heading
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/_/g, ' ');
  const named = kind.units.find((choice) => choice.marks.test(lower));
  const chosen =
    kind.units.find((choice) => choice.unit === unitOverrides[kind.field]) ?? named ?? kind.units[0];
  return {
    heading,
    field: kind.field,
    label: kind.label,
    unit: chosen?.unit ?? '',
    unitAssumed: named === undefined && kind.field !== 'date' && unitOverrides[kind.field] === undefined,
    unitChoices: kind.units.map((choice) => choice.unit),
  };
}
