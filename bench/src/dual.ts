import {
  cropOf,
  followRounds,
  followSeason,
  plantOnDay,
  LAYER_MM,
  soilProfile,
  wettedFractionOf,
  yieldResponse,
  type PlanBed,
  type PlannedWatering,
  type SourcedDay,
  type TextureClass,
} from '@kibble/core';
import { dualDay, type DualGround } from '../../core/tests/dualBalance.ts';
import { BEDS, caseOf, countedDays, METHODS, NAMES, SITE, SOILS, WEATHERS } from './bandCases.ts';

/**
 * What the plan loses by FAO-56's dual-coefficient balance of one root zone: a second opinion on every case, with nothing of the engine but the plant's calendar, the soil's constants
 * and the waterings. Growth is transpiration weighed by the yield response of its stage; what it would also lose by giving back
 * each day what the day before took is not counted.
 */

function groundOf(textureClass: TextureClass): DualGround {
  const profile = soilProfile({ horizons: [{ textureClass }] });
  return {
    fieldCapacity: (profile.fieldCapacityMm[0] ?? 0) / LAYER_MM,
    wiltingPoint: (profile.wiltingPointMm[0] ?? 0) / LAYER_MM,
    readilyEvaporableMm: profile.readilyEvaporableMm,
  };
}

/**
 * Growth lost over the days, a share of the growth wanted.
 * @param rootsAt where in the range of its crop the roots end: 0 shallow, 0.5 middle
 * @param water mm over the bed on each day
 */
function lostShare(
  bed: PlanBed,
  days: readonly SourcedDay[],
  {
    weather,
    rootsAt,
    water,
  }: { weather: keyof typeof WEATHERS; rootsAt: number; water: ReadonlyMap<string, number> },
): number {
  const [planting] = bed.bed.plantings;
  if (!planting) throw new Error('every case has a planting');
  const ground = groundOf(bed.bed.ground.horizons[0]?.textureClass ?? 'loam');
  const fw = wettedFractionOf(bed.delivery);
  const drips = bed.delivery.method === 'drip' || bed.delivery.method === 'soaker hose';
  const { et0, rhMin, wind } = WEATHERS[weather];
  const response = yieldResponse(cropOf(planting));
  const climate = 0.04 * (Math.min(6, Math.max(1, wind)) - 2) - 0.004 * (rhMin - 45);
  let state = { dr: 0, de: 0 };
  let wanted = 0;
  let missed = 0;
  for (const { date } of days) {
    const plant = plantOnDay({ ...planting, rootsAt }, date);
    if (!plant) continue;
    const today = dualDay(state, ground, { plant, et0, climate, water: water.get(date) ?? 0, fw, drips });
    state = today;
    wanted += response[plant.stage] * today.wanted;
    missed += response[plant.stage] * (today.wanted - today.transpiration);
  }
  return wanted > 0 ? missed / wanted : 0;
}

/** What waterings bring into the ground, mm over the bed, by day. */
const enters = (waterings: readonly PlannedWatering[]): Map<string, number> =>
  new Map(waterings.map(({ date, run }) => [date, run.arrivesMm - run.leavesMm]));

const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

const WAYS = ['asked every day', 'on the round days that a plan proposes'] as const;
const lost = WAYS.map(() => ({ middle: [] as number[], shallow: [] as number[] }));
const worst: { name: string; share: number }[] = [];
for (const [cropId, plantedOn] of BEDS)
  for (const soil of SOILS)
    for (const way of METHODS)
      for (const weather of NAMES) {
        const { bed, days } = caseOf({ cropId, plantedOn }, soil, way, weather);
        const [, last] = countedDays(cropId, plantedOn);
        const season = { site: SITE, bed, weather: days, to: last };
        const upTo = days.filter(({ date }) => date <= last);
        const daily = enters(followSeason({ ...season, bed: { ...bed, school: 'little and often' } }));
        const plans: PlannedWatering[][] = [followSeason(season), followRounds(season).waterings];
        for (const [i, waterings] of plans.entries()) {
          const water = enters(waterings);
          for (const [roots, rootsAt] of [
            ['middle', 0.5],
            ['shallow', 0],
          ] as const) {
            const options = { weather, rootsAt };
            const share = Math.max(
              0,
              lostShare(bed, upTo, { ...options, water }) -
                lostShare(bed, upTo, { ...options, water: daily }),
            );
            lost[i]?.[roots].push(share);
            if (i === 1 && roots === 'middle')
              worst.push({ name: `${cropId}, ${soil}, ${way.name}, ${weather}`, share });
          }
        }
      }

console.log(
  'Growth lost over the season by FAO-56’s own dual balance of the cases. Asked, with middle roots: median to 0.5 %, nine in ten to 2.5 %; with shallow ones at most a third over 3 %.',
);
console.log('| Watered | Roots | Median | Nine in ten | Over 3 % |');
console.log('| --- | --- | ---: | ---: | ---: |');
for (const [i, name] of WAYS.entries())
  for (const roots of ['middle', 'shallow'] as const) {
    const sorted = [...(lost[i]?.[roots] ?? [])].sort((a, b) => a - b);
    const over = sorted.filter((share) => share > 0.03).length;
    console.log(
      `| ${name} | ${roots} | ${percent(quantile(sorted, 0.5))} | ${percent(quantile(sorted, 0.9))} | ${over} of ${sorted.length} |`,
    );
  }
console.log('Worst with middle roots on the proposed round days:');
for (const { name, share } of worst.sort((a, b) => b.share - a.share).slice(0, 12))
  console.log(`  ${name}: ${percent(share)}`);
