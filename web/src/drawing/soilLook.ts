/** How each texture is drawn: a ground colour and a hatch of its own, so that state is never colour alone. */
export interface SoilLook {
  fill: string;
  /** Marks in a 12 × 12 tile, as an SVG path and whether it is stroked dots or strokes. */
  path: string;
  stroke: number;
}

const dots = (...points: readonly [number, number][]): string =>
  points.map(([x, y]) => `M${x} ${y}h0.01`).join('');

const SAND: SoilLook = {
  fill: 'var(--soil-sand)',
  path: dots([2, 2], [8, 4], [4, 8], [10, 10]),
  stroke: 1.3,
};
const SANDY_LOAM: SoilLook = { fill: 'var(--soil-sand)', path: `${dots([2, 2], [9, 9])}M6 6h2`, stroke: 1.2 };
const LOAM: SoilLook = { fill: 'var(--soil-loam)', path: `M1 3h4M7 9h4${dots([9, 3], [3, 9])}`, stroke: 1 };
const SILT: SoilLook = { fill: 'var(--soil-silt)', path: 'M1 3l3 0M6 6l3 0M2 10l3 0', stroke: 0.8 };
const CLAY_LOAM: SoilLook = { fill: 'var(--soil-clay)', path: `M0 3h6M6 9h6${dots([9, 3])}`, stroke: 1 };
const CLAY: SoilLook = { fill: 'var(--soil-clay)', path: 'M0 3h12M0 9h12', stroke: 0.9 };

const LOOKS: Readonly<Record<string, SoilLook>> = {
  sand: SAND,
  'loamy sand': SAND,
  'sandy loam': SANDY_LOAM,
  loam: LOAM,
  'silt loam': SILT,
  silt: SILT,
  'sandy clay loam': CLAY_LOAM,
  'clay loam': CLAY_LOAM,
  'silty clay loam': CLAY_LOAM,
  'sandy clay': CLAY,
  'silty clay': CLAY,
  clay: CLAY,
};

export const soilLook = (texture: string): SoilLook => LOOKS[texture] ?? LOAM;
