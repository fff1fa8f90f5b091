import { positive } from '../units/guard.ts';
import type { CropEntry } from './types.ts';

/**
 * Plants that a bed holds at the crop's usual spacing, at least one.
 * @param options area m² and the share of it the planting takes, 0–1
 * Source: arithmetic on the catalogue's spacing (common practice: 2 rows of 15 m at 30 cm are 100 plants).
 */
export function plantCount(options: {
  areaM2: number;
  share?: number;
  spacing: CropEntry['spacing'];
}): number {
  const area = positive('areaM2', options.areaM2, 1_000_000, 'm²') * (options.share ?? 1);
  const each = (options.spacing.inRowMm / 1000) * (options.spacing.betweenRowsMm / 1000);
  return Math.max(1, Math.floor(area / each + 1e-9));
}

/**
 * Metres of row that a bed holds at the crop's usual distance between rows.
 * @param options area m² and the share of it the planting takes, 0–1
 * Source: arithmetic on the catalogue's spacing.
 */
export const rowLength = (options: {
  areaM2: number;
  share?: number;
  spacing: CropEntry['spacing'];
}): number =>
  (positive('areaM2', options.areaM2, 1_000_000, 'm²') * (options.share ?? 1) * 1000) /
  options.spacing.betweenRowsMm;
