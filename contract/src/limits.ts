/** What kind of quantity a field is: decides its unit on the screen and in messages. */
export type Quantity =
  | 'area'
  | 'depth'
  | 'temperature'
  | 'wind'
  | 'flow'
  | 'volume'
  | 'minutes'
  | 'percent'
  | 'degrees'
  | 'height'
  | 'count'
  | 'humidity'
  | 'solar'
  | 'seconds'
  | 'length'
  | 'span'
  | 'drip'
  | 'rate'
  | 'share'
  | 'millilitres'
  | 'litresFine'
  | 'weight'
  | 'dose'
  | 'ph';

export interface Limit {
  label: string;
  min: number;
  max: number;
  quantity: Quantity;
  unit: string;
}

/** Every number that crosses a boundary, in SI, with the range that is possible. */
export const LIMITS = {
  areaM2: { label: 'Area', min: 0.005, max: 100_000, quantity: 'area', unit: 'm²' },
  latitudeDeg: { label: 'Latitude', min: -90, max: 90, quantity: 'degrees', unit: '°' },
  elevationM: { label: 'Height above sea', min: -430, max: 6000, quantity: 'height', unit: 'm' },
  litresPerMinute: { label: 'Flow', min: 0.001, max: 500, quantity: 'flow', unit: 'L/min' },
  litres: { label: 'Litres', min: 0.001, max: 1_000_000, quantity: 'volume', unit: 'L' },
  cans: { label: 'Cans', min: 0.1, max: 1000, quantity: 'count', unit: 'cans' },
  minutes: { label: 'Minutes', min: 0.01, max: 10_080, quantity: 'minutes', unit: 'min' },
  rainMm: { label: 'Rain', min: 0, max: 1000, quantity: 'depth', unit: 'mm' },
  usualHighC: { label: 'Usual high', min: -60, max: 60, quantity: 'temperature', unit: '°C' },
  usualLowC: { label: 'Usual low', min: -60, max: 60, quantity: 'temperature', unit: '°C' },
  usualRainMm: { label: 'Usual rain', min: 0, max: 1000, quantity: 'depth', unit: 'mm' },
  tMinC: { label: 'Lowest temperature', min: -60, max: 60, quantity: 'temperature', unit: '°C' },
  tMaxC: { label: 'Highest temperature', min: -60, max: 60, quantity: 'temperature', unit: '°C' },
  windMs: { label: 'Wind', min: 0, max: 75, quantity: 'wind', unit: 'm/s' },
  rhMinPct: { label: 'Lowest humidity', min: 0, max: 100, quantity: 'humidity', unit: '%' },
  rhMaxPct: { label: 'Highest humidity', min: 0, max: 100, quantity: 'humidity', unit: '%' },
  solarMJ: { label: 'Solar radiation', min: 0, max: 50, quantity: 'solar', unit: 'MJ/m²/day' },
  mulchMm: { label: 'Mulch depth', min: 0, max: 500, quantity: 'depth', unit: 'mm' },
  bucketLitres: { label: 'The bucket', min: 0.01, max: 1000, quantity: 'volume', unit: 'L' },
  caughtLitres: { label: 'Water caught', min: 0.001, max: 1000, quantity: 'volume', unit: 'L' },
  seconds: { label: 'Seconds', min: 0.1, max: 86_400, quantity: 'seconds', unit: 's' },
  canMm: { label: 'Depth in the can', min: 0, max: 1000, quantity: 'depth', unit: 'mm' },
  canHeightMm: { label: 'Height of the can', min: 1, max: 2000, quantity: 'depth', unit: 'mm' },
  sandMm: { label: 'Sand layer', min: 0, max: 1000, quantity: 'depth', unit: 'mm' },
  siltMm: { label: 'Silt layer', min: 0, max: 1000, quantity: 'depth', unit: 'mm' },
  clayMm: { label: 'Clay layer', min: 0, max: 1000, quantity: 'depth', unit: 'mm' },
  topsoilMm: { label: 'Topsoil', min: 50, max: 1500, quantity: 'depth', unit: 'mm' },
  rootsMm: { label: 'Deepest roots', min: 20, max: 3000, quantity: 'depth', unit: 'mm' },
  rockMm: { label: 'Rock or hard pan', min: 100, max: 3000, quantity: 'depth', unit: 'mm' },
  stonesPct: { label: 'Stones', min: 0, max: 90, quantity: 'percent', unit: '%' },
  organicMatterPct: { label: 'Organic matter', min: 0, max: 100, quantity: 'percent', unit: '%' },
  slopePct: { label: 'Slope', min: 0, max: 100, quantity: 'percent', unit: '%' },
  fallMm: { label: 'Fall of the water', min: 0, max: 2000, quantity: 'depth', unit: 'mm' },
  probeMm: { label: 'Depth reached', min: 0, max: 2000, quantity: 'depth', unit: 'mm' },
  lookMm: { label: 'Depth looked at', min: 5, max: 1500, quantity: 'depth', unit: 'mm' },
  targetMm: { label: 'Depth wanted', min: 1, max: 2000, quantity: 'depth', unit: 'mm' },
  fillDepthMm: { label: 'Depth of the fill', min: 50, max: 1000, quantity: 'depth', unit: 'mm' },
  spreadDepthMm: {
    label: 'Depth of the dressing',
    min: 1,
    max: 500,
    quantity: 'depth',
    unit: 'mm',
  },
  bedLengthM: { label: 'Length of the bed', min: 0.05, max: 1000, quantity: 'length', unit: 'm' },
  bedWidthM: { label: 'Width of the bed', min: 0.05, max: 100, quantity: 'length', unit: 'm' },
  hoseM: { label: 'Length of the hose', min: 0.05, max: 500, quantity: 'length', unit: 'm' },
  insetM: { label: 'Inset from the edge', min: 0, max: 50, quantity: 'span', unit: 'm' },
  spacingM: { label: 'Spacing', min: 0.01, max: 20, quantity: 'span', unit: 'm' },
  wetWidthM: { label: 'Width that got wet', min: 0.01, max: 20, quantity: 'span', unit: 'm' },
  emitterLitresPerHour: { label: 'An emitter', min: 0.05, max: 100, quantity: 'drip', unit: 'L/h' },
  lines: { label: 'Lines', min: 1, max: 50, quantity: 'count', unit: 'lines' },
  plantEvery: { label: 'Plant at every', min: 1, max: 100, quantity: 'count', unit: 'emitters' },
  buckets: { label: 'Buckets', min: 1, max: 1000, quantity: 'count', unit: 'buckets' },
  poolingMinutes: {
    label: 'Minutes until it pools',
    min: 0.05,
    max: 1440,
    quantity: 'minutes',
    unit: 'min',
  },
  share: { label: 'Share of the bed', min: 0.01, max: 1, quantity: 'share', unit: '' },
  kcbMid: {
    label: 'Water use in full leaf',
    min: 0.1,
    max: 1.4,
    quantity: 'count',
    unit: 'times short grass',
  },
  rootDepthM: { label: 'Depth of the roots', min: 0.05, max: 3, quantity: 'length', unit: 'm' },
  cropHeightM: { label: 'Height', min: 0.02, max: 40, quantity: 'length', unit: 'm' },
  lostPlants: { label: 'Plants lost', min: 0, max: 100_000, quantity: 'count', unit: 'plants' },
  copies: { label: 'How many beds', min: 1, max: 200, quantity: 'count', unit: 'beds' },
  alike: { label: 'How many alike', min: 1, max: 200, quantity: 'count', unit: '' },
  longitudeDeg: { label: 'Longitude', min: -180, max: 180, quantity: 'degrees', unit: '°' },
  sourceLitres: {
    label: 'What the well gives in a day',
    min: 1,
    max: 1_000_000,
    quantity: 'volume',
    unit: 'L',
  },
  station: { label: 'Station on the timer', min: 1, max: 99, quantity: 'count', unit: '' },
  weekLitres: { label: 'Water a week', min: 1, max: 10_000_000, quantity: 'volume', unit: 'L' },
  turnsPerDay: { label: 'Turns of a tap a day', min: 0, max: 500, quantity: 'count', unit: 'turns' },
  passes: { label: 'Turns at one bed', min: 1, max: 50, quantity: 'count', unit: 'turns' },
  longestMinutes: { label: 'Longest run', min: 5, max: 1440, quantity: 'minutes', unit: 'min' },
  atOnce: { label: 'Lines at once', min: 1, max: 200, quantity: 'count', unit: 'lines' },
  windHoldMs: { label: 'Wind', min: 0.5, max: 30, quantity: 'wind', unit: 'm/s' },
  clockMinute: { label: 'Time of day', min: 0, max: 1440, quantity: 'count', unit: 'minutes after midnight' },
  cycleCount: { label: 'Runs', min: 1, max: 500, quantity: 'count', unit: 'runs' },
  restMinutes: { label: 'Minutes', min: 0, max: 10_080, quantity: 'minutes', unit: 'min' },
  secondsEach: { label: 'Seconds a plant', min: 0.01, max: 86_400, quantity: 'seconds', unit: 's' },
  ownLine: { label: 'Its own line', min: 0.1, max: 0.8, quantity: 'share', unit: '' },
  spellDays: { label: 'Days of the dry spell', min: 1, max: 14, quantity: 'count', unit: 'days' },
  capMinutes: { label: 'Minutes a day', min: 1, max: 1440, quantity: 'minutes', unit: 'min' },
  capLitres: { label: 'Litres a day', min: 1, max: 1_000_000, quantity: 'volume', unit: 'L' },
  days: { label: 'Days', min: -3650, max: 3650, quantity: 'count', unit: 'days' },
  fillLitres: {
    label: 'What the can, bucket or tank holds',
    min: 0.5,
    max: 1000,
    quantity: 'litresFine',
    unit: 'L',
  },
  potLitres: { label: 'Size of the pot', min: 0.05, max: 2000, quantity: 'litresFine', unit: 'L' },
  potAcrossM: { label: 'Across the pot', min: 0.03, max: 5, quantity: 'span', unit: 'm' },
  potHeightM: { label: 'Height of the pot', min: 0.02, max: 2, quantity: 'span', unit: 'm' },
  leavesAcrossM: { label: 'Across the leaves', min: 0.01, max: 6, quantity: 'span', unit: 'm' },
  reservoirL: { label: 'The tank', min: 0.05, max: 200, quantity: 'litresFine', unit: 'L' },
  millilitres: { label: 'Water given', min: 1, max: 200_000, quantity: 'millilitres', unit: 'mL' },
  potKg: { label: 'Weight', min: 0.02, max: 1000, quantity: 'weight', unit: 'kg' },
  meterPct: { label: 'The meter', min: 0, max: 100, quantity: 'percent', unit: '%' },
  ph: { label: 'pH', min: 0, max: 14, quantity: 'ph', unit: '' },
  bathM2: { label: 'The bath', min: 0.01, max: 10, quantity: 'area', unit: 'm²' },
  bathMm: { label: 'Water in the bath', min: 10, max: 100, quantity: 'depth', unit: 'mm' },
  batchLitres: { label: 'Water in the batch', min: 0.2, max: 1000, quantity: 'volume', unit: 'L' },
  doseMlPerL: { label: 'Acid to the litre', min: 0.05, max: 5, quantity: 'dose', unit: 'mL/L' },
  spoons: { label: 'Spoons', min: 0, max: 2000, quantity: 'count', unit: '' },
  treeCount: { label: 'How many alike', min: 1, max: 500, quantity: 'count', unit: 'plants' },
  canopyM: { label: 'Spread of the branches', min: 0.05, max: 40, quantity: 'length', unit: 'm' },
  treeHeightM: { label: 'Height', min: 0.05, max: 60, quantity: 'length', unit: 'm' },
  trunkM: { label: 'Thickness of the trunk', min: 0.002, max: 4, quantity: 'span', unit: 'm' },
  hedgeM: { label: 'Length of the hedge', min: 0.3, max: 1000, quantity: 'length', unit: 'm' },
  ballM: { label: 'Across the root ball', min: 0.05, max: 4, quantity: 'length', unit: 'm' },
  mulchedM: { label: 'Mulched out to', min: 0.1, max: 40, quantity: 'length', unit: 'm' },
  nearM: { label: 'How far off', min: 0.1, max: 60, quantity: 'length', unit: 'm' },
  ringInnerM: { label: 'Inner edge of the ring', min: 0, max: 60, quantity: 'length', unit: 'm' },
  ringOuterM: { label: 'Outer edge of the ring', min: 0.05, max: 60, quantity: 'length', unit: 'm' },
  ringPart: { label: 'Part of the ring', min: 0.1, max: 1, quantity: 'share', unit: '' },
  soakDepthMm: { label: 'Depth wanted', min: 100, max: 900, quantity: 'depth', unit: 'mm' },
  layoutPieces: { label: 'How many', min: 1, max: 400, quantity: 'count', unit: '' },
  pieceLph: { label: 'What one gives', min: 0.05, max: 2000, quantity: 'drip', unit: 'L/h' },
  litresEach: { label: 'Water for each plant', min: 0.1, max: 20_000, quantity: 'volume', unit: 'L' },
} as const satisfies Record<string, Limit>;

export type LimitedField = keyof typeof LIMITS;

/** Two decimals, and as many as it takes for a number below one. */
const round = (value: number): string =>
  String(Math.abs(value) < 1 ? Number(value.toPrecision(2)) : Math.round(value * 100) / 100);

/** The allowed range in words, in SI or through `convert` in the gardener's units. */
export function rangeWords(
  limit: Pick<Limit, 'min' | 'max' | 'unit'>,
  convert: (value: number) => number = (v) => v,
  unit: string = limit.unit,
): string {
  return `from ${round(convert(limit.min))} to ${round(convert(limit.max))} ${unit}`.trim();
}

/** True when a finite number lies within a field's limit. */
export function withinLimit(field: LimitedField, value: number): boolean {
  const limit: Limit = LIMITS[field];
  return Number.isFinite(value) && value >= limit.min && value <= limit.max;
}

/** How far ahead a sowing may be planned, days. */
export const PLANNED_DAYS = 366;
