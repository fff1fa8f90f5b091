import type { CropEntry, StageName } from '../plants/types.ts';
import { RING_FORTNIGHT_MM, RING_MONTH_MM } from '../plants/ringDoses.ts';
import { isWoody } from '../plants/woody.ts';
import { worked, named, leaf, type Working } from '../working/types.ts';
import { FIXED_WEEK_MM } from './fixedWeek.ts';

/** Ways of deciding when and how much, over the same balance. */
export const SCHOOLS = [
  'as seldom as it can',
  'little and often',
  'two fills a day',
  'hold to the first wilt',
  'dry-grown',
  'soak and dry',
  'fixed week',
  'every second week',
  'once a month',
] as const;
export type SchoolId = (typeof SCHOOLS)[number];

/**
 * When a school waters: as soon as waiting for the next round would cost more growth than the goal allows; or when more is
 * gone at a day's end than a share of what is held, or of the way from what can be spared to that. `daily` gives back each day's.
 */
export type Line = 'growth' | 'daily' | { pastSpare: number } | { ofHeld: number };

/** A school as a rule: when it waters, how much, in what rhythm, and when it stops. All figures are common practice turned into numbers by judgement. */
export interface School {
  id: SchoolId;
  /** One sentence for the gardener. */
  words: string;
  /** What to mind with it. */
  warning?: string;
  /** Where its line lies; without one the balance never makes it water. */
  line: Line | null;
  /** Least depth it carries water for, mm. */
  leastMm: number;
  /** Waters every so many days whatever the balance says, this depth less the rain since. */
  rhythm?: { days: number; mm: number; onRing?: true };
  /** Spreads a day's water over so many short runs, minutes apart. */
  pulses?: { count: number; apartMinutes: number };
  /** Lets the ground stand dry for the days of its kind (`dryDaysOf`), and for longer while that rests. */
  staysDry?: true;
  /** Gives nothing from this stage on. */
  stopsAt?: StageName;
  /** Whether it may be chosen for a crop. */
  suits: (crop: CropEntry) => boolean;
  /** Only for what is filled a few times a day and drips on by itself. */
  byFills?: true;
}

const everyCrop = (): boolean => true;
const LEAST_MM = 4;
/** First wilt is read halfway between the line and the wilting point: FAO-56's Ks is then one half. Judgement. */
const WILT_SHARE = 0.5;
/** A succulent's ground dries right out. Judgement. */
const DRY_SHARE = 0.95;
/** A day's pulses are worth carrying from this depth. Judgement. */
const PULSE_LEAST_MM = 2;

/** Crops and stages that are never held to wilting: the engine's hard block. Common practice. */
const bearsWilting = (crop: CropEntry): boolean => !crop.traits.leafyGreen && !crop.traits.boltsWhenDry;

