import { daysBetween, type IsoDate } from '../units/dates.ts';
import { DRY_TO_MM } from './dryTo.ts';

export type CheckFirst =
  | { code: 'found moist'; depthMm: number }
  | { code: 'balance is young'; depthMm: number }
  | { code: 'date is unsure'; depthMm: number };

/** A date this far apart between the early and the late end of its window is unsure, days. Judgement. */
const UNSURE_DAYS = 3;
/** A balance begun so lately still rests on how wet the ground was said to be, days. Judgement. */
const YOUNG_DAYS = 10;
/** Looks further back than this say nothing of today. Judgement. */
const MOIST_DAYS = 4;
/** How deep to look: half the roots, within what a trowel reaches, mm. Common practice: 75–150 mm. */
const DEEPEST_MM = 150;

/**
 * Whether to look into the ground before watering, and how deep: when the plan could be a few days off.
 * @param options today, first day of the balance and whether its wetness was only told, depth of the roots, the due
 *   window, and the last day on which it was found moist
 * @returns the reason, or null when the plan is sure enough
 * Source: common practice, dig before deciding; the limits are judgements of this file.
 */
export function checkFirst(options: {
  today: IsoDate;
  startOn: IsoDate;
  rootDepthMm: number;
  window?: { early: IsoDate | null; late: IsoDate | null };
  foundMoistOn?: IsoDate;
}): CheckFirst | null {
  const { today, window } = options;
  const half = Math.round(options.rootDepthMm / 20) * 10;
  const depthMm = Math.max(DRY_TO_MM, Math.min(DEEPEST_MM, half));
  const moist = options.foundMoistOn;
  if (moist !== undefined && moist < today && daysBetween(moist, today) <= MOIST_DAYS)
    return { code: 'found moist', depthMm };
  if (daysBetween(options.startOn, today) < YOUNG_DAYS) return { code: 'balance is young', depthMm };
  if (window?.early && (!window.late || daysBetween(window.early, window.late) >= UNSURE_DAYS))
    return { code: 'date is unsure', depthMm };
  return null;
}
