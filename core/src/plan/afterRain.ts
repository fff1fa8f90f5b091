import type { BedOutlook, PlanBed } from '../follow/types.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { GardenPlan } from './types.ts';

/** What a soaking rain has done to a bed. */
export interface RainedOn {
  bedId: number;
  /** How deep its water went, down to the roots' end at most, and the roots, mm. */
  reachesMm: number;
  rootDepthMm: number;
  /** Still gone from the root zone this morning, mm in the watered ground. */
  leftMm: number;
  filled: boolean;
}

/** The state of a garden on the morning after a soaking rain. */
export interface AfterRain {
  /** First and last day on which it fell, and how much, mm. */
  from: IsoDate;
  on: IsoDate;
  rainMm: number;
  beds: RainedOn[];
  /** The bed in which one look with a spade tells most; null where the rain leaves no doubt. */
  spade: number | null;
  /** Waterings of the next week that the rain has spared: the day that it would have been, and the next one now. */
  spared: { bedId: number; was: IsoDate; now: IsoDate | null }[];
}

/** So much in one wet spell soaks; a day with less ends the spell, mm. Judgements. */
const SOAKING_MM = 10;
const WET_MM = 1;
/** A spell is looked back on for so many days at most. */
const SPELL_DAYS = 7;
/** A bed of which this share of what it can hold is still gone counts as filled. Judgement. */
const FULL_SHARE = 0.1;
/** By so much the depth that rain reached may be off: what ran off, what a roof of leaves kept. Judgement. */
const DOUBT = 0.25;
/** Waterings are looked for so far ahead, days. */
const AHEAD_DAYS = 7;

/** The wet spell that ended yesterday: its days from the first on; empty where it did not soak, or was only supposed. Source: the judgements above. */
export function soakingSpell(weather: readonly SourcedDay[], today: IsoDate): SourcedDay[] {
  const days = weather.filter(({ date }) => date < today && date >= addDays(today, -SPELL_DAYS));
  const dry = days.findLastIndex(({ rainMm }) => rainMm < WET_MM);
  const spell = days.slice(dry + 1);
  // Rain that was only forecast is never certain.
  const known = spell.every(({ rainChance }) => rainChance === 1);
  return known && spell.reduce((sum, { rainMm }) => sum + rainMm, 0) >= SOAKING_MM ? spell : [];
}

/** The bed whose depth is in doubt round the end of its roots, the largest first; then the largest that was reached in part. */
function spadeIn(beds: readonly RainedOn[], areaOf: (bedId: number) => number): number | null {
  const largest = (those: readonly RainedOn[]): number | null =>
    [...those].sort((a, b) => areaOf(b.bedId) - areaOf(a.bedId))[0]?.bedId ?? null;
  const atDoubt = beds.filter(
    ({ reachesMm, rootDepthMm }) =>
      reachesMm * (1 - DOUBT) < rootDepthMm && reachesMm * (1 + DOUBT) >= rootDepthMm,
  );
  return largest(atDoubt) ?? largest(beds.filter(({ filled }) => !filled));
}

/**
 * What a soaking rain that ended yesterday has done: which beds it filled, how deep, and which waterings it spared.
 * @param garden the plan as it is, its beds, the weather it was made from, and the plan as it would be under other weather
 * @returns null where no soaking rain ended yesterday, or nothing that grows stands under it
 * Source: the balance of the beds; what soaks and what fills are the judgements above.
 */
export function afterRain(garden: {
  plan: GardenPlan;
  beds: readonly PlanBed[];
  weather: readonly SourcedDay[];
  today: IsoDate;
  planInWeather: (weather: SourcedDay[]) => GardenPlan;
}): AfterRain | null {
  const { plan, weather, today } = garden;
  const spell = soakingSpell(weather, today);
  const [first] = spell;
  const last = spell.at(-1);
  if (!first || !last) return null;
  const inRain = new Map(
    garden.beds.filter(({ bed }) => bed.place?.underCover !== true).map((bed) => [bed.id, bed]),
  );
  const outlooks = plan.beds.filter(({ bedId, stage }) => stage !== null && inRain.has(bedId));
  const beds = outlooks.map((outlook) => rainedOn(outlook, first.date));
  if (beds.length === 0) return null;
  const fell = new Set(spell.map(({ date }) => date));
  const dry = garden.planInWeather(weather.map((day) => (fell.has(day.date) ? { ...day, rainMm: 0 } : day)));
  const until = addDays(today, AHEAD_DAYS);
  const spared = outlooks.flatMap(({ bedId, next }) => {
    const was = dry.beds.find((bed) => bed.bedId === bedId)?.next?.date;
    if (was === undefined || was >= until || (next && next.date <= was)) return [];
    return [{ bedId, was, now: next?.date ?? null }];
  });
  return {
    from: first.date,
    on: last.date,
    rainMm: spell.reduce((sum, { rainMm }) => sum + rainMm, 0),
    beds: beds.map((bed) => ({ ...bed, reachesMm: Math.min(bed.reachesMm, bed.rootDepthMm) })),
    spade: spadeIn(beds, (bedId) => inRain.get(bedId)?.bed.areaM2 ?? 0),
    spared,
  };
}

function rainedOn({ bedId, past, depletionMm, totalMm, rootDepthMm }: BedOutlook, from: IsoDate): RainedOn {
  const fronts = past.filter(({ date }) => date >= from).map(({ wetFrontMm }) => wetFrontMm);
  return {
    bedId,
    reachesMm: Math.max(0, ...fronts),
    rootDepthMm,
    leftMm: depletionMm,
    filled: depletionMm <= FULL_SHARE * totalMm,
  };
}
