import { cropOf, plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import type { PlantingInput, ToughenRule } from '../plants/types.ts';
import { addDays, type IsoDate } from '../units/dates.ts';

export interface ToughenWindow {
  /** First and last day on which the dry spell may begin, and how long it lasts. */
  from: IsoDate;
  until: IsoDate;
  days: number;
  /** Gains are small: offered, not urged. */
  optional: boolean;
}

interface Rule {
  /** Days after planting on which it may begin. */
  fromDay: number;
  untilDay: number;
  days: number;
  /** It must be over before this stage. */
  before?: 'in full leaf';
  optional?: boolean;
  /** Height that must be reached, m. */
  heightM?: number;
}

/** Common practice for each group of crops; open-ended windows are closed by judgement. */
const RULES: Readonly<Record<ToughenRule, Rule | null>> = {
  legume: { fromDay: 21, untilDay: 60, days: 6, before: 'in full leaf' },
  root: { fromDay: 56, untilDay: 84, days: 6, optional: true },
  tomato: { fromDay: 1, untilDay: 3, days: 7 },
  cucurbit: { fromDay: 14, untilDay: 28, days: 6 },
  onion: { fromDay: 21, untilDay: 49, days: 5 },
  'potted potato': { fromDay: 10, untilDay: 60, days: 6, heightM: 0.15 },
  never: null,
  'not needed': null,
};

/**
 * When a planting may be held dry on purpose, so that its roots go down; null for crops that never are. Of potatoes only those in a
 * pot or a sack are, whatever they were started in.
 * Source: common practice.
 */
export function toughenWindow(
  planting: PlantingInput,
  today: IsoDate,
  { inPot = false } = {},
): ToughenWindow | null {
  const crop = cropOf(planting);
  const rule = RULES[crop.toughening];
  if (!rule) return null;
  // In open ground, set deep, it sits in moist soil already.
  if (crop.toughening === 'potted potato' && !inPot) return null;
  const from = addDays(planting.plantedOn, rule.fromDay);
  let until = addDays(planting.plantedOn, rule.untilDay);
  if (rule.before) {
    const stage = stageDates(planting, today).find((s) => s.stage === rule.before);
    const last = stage ? addDays(stage.from, -rule.days) : until;
    if (last < until) until = last;
  }
  if (rule.heightM !== undefined && (plantOnDay(planting, today)?.heightM ?? 0) < rule.heightM) return null;
  return until < from ? null : { from, until, days: rule.days, optional: rule.optional ?? false };
}

/** Whether a dry spell may begin today. */
export function mayToughen(
  planting: PlantingInput,
  today: IsoDate,
  where: { inPot?: boolean } = {},
): ToughenWindow | null {
  const window = toughenWindow(planting, today, where);
  return window && today >= window.from && today <= window.until ? window : null;
}
