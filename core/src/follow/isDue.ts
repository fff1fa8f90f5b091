import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import type { PlantingInput } from '../plants/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { Shut } from './shut.ts';

/** What plants may miss without its showing, mm (Ks about 0.95). Those that run to seed when dry, and young ones, miss nothing. Judgement. */
const EASE_MM = 0.3;
const NONE_MM = 0.01;

/** What a place may miss for a round or a day less, mm over the bed. */
export const easeOf = (plantings: readonly PlantingInput[], date: IsoDate): number =>
  plantings.some((p) => cropOf(p).traits.boltsWhenDry || plantOnDay(p, date)?.rooted === false)
    ? NONE_MM
    : EASE_MM;

/** A morning as the rule of watering sees it; depths in one unit, misses in mm over the bed. */
export interface Morning {
  /** Gone at the day's end if no water comes, and the line of the way of watering. */
  eveningGone: number;
  line: number;
  /** The days after it on which it will not be watered: why, what will be gone at their end, and what will be missed over them. */
  ahead: { why: Shut; gone: number; missedMm: number } | null;
  easeMm: number;
}

/**
 * Whether a morning asks for water: the day would end past the line; or days without watering follow that would, and really
 * cost the plants something. The plan and the windows both go by it.
 */
export function isDue({ eveningGone, line, ahead, easeMm }: Morning): boolean {
  if (eveningGone > line) return true;
  if (ahead === null || ahead.gone <= line) return false;
  // For a spared round it is the other way about: the day is free only because the bed is filled before.
  return ahead.why === 'spared' || ahead.missedMm > easeMm;
}
