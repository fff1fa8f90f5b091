import type { DailyRecord } from '../places/dailyRecord.ts';
import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import type { PlantingInput } from '../plants/types.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { wiltsAt, type Wilt } from '../follow/wilts.ts';

/** The driest evening between two wettings: share gone of what the roots can hold, 0–1. */
export interface DryDown {
  on: IsoDate;
  goneShare: number;
}

/** What a planting has borne, and the line that follows from it. */
export interface OwnLine {
  /** How much may go now before it is watered, share, and by whom: the crop's usual share, or its own line. */
  now: number;
  isOwn: boolean;
  usual: number;
  /** What its record proposes instead; null where it says nothing new. */
  proposed: number | null;
  /** The dry-downs that the plants bore without wilting, as dry as proposed or drier; the latest last. */
  borne: DryDown[];
  /** Wiltings on record, with the days since water came; the latest last. */
  wilts: (Wilt & { days: number | null })[];
}

/** Water of a day that ends a dry-down, mm over the bed. Judgement. */
const WETTING_MM = 5;
/** So many times it must have borne a dryness before it counts. Judgement. */
const TIMES = 3;
/** Water comes this long before the dryness at which the plants wilted, share of what is held. Judgement. */
const BEFORE_WILT = 0.1;
/** A line is proposed in whole steps, and only where it differs by one. Judgement. */
const STEP = 0.05;
/** The range of the share that may go: FAO-56, table 22 and equation for p. */
const LEAST = 0.1;
const MOST = 0.8;

/** Steps below a share, a hair's breadth of rounding aside. */
const stepDown = (share: number): number => STEP * Math.floor(share / STEP + 1e-9);

/** The driest evening of each stretch between two wettings. @param days a bed's days, oldest first */
export function dryDowns(days: readonly DailyRecord[]): DryDown[] {
  const found: DryDown[] = [];
  let driest: DryDown | null = null;
  for (const { date, rainMm, irrigationMm, depletionMm, totalAvailableMm } of days) {
    if (rainMm + irrigationMm >= WETTING_MM) {
      if (driest) found.push(driest);
      driest = null;
      continue;
    }
    const goneShare = totalAvailableMm > 0 ? Math.min(1, depletionMm / totalAvailableMm) : 0;
    if (!driest || goneShare > driest.goneShare) driest = { on: date, goneShare };
  }
  // The stretch that is under way has been borne up to now.
  return driest ? [...found, driest] : found;
}

/** Days since the last wetting before a day; null where the record knows of none. */
function daysSinceWater(days: readonly DailyRecord[], on: IsoDate): number | null {
  const wet = days.findLast((day) => day.date < on && day.rainMm + day.irrigationMm >= WETTING_MM);
  return wet ? daysBetween(wet.date, on) : null;
}

/**
 * How far a planting may dry down by what it has shown: as dry as it went three times without wilting, or sooner than it wilted.
 * @param past the bed's days up to yesterday, oldest first; `planting` what stands there; `wilts` its wiltings on record
 * @returns what is proposed, from 0.1 to 0.8 of what its roots can hold, with what it rests on
 * Source: common practice (how far a bed may dry down is personal); a dryness without wilting is no proof that growth did not slow,
 * so leafy crops and what runs to seed are only ever proposed a wetter line.
 */
export function ownLineOf(
  past: readonly DailyRecord[],
  planting: PlantingInput,
  wilts: readonly Wilt[],
): OwnLine {
  const crop = cropOf(planting);
  const usual = crop.p.value;
  const now = planting.ownLine?.share ?? usual;
  // Fresh plants live on less ground than their roots will have.
  const rooted = past.filter(({ date }) => {
    const plant = plantOnDay(planting, date);
    return plant !== null && plant.stage !== 'establishing';
  });
  const wiltedOn = new Set(wilts.map(({ on }) => on));
  const unharmed = dryDowns(rooted).filter(({ on }) => !isNear(on, wiltedOn));
  const driestFirst = [...unharmed].sort((a, b) => b.goneShare - a.goneShare);
  const bornShare = driestFirst[TIMES - 1]?.goneShare ?? 0;
  const wiltShare = wiltsAt(wilts);
  const limit = wiltShare === null ? MOST : Math.max(LEAST, Math.min(MOST, wiltShare - BEFORE_WILT));
  const isThirsty = crop.traits.leafyGreen || crop.traits.boltsWhenDry;
  const drier = isThirsty ? now : Math.max(now, stepDown(bornShare));
  const share = Math.max(LEAST, Math.min(drier, stepDown(limit)));
  const isNew = Math.abs(share - now) >= STEP - 1e-9;
  return {
    now,
    isOwn: planting.ownLine !== undefined,
    usual,
    proposed: isNew ? share : null,
    borne: unharmed.filter(({ goneShare }) => goneShare >= Math.max(share, now) - 1e-9),
    wilts: wilts.map((wilt) => ({ ...wilt, days: daysSinceWater(past, wilt.on) })),
  };
}

/** A dry-down ends in a wilting when its driest evening is that day's or one beside it. */
const isNear = (on: IsoDate, days: ReadonlySet<IsoDate>): boolean =>
  [...days].some((day) => Math.abs(daysBetween(day, on)) <= 1);
