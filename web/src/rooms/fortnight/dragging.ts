import type { FortnightBed, PlanChange } from '@kibble/contract';
import type { FortnightRow } from './zoneRows.ts';

export type Cell = FortnightBed['waterings'][number];
/** Asks about a change of one watering. */
export type Ask = (bed: FortnightRow, cell: Cell, change: PlanChange) => void;
export interface Dragged {
  bed: FortnightRow;
  cell: Cell;
}

/** Depth at which a bar is as tall as its row, mm. */
const FULL_MM = 60;
/** A bar is tall enough to bear its number: so much of its row at least. */
const LEAST = 0.6;
/** How much of its row a bar takes, 0 to 1. */
export const barShare = (mm: number): number => Math.max(LEAST, Math.min(1, mm / FULL_MM));

/** Up or down by less than this is an unsteady hand, pixels. */
const STEADY = 8;
/** A pixel up or down changes the amount by so much. */
const PER_PIXEL = 0.02;
const LEAST_FACTOR = 0.1;

/** Where a dragged bar comes to lie: the day of the row, or, dragged up or down, how many times its amount. */
export function landing(of: { delta: { x: number; y: number }; dayWidth: number; at: number; of: number }): {
  day: number;
  resized: number | null;
} {
  const { x, y } = of.delta;
  const steps = of.dayWidth > 0 ? Math.round(x / of.dayWidth) : 0;
  const day = Math.max(0, Math.min(of.of - 1, of.at + steps));
  const upright = Math.abs(y) > STEADY && Math.abs(y) > Math.abs(x);
  return { day: upright ? of.at : day, resized: upright ? Math.max(LEAST_FACTOR, 1 - y * PER_PIXEL) : null };
}
