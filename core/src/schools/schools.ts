import type { CropEntry, StageName } from '../plants/types.ts';
import { worked, named, leaf, type Working } from '../working/types.ts';
import { FIXED_WEEK_MM } from './fixedWeek.ts';

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

/** Gone at a day's end beyond which a school waters that morning: a share of what can be spared, or of all that is held, or on the way from the one to the other. */
export type Line = { ofSpare: number } | { pastSpare: number } | { ofHeld: number };

/** A school as a rule: when it waters, how much, in what rhythm, and when it stops. All figures are common practice turned into numbers by judgement. */
export interface School {
  id: SchoolId;
  /** One sentence for the gardener. */
  words: string;
  /** What to mind with it. */
  warning?: string;
  /** Where its line lies; without one the balance never makes it water. */
  line: Line | null;
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

/** Crops and stages that are never held to wilting: the engine's hard block. Common practice. */
const bearsWilting = (crop: CropEntry): boolean => !crop.traits.leafyGreen && !crop.traits.boltsWhenDry;

const RULES: Readonly<Record<SchoolId, Omit<School, 'id'>>> = {
  'deep and seldom': {
    words: 'Waits to the refill line, then fills the root zone: roots go down, air comes in between.',
    line: { ofSpare: 1 },
    refill: 1,
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  even: {
    words:
      'Waters at half the swing, so that the supply stays level: for fruit that splits or rots and greens that bolt.',
    line: { ofSpare: EVEN_SHARE },
    refill: 1,
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  'little and often': {
    words: 'Gives back each day what the day before took, in several short runs by a timer.',
    warning:
      'Needs a timer. The damp spots take one to three weeks to join: look on days 7, 14 and 21. Roots stay shallow.',
    line: { ofSpare: 0 },
    refill: 1,
    leastMm: PULSE_LEAST_MM,
    // Common practice: four short runs a day; two hours apart is a judgement.
    pulses: { count: 4, apartMinutes: 120 },
    suits: everyCrop,
  },
  'hold to the first wilt': {
    words: 'Waits until the plants begin to hang: saves most water, and growth.',
    warning: 'Not for leafy crops, young plants, or show. A droop that lifts by evening is heat, not thirst.',
    line: { pastSpare: WILT_SHARE },
    refill: 1,
    leastMm: LEAST_MM,
    suits: bearsWilting,
  },
  'dry-grown': {
    words:
      'A deep start, then only on the brink of wilting, and nothing after the first ripe fruit: less fruit, more flavour.',
    warning: 'Lower yield, and rain spoils it: best under cover or in dry summers.',
    line: { pastSpare: WILT_SHARE },
    refill: 1,
    leastMm: LEAST_MM,
    stopsAt: 'ripening',
    suits: (crop) => crop.toughening === 'tomato',
  },
  establish: {
    words: 'Keeps the ground round new roots moist until they have gone out into it.',
    line: { ofSpare: ESTABLISH_SHARE },
    refill: 1,
    leastMm: LEAST_MM,
    suits: everyCrop,
  },
  'soak and dry': {
    words: 'Soaks it, then lets it dry right out before the next.',
    line: { ofHeld: DRY_SHARE },
    refill: 1,
    leastMm: LEAST_MM,
    suits: (crop) => crop.group === 'cacti and succulents',
  },
  'fixed week': {
    words: 'An inch a week less rain, whatever the soil: the yardstick the others are held against.',
    warning: 'Knows neither soil nor weather. Here for comparison.',
    line: null,
    refill: 1,
    leastMm: 1,
    rhythm: { days: 7, mm: FIXED_WEEK_MM },
    suits: everyCrop,
  },
};

/** Gone at a day's end above which a school waters that morning, in the unit of what can be spared and what is held. */
export function thresholdOf({ line }: School, spare: number, held: number): number {
  if (line === null) return Number.POSITIVE_INFINITY;
  if ('ofSpare' in line) return line.ofSpare * spare;
  if ('ofHeld' in line) return line.ofHeld * held;
  return spare + line.pastSpare * (held - spare);
}

const asShare = (share: number): Working =>
  leaf('Share', share, '', { kind: 'assumed', why: 'how this way of watering is read; a judgement' });

/** The working of a school's line. @param spare working of what can be spared; `heldMm` what is held */
export function explainLine(school: School, spare: Working, heldMm: number): Working | null {
  const { line } = school;
  if (line === null) return null;
  const value = thresholdOf(school, spare.value, heldMm);
  const tree = (formula: string, inputs: Working[]): Working =>
    named('line', worked('It waters when more is gone than', value, 'mm', formula, inputs));
  if ('ofSpare' in line)
    return line.ofSpare === 1
      ? tree('what can be spared', [spare])
      : tree(`what can be spared × the share at which “${school.id}” waters`, [spare, asShare(line.ofSpare)]);
  const held = leaf('It can hold', heldMm, 'mm', { kind: 'worked out' });
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
  { stage, rooted }: { stage: StageName | null; rooted: boolean },
): { id: SchoolId; reason: SchoolReason } {
  if (crop.group === 'cacti and succulents')
    return { id: 'soak and dry', reason: 'a succulent dries out between' };
  if (!rooted) return { id: 'establish', reason: 'not yet rooted' };
  if (crop.traits.boltsWhenDry) return { id: 'even', reason: 'it runs to seed when it goes dry' };
  if ((crop.traits.splits || crop.traits.blossomEndRot) && stage !== null && FRUITING.has(stage))
    return { id: 'even', reason: 'its fruit splits or rots when supply swings' };
  return { id: 'deep and seldom', reason: 'roots go down when it may dry between' };
}
