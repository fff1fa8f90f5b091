import type { DailyRecord } from '../places/dailyRecord.ts';
import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import { isWoody } from '../plants/woody.ts';
import type { PlantingInput } from '../plants/types.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { wiltsAt, type Wilt } from '../follow/wilts.ts';

/**
 * The driest evening between two wettings: share gone of what the roots can hold, 0–1, and the share that could go that day before
 * the plants slowed: in cool weather they bear more.
 */
export interface DryDown {
  on: IsoDate;
  goneShare: number;
  spareShare: number;
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
/** A line is proposed in whole steps. Judgement. */
const STEP = 0.05;
/** A drier line is worth proposing from so much more on, share. Judgement. */
const WORTH = 0.1;
/** The range of the share that may go: FAO-56, table 22 and equation for p. */
const LEAST = 0.1;
const MOST = 0.8;

/** Steps below a share, a hair's breadth of rounding aside. */
const stepDown = (share: number): number => Math.floor(share / STEP + 1e-9) / Math.round(1 / STEP);

/** The driest evening of each stretch between two wettings. @param days a bed's days, oldest first. Source: the judgements above. */
export function dryDowns(days: readonly DailyRecord[]): DryDown[] {
  const found: DryDown[] = [];
  let driest: DryDown | null = null;
  for (const day of days) {
    const { date, rainMm, irrigationMm, depletionMm, readilyAvailableMm, totalAvailableMm } = day;
    if (rainMm + irrigationMm >= WETTING_MM) {
      if (driest) found.push(driest);
      driest = null;
      continue;
    }
    if (totalAvailableMm <= 0) continue;
    const goneShare = Math.min(1, depletionMm / totalAvailableMm);
    if (!driest || goneShare > driest.goneShare)
      driest = { on: date, goneShare, spareShare: readilyAvailableMm / totalAvailableMm };
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
 * so leafy crops, what runs to seed and woody plants are only ever proposed a wetter line.
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
    return plant !== null && plant.rooted && plant.stage !== 'establishing';
  });
  const wiltedOn = new Set(wilts.map(({ on }) => on));
  const unharmed = dryDowns(rooted).filter(({ on }) => !isNear(on, wiltedOn));
  // What it bore on a cool day counts as less; nothing counts as more than it was.
  const bornOf = ({ goneShare, spareShare }: DryDown): number => goneShare - Math.max(0, spareShare - now);
  const bornShare = unharmed.map(bornOf).sort((a, b) => b - a)[TIMES - 1] ?? 0;
  const wiltShare = wiltsAt(wilts);
  const limit = wiltShare === null ? MOST : Math.max(LEAST, Math.min(MOST, wiltShare - BEFORE_WILT));
  const isTender = crop.traits.leafyGreen || crop.traits.boltsWhenDry || isWoody(crop);
  const isDrier = !isTender && stepDown(bornShare) >= now + WORTH - 1e-9;
  const drier = isDrier ? stepDown(bornShare) : now;
  const share = Math.max(LEAST, Math.min(drier, stepDown(limit)));
  const isNew = Math.abs(share - now) > 1e-9;
  return {
    now,
    isOwn: planting.ownLine !== undefined,
    usual,
    proposed: isNew ? share : null,
    borne: unharmed.filter((down) => bornOf(down) >= Math.max(share, now) - 1e-9),
    wilts: wilts.map((wilt) => ({ ...wilt, days: daysSinceWater(past, wilt.on) })),
  };
}

/** A dry-down ends in a wilting when its driest evening is that day's or one beside it. */
const isNear = (on: IsoDate, days: ReadonlySet<IsoDate>): boolean =>
  [...days].some((day) => Math.abs(daysBetween(day, on)) <= 1);
