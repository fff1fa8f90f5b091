import type { CropEntry, StageName } from '../plants/types.ts';
import { FIXED_WEEK_MM } from '../plan/fixedWeek.ts';

/** Ways of deciding when and how much, over the same balance. */
export const SCHOOLS = [
  'deep and seldom',
  'even',
  'little and often',
  'hold to the first wilt',
  'dry-grown',
  'establish',
  'soak and dry',
  'fixed week',
] as const;
export type SchoolId = (typeof SCHOOLS)[number];

/** A school as a rule: when it waters, how much, in what rhythm, and when it stops. All figures are common practice turned into numbers by judgement. */
export interface School {
  id: SchoolId;
  /** One sentence for the gardener. */
  words: string;
  /** What to mind with it. */
  warning?: string;
  /** Depletion at a day's end above which it waters that morning, mm, from what can be spared and what is held. */
  threshold: (readilyMm: number, totalMm: number) => number;
  /** Share of what is missing that it gives back. */
  refill: number;
  /** Least depth it carries water for, mm. */
  leastMm: number;
  /** Waters every so many days whatever the balance says, this depth less the rain since. */
  rhythm?: { days: number; mm: number };
  /** Spreads a day's water over so many short runs, minutes apart. */
  pulses?: { count: number; apartMinutes: number };
  /** Gives nothing from this stage on. */
  stopsAt?: StageName;
  /** Whether it may be chosen for a crop. */
  suits: (crop: CropEntry) => boolean;
}

const everyCrop = (): boolean => true;
const LEAST_MM = 4;
/** The even school waters at this share of what can be spared. Judgement: half the swing. */
const EVEN_SHARE = 0.55;
/** New roots reach little of the ground: they are watered at this share. Judgement. */
const ESTABLISH_SHARE = 0.5;
/** First wilt is read halfway between the line and the wilting point: FAO-56's Ks is then one half. Judgement. */
const WILT_SHARE = 0.5;
/** A succulent's ground dries right out. Judgement. */
const DRY_SHARE = 0.95;
/** A day's pulses are worth carrying from this depth. Judgement. */
const PULSE_LEAST_MM = 2;

const wilts = (readily: number, total: number): number => readily + WILT_SHARE * (total - readily);
/** Crops and stages that are never held to wilting: the engine's hard block. Common practice. */
const bearsWilting = (crop: CropEntry): boolean => !crop.traits.leafyGreen && !crop.traits.boltsWhenDry;

const RULES: Readonly<Record<SchoolId, Omit<School, 'id'>>> = {
  'deep and seldom': {
    words: 'Waits to the refill line, then fills the root zone: roots go down, air comes in between.',
    threshold: (readily) => readily,
    refill: 1,
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  even: {
    words:
      'Waters at half the swing, so that the supply stays level: for fruit that splits or rots and greens that bolt.',
    threshold: (readily) => EVEN_SHARE * readily,
    refill: 1,
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  'little and often': {
    words: 'Gives back each day what the day before took, in several short runs by a timer.',
    warning:
      'Needs a timer. The damp spots take one to three weeks to join: look on days 7, 14 and 21. Roots stay shallow.',
    threshold: () => 0,
    refill: 1,
    leastMm: PULSE_LEAST_MM,
    // Common practice: four short runs a day; two hours apart is a judgement.
    pulses: { count: 4, apartMinutes: 120 },
    suits: everyCrop,
  },
  'hold to the first wilt': {
    words: 'Waits until the plants begin to hang: saves most water, and growth.',
    warning: 'Not for leafy crops, young plants, or show. A droop that lifts by evening is heat, not thirst.',
    threshold: wilts,
    refill: 1,
    leastMm: LEAST_MM,
    suits: bearsWilting,
  },
  'dry-grown': {
    words:
      'A deep start, then only on the brink of wilting, and nothing after the first ripe fruit: less fruit, more flavour.',
    warning: 'Lower yield, and rain spoils it: best under cover or in dry summers.',
    threshold: wilts,
    refill: 1,
    leastMm: LEAST_MM,
    stopsAt: 'ripening',
    suits: (crop) => crop.toughening === 'tomato',
  },
  establish: {
    words: 'Keeps the ground round new roots moist until they have gone out into it.',
    threshold: (readily) => ESTABLISH_SHARE * readily,
    refill: 1,
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  'soak and dry': {
    words: 'Soaks it, then lets it dry right out before the next.',
    threshold: (_readily, total) => DRY_SHARE * total,
    refill: 1,
    leastMm: LEAST_MM,
    suits: (crop) => crop.group === 'cacti and succulents',
  },
  'fixed week': {
    words: 'An inch a week less rain, whatever the soil: the yardstick the others are held against.',
    warning: 'Knows neither soil nor weather. Here for comparison.',
    threshold: () => Number.POSITIVE_INFINITY,
    refill: 1,
    leastMm: 1,
    rhythm: { days: 7, mm: FIXED_WEEK_MM },
    suits: everyCrop,
  },
};

export const schoolOf = (id: SchoolId): School => ({ id, ...RULES[id] });

export type SchoolReason =
  | 'a succulent dries out between'
  | 'not yet rooted'
  | 'its fruit splits or rots when supply swings'
  | 'it runs to seed when it goes dry'
  | 'roots go down when it may dry between';

/** Stages in which a crop's fruit suffers from swings. */
const FRUITING: ReadonlySet<StageName> = new Set(['in full leaf', 'ripening']);

/** The school a planting gets when nobody chose one, and why. Source: common practice. */
export function defaultSchool(
  crop: CropEntry,
  stage: StageName | null,
): { id: SchoolId; reason: SchoolReason } {
  if (crop.group === 'cacti and succulents')
    return { id: 'soak and dry', reason: 'a succulent dries out between' };
  if (stage === 'establishing') return { id: 'establish', reason: 'not yet rooted' };
  if (crop.traits.boltsWhenDry) return { id: 'even', reason: 'it runs to seed when it goes dry' };
  if ((crop.traits.splits || crop.traits.blossomEndRot) && stage !== null && FRUITING.has(stage))
    return { id: 'even', reason: 'its fruit splits or rots when supply swings' };
  return { id: 'deep and seldom', reason: 'roots go down when it may dry between' };
}
