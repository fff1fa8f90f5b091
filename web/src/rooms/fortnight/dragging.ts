import type { FortnightBed, PlanChange } from '@kibble/contract';

export type Cell = FortnightBed['waterings'][number];
/** Asks about a change of one watering. */
export type Ask = (bed: FortnightBed, cell: Cell, change: PlanChange) => void;
export interface Dragged {
  bed: FortnightBed;
  cell: Cell;
}

/** Height of a row, and depth at which a bar is as tall as its row, mm. */
export const ROW = 34;
const FULL_MM = 60;
/** A bar is tall enough to be met with a finger's tip or a mouse. */
const LEAST = 24;
export const barHeight = (mm: number): number =>
  Math.max(LEAST, Math.min(ROW - 4, (mm / FULL_MM) * (ROW - 4)));

/** A bar leaves this much of its day free at the sides, share of the bar. */
const ASIDE = 1.13;
/** Up or down by less than this is an unsteady hand, pixels. */
const STEADY = 8;
/** A pixel up or down changes the amount by so much. */
const PER_PIXEL = 0.02;
const LEAST_FACTOR = 0.1;

/** Where a dragged bar comes to lie: the day of the row, or, dragged up or down, how many times its amount. */
export function landing(of: { delta: { x: number; y: number }; barWidth: number; at: number; of: number }): {
  day: number;
  resized: number | null;
} {
  const { x, y } = of.delta;
  const steps = of.barWidth > 0 ? Math.round(x / (of.barWidth * ASIDE)) : 0;
  const day = Math.max(0, Math.min(of.of - 1, of.at + steps));
  const upright = Math.abs(y) > STEADY && Math.abs(y) > Math.abs(x);
  return { day: upright ? of.at : day, resized: upright ? Math.max(LEAST_FACTOR, 1 - y * PER_PIXEL) : null };
}
