import { wettedFractionOf } from '../delivery/runPlan.ts';
import { METHOD_FACTS } from '../delivery/methods.ts';
import { planGarden } from '../plan/planGarden.ts';
import type { PlanBed } from '../follow/types.ts';
import type { BedInput } from '../places/ground/bedModel.ts';
import { TEXTURE_CLASSES, type TextureClass } from '../soil/textureClass.ts';
import { soilOfClass } from '../soil/soils.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import type { Known } from '../working/known.ts';
import type { Provenance } from '../working/types.ts';

/** What may be assumed about a bed, and so could be measured. */
export const ASSUMABLE = ['flow', 'texture', 'evenness', 'wetted share', 'wetness at the start'] as const;
export type Assumable = (typeof ASSUMABLE)[number];

/** The tests that can be recommended. */
export const QUICK_TESTS = ['bucket', 'feel', 'cans', 'spread', 'look'] as const;
export type QuickTest = (typeof QUICK_TESTS)[number];

interface Question {
  /** The test that would settle it, and about how long it takes, min. */
  test: QuickTest;
  minutes: number;
  /** The bed at the low and the high end of what is plausible. Ranges are judgements, named beside each. */
  ends: (bed: PlanBed) => [PlanBed, PlanBed];
  /** The gardener runs the minutes on the card, so what flows is not what was planned. */
  byTheClock?: boolean;
}

const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** Textures in the order of what they hold; a guess by eye may be off by two of them. */
const BY_STORE: TextureClass[] = [...TEXTURE_CLASSES].sort((a, b) => {
  const held = (t: TextureClass): number => soilOfClass(t).fieldCapacity - soilOfClass(t).wiltingPoint;
  return held(a) - held(b);
});
const TEXTURE_STEPS = 2;

function onTexture(bed: BedInput, step: number): BedInput {
  const [top, ...rest] = bed.ground.horizons;
  if (!top) return bed;
  const at = BY_STORE.indexOf(top.textureClass);
  const textureClass = BY_STORE[clamp(at + step, 0, BY_STORE.length - 1)] ?? top.textureClass;
  const horizons = [{ ...top, textureClass, sandPct: undefined, clayPct: undefined }, ...rest];
  return { ...bed, ground: { ...bed.ground, horizons } };
}

/** Another soil was another soil all along. */
const withTexture = (bed: PlanBed, step: number): PlanBed => ({
  ...bed,
  bed: onTexture(bed.bed, step),
  earlier: bed.earlier?.map((before) => ({ ...before, bed: onTexture(before.bed, step) })),
});

const withDelivery = (bed: PlanBed, change: Partial<PlanBed['delivery']>): PlanBed => ({
  ...bed,
  delivery: { ...bed.delivery, ...change },
});

const QUESTIONS: Readonly<Record<Assumable, Question>> = {
  // Taps give from 60 to 150 % of what people guess.
  flow: {
    test: 'bucket',
    minutes: 10,
    byTheClock: true,
    ends: (b) => [
      withDelivery(b, { litresPerMinute: 0.6 * b.delivery.litresPerMinute }),
      withDelivery(b, { litresPerMinute: 1.5 * b.delivery.litresPerMinute }),
    ],
  },
  texture: {
    test: 'feel',
    minutes: 10,
    ends: (b) => [withTexture(b, -TEXTURE_STEPS), withTexture(b, TEXTURE_STEPS)],
  },
  // Low-quarter evenness of garden sprinklers and hoses, 0.55–0.85.
  evenness: {
    test: 'cans',
    minutes: 40,
    ends: (b) => [
      withDelivery(b, { lowQuarterUniformity: 0.85 }),
      withDelivery(b, { lowQuarterUniformity: 0.55 }),
    ],
  },
  // Water spreads from a line by 40 % more or less than usual.
  'wetted share': {
    test: 'spread',
    minutes: 20,
    ends: (b) => [
      withDelivery(b, { wettedFraction: clamp(0.7 * wettedFractionOf(b.delivery), 0.05, 1) }),
      withDelivery(b, { wettedFraction: clamp(1.3 * wettedFractionOf(b.delivery), 0.05, 1) }),
    ],
  },
  'wetness at the start': {
    test: 'look',
    minutes: 5,
    ends: (b) => [
      { ...b, startFullness: clamp(b.startFullness + 0.35, 0, 1) },
      { ...b, startFullness: clamp(b.startFullness - 0.35, 0, 1) },
    ],
  },
};