const RULES: Readonly<Record<SchoolId, Omit<School, 'id'>>> = {
  'as seldom as it can': {
    words:
      'Waits as long as its goal allows, then fills the root zone: few rounds, deep roots, air in between.',
    line: 'growth',
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  'little and often': {
    words: 'Gives back each day what the day before took, in several short runs by a timer.',
    warning:
      'Needs a timer. The damp spots take one to three weeks to join: look on days 7, 14 and 21. Roots stay shallow.',
    line: 'daily',
    leastMm: PULSE_LEAST_MM,
    // Common practice: four short runs a day; two hours apart is a judgement.
    pulses: { count: 4, apartMinutes: 120 },
    suits: everyCrop,
  },
  'two fills a day': {
    words:
      'Gives back each day what the day before took: one fill in the morning, one in the evening, and none after rain.',
    warning: 'A small kit gives a small bed its water. What two fills cannot give, it goes without.',
    line: 'daily',
    leastMm: PULSE_LEAST_MM,
    // Common practice: morning and evening; how far apart is a judgement.
    pulses: { count: 2, apartMinutes: 600 },
    suits: everyCrop,
    byFills: true,
  },
  'hold to the first wilt': {
    words: 'Waits until the plants start to wilt: saves the most water, and costs growth.',
    warning:
      'Not for leafy crops, young plants or plants grown for show. Plants that wilt at midday and recover by the evening are hot, not dry.',
    line: { pastSpare: WILT_SHARE },
    leastMm: LEAST_MM,
    suits: bearsWilting,
  },
  'dry-grown': {
    words:
      'A deep start, then only on the brink of wilting, and nothing after the first ripe fruit: less fruit, more flavour.',
    warning: 'Lower yield, and rain spoils it: best under cover or in dry summers.',
    line: { pastSpare: WILT_SHARE },
    leastMm: LEAST_MM,
    stopsAt: 'ripening',
    suits: (crop) => crop.toughening === 'tomato',
  },
  'soak and dry': {
    words: 'Soaks it, then lets it dry right out and stand dry for days before the next.',
    line: { ofHeld: DRY_SHARE },
    staysDry: true,
    leastMm: LEAST_MM,
    suits: (crop) => crop.group === 'cacti and succulents',
  },
  'fixed week': {
    words: 'The same depth every week less rain, whatever the soil. The other ways are compared with it.',
    warning: 'Knows neither soil nor weather. Here for comparison.',
    line: null,
    leastMm: 1,
    rhythm: { days: 7, mm: FIXED_WEEK_MM },
    suits: everyCrop,
  },
  'every second week': {
    words: 'Where water is short: one soak of the ring every second week, less rain. A rule of thumb.',
    warning: 'It knows neither soil nor weather; in great heat the tree uses more.',
    line: null,
    leastMm: 5,
    rhythm: { days: 14, mm: RING_FORTNIGHT_MM, onRing: true },
    suits: isWoody,
  },
  'once a month': {
    words: 'Where water is very short: one soak of the ring each month, less rain. A rule of thumb.',
    warning: 'For established trees only: it leaves more days between soaks than are safe in hot, dry wind.',
    line: null,
    leastMm: 5,
    rhythm: { days: 30, mm: RING_MONTH_MM, onRing: true },
    suits: isWoody,
  },
};

/**
 * Gone at a day's end above which a school waters that morning, in the unit of what can be spared and what is held.
 * @param wiltedAt share of what is held that was gone when these very plants wilted; null where nobody has seen it
 */
export function thresholdOf(
  { line }: School,
  spare: number,
  held: number,
  wiltedAt: number | null = null,
): number {
  if (line === null || line === 'growth') return Number.POSITIVE_INFINITY;
  if (line === 'daily') return 0;
  if ('ofHeld' in line) return line.ofHeld * held;
  if (wiltedAt !== null) return wiltedAt * held;
  return spare + line.pastSpare * (held - spare);
}

const asShare = (share: number): Working =>
  leaf('Share', share, 'share', { kind: 'assumed', why: 'how this way of watering is read; a judgement' });

/** The working of a school's line. @param spare working of what can be spared; `heldMm` what is held; `wiltedAt` as in `thresholdOf` */
export function explainLine(
  school: School,
  spare: Working,
  heldMm: number,
  wiltedAt: number | null = null,
): Working | null {
  const { line } = school;
  if (line === null || line === 'growth') return null;
  const value = thresholdOf(school, spare.value, heldMm, wiltedAt);
  const tree = (formula: string, inputs: Working[]): Working =>
    named('line', worked('It waters when more is gone than', value, 'mm', formula, inputs));
  if (line === 'daily') return tree('each day gives back what the day before took', []);
  const held = leaf('It can hold', heldMm, 'mm', { kind: 'worked out' });
  if ('pastSpare' in line && wiltedAt !== null)
    return tree('what it can hold × the share that was gone when these plants wilted', [
      held,
      leaf('Gone when they wilted', wiltedAt, 'share', { kind: 'worked out' }),
    ]);
  return 'ofHeld' in line
    ? tree(`what it can hold × the share at which “${school.id}” waters`, [held, asShare(line.ofHeld)])
    : tree('what can be spared, and this share of what lies between that and wilting for good', [
        spare,
        held,
        asShare(line.pastSpare),
      ]);
}

export const schoolOf = (id: SchoolId): School => ({ id, ...RULES[id] });

export type SchoolReason =
  'a succulent dries out between' | 'a bucket kit holds only a little' | 'fewest rounds for what may be lost';

/** The school a planting gets when nobody chose one, and why. @param byFills its water is a few small fills a day. Source: common practice. */
export const defaultSchool = (crop: CropEntry, byFills = false): { id: SchoolId; reason: SchoolReason } =>
  crop.group === 'cacti and succulents'
    ? { id: 'soak and dry', reason: 'a succulent dries out between' }
    : byFills
      ? { id: 'two fills a day', reason: 'a bucket kit holds only a little' }
      : { id: 'as seldom as it can', reason: 'fewest rounds for what may be lost' };
