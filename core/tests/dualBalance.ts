import type { plantOnDay } from '../src/plants/plantOnDay.ts';

/**
 * FAO-56's dual-coefficient balance of one root zone, written out from the paper's equations (ch. 7 and 8) and from nothing of
 * the engine: what tests and figures hold the layered balance and the plan against.
 */
export interface DualGround {
  /** m³/m³. */
  fieldCapacity: number;
  wiltingPoint: number;
  readilyEvaporableMm: number;
}

/** Gone from the root zone and from the drying surface, mm. */
export interface DualState {
  dr: number;
  de: number;
}

export interface DualDay extends DualState {
  evaporation: number;
  /** What the crop wants and has, mm. */
  wanted: number;
  transpiration: number;
  percolation: number;
  taw: number;
  p: number;
}

/**
 * One day of it.
 * @param climate wind and humidity term of eq. 70; `water` rain and irrigation mm over the bed; `fw` share of the surface that
 *   irrigation wets; `drips` it does so under the leaves
 */
export function dualDay(
  { dr, de }: DualState,
  ground: DualGround,
  {
    plant,
    et0,
    climate,
    water,
    fw = 1,
    drips = false,
  }: {
    plant: ReturnType<typeof plantOnDay>;
    et0: number;
    climate: number;
    water: number;
    fw?: number;
    drips?: boolean;
  },
): DualDay {
  const { fieldCapacity, wiltingPoint, readilyEvaporableMm: rew } = ground;
  const tew = 1000 * (fieldCapacity - 0.5 * wiltingPoint) * 0.1;
  const zr = (plant?.rootDepthMm ?? 150) / 1000;
  const h = plant?.heightM ?? 0;
  const cover = plant?.canopyCover ?? 0;
  // Eq. 70 for coefficients above 0.45, eq. 72.
  const table = plant?.kcb ?? 0;
  const kcb = table > 0.45 ? table + climate * (h / 3) ** 0.3 : table;
  const kcMax = Math.max(1.2 + climate * (h / 3) ** 0.3, kcb + 0.05);
  // Eq. 75, and its note on what drips under the leaves.
  const few = Math.max(0.01, Math.min(1 - cover, fw * (drips ? 1 - (2 / 3) * cover : 1)));
  // Eqs. 74, 71 and 77.
  const deStart = Math.max(0, de - water / fw);
  const kr = deStart <= rew ? 1 : Math.max(0, (tew - deStart) / (tew - rew));
  const evaporation = Math.min(kr * (kcMax - kcb), few * kcMax) * et0;
  // Eqs. 82–84, p by the note to table 22. As FAO-56 has it, one store under the whole bed, however much of its surface is wetted.
  const taw = 1000 * (fieldCapacity - wiltingPoint) * zr;
  const p = Math.min(0.8, Math.max(0.1, (plant?.p ?? 0.5) + 0.04 * (5 - (kcb * et0 + evaporation))));
  const drStart = Math.max(0, dr - water);
  const ks = drStart <= p * taw ? 1 : Math.max(0, (taw - drStart) / ((1 - p) * taw));
  const wanted = kcb * et0;
  const transpiration = ks * wanted;
  // Transpiration from the drying surface, Allen et al. 2005 eq. 29.
  const kt = Math.min(
    1,
    (Math.max(0.001, 1 - deStart / tew) / Math.max(0.001, 1 - drStart / taw)) * (0.1 / zr) ** 0.6,
  );
  // Eqs. 85 and 88: what percolates is what is left of the water after the day's use.
  const percolation = Math.max(0, water - (evaporation + transpiration) - dr);
  return {
    evaporation,
    wanted,
    transpiration,
    percolation,
    taw,
    p,
    de: Math.min(tew, deStart + evaporation / few + (kt * transpiration) / fw),
    dr: Math.min(taw, Math.max(0, dr - water + evaporation + transpiration + percolation)),
  };
}
