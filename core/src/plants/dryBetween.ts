import type { CropEntry } from './types.ts';

/**
 * Days on which the ground of a succulent stays dry between two soaks, counted as days of great demand. It lives on what its body
 * stores. Common practice: quick globe kinds about weekly in the hottest summer, slow desert kinds every second week or less; the
 * figures are judgements.
 */
const DRY_DAYS: Readonly<Record<string, number>> = {
  'globe-cactus': 7,
  echeveria: 7,
  aloe: 10,
  'jade-plant': 10,
  agave: 14,
  'columnar-cactus': 14,
};
const USUAL_DRY_DAYS = 10;
/** Reference demand of a day that counts whole, mm: a cooler one counts less. Judgement. */
const FULL_DAY_MM = 5;

export const dryDaysOf = (crop: CropEntry): number => DRY_DAYS[crop.id] ?? USUAL_DRY_DAYS;
export const dryDayCounts = (et0Mm: number): number => Math.min(1, et0Mm / FULL_DAY_MM);