export interface TestWorth {
  assumed: Assumable;
  test: QuickTest;
  minutes: number;
  /** The fortnight's litres at the two ends of what is plausible. */
  litresLow: number;
  litresHigh: number;
  /** How far the next date moves between the ends, days. */
  dateShiftDays: number;
}

export interface NextBestTest {
  /** Most telling first. */
  ranking: TestWorth[];
  /** The fortnight's litres as planned, and their range with all assumptions open. */
  litres: number;
  now: { low: number; high: number };
  /** The range when the first test has been done. */
  after: { low: number; high: number };
}

/** Days the next date moves count like this share of the fortnight's litres. Judgement: a date off by three days is as bad as a third. */
const DAY_WEIGHT = 0.1;

/**
 * Which short measurement would narrow the next fortnight most: each assumed input is set to both ends of its plausible
 * range, the rest as it is. Independent doubts add as squares.
 * @param options the bed, what of it is assumed, site, weather reaching two weeks past `today`
 * @returns the ranking and the ranges, or `null` when nothing is assumed
 */
export function nextBestTest(options: {
  bed: PlanBed;
  assumed: readonly Assumable[];
  site: Site;
  weather: readonly SourcedDay[];
  today: IsoDate;
}): NextBestTest | null {
  const { bed, assumed, site, weather, today } = options;
  if (assumed.length === 0) return null;
  const outcome = (b: PlanBed): { litres: number; minutes: number; next: IsoDate } => {
    const plan = planGarden({ site, beds: [b] }, weather, {}, { today, members: 0 });
    return {
      litres: plan.waterings.reduce((sum, w) => sum + w.run.litres, 0),
      minutes: plan.waterings.reduce((sum, w) => sum + w.run.minutes, 0),
      next: plan.waterings[0]?.date ?? addDays(today, 14),
    };
  };
  const base = outcome(bed);
  const ranking = assumed
    .map((name): TestWorth & { worth: number } => {
      const question = QUESTIONS[name];
      const ends = question.ends(bed).map((end) => {
        if (!question.byTheClock) return outcome(end);
        return { ...base, litres: base.minutes * end.delivery.litresPerMinute };
      });
      const litres = [base.litres, ...ends.map((e) => e.litres)];
      const dates = [base.next, ...ends.map((e) => e.next)].sort();
      const litresLow = Math.min(...litres);
      const litresHigh = Math.max(...litres);
      const dateShiftDays = daysBetween(dates[0] ?? today, dates.at(-1) ?? today);
      const worth = (litresHigh - litresLow) / Math.max(1, base.litres) + DAY_WEIGHT * dateShiftDays;
      return {
        assumed: name,
        test: question.test,
        minutes: question.minutes,
        litresLow,
        litresHigh,
        dateShiftDays,
        worth,
      };
    })
    .sort((a, b) => b.worth - a.worth);
  const range = (open: readonly TestWorth[]): { low: number; high: number } => ({
    low: Math.max(0, base.litres - Math.hypot(...open.map((t) => base.litres - t.litresLow))),
    high: base.litres + Math.hypot(...open.map((t) => t.litresHigh - base.litres)),
  });
  return {
    ranking: ranking.map(({ worth: _worth, ...test }) => test),
    litres: base.litres,
    now: range(ranking),
    after: range(ranking.slice(1)),
  };
}

/** What of a bed still rests on usual figures, or on a test gone stale. */
export function assumedOf(delivery: PlanBed['delivery'], known: Known): Assumable[] {
  const open = (provenance: Provenance | undefined): boolean =>
    provenance === undefined ||
    provenance.kind === 'assumed' ||
    (provenance.kind === 'measured' && provenance.stale !== undefined);
  const list: Assumable[] = [];
  if (open(known.flow)) list.push('flow');
  if (open(known.soil)) list.push('texture');
  if (open(known.evenness) && METHOD_FACTS[delivery.method].overhead) list.push('evenness');
  if (open(known.wettedFraction) && wettedFractionOf(delivery) < 1) list.push('wetted share');
  return list;
}
