import type { Reading, ReadingKind, Read } from './entries.ts';
import type { KnownDraft } from './knownDraft.ts';

/** Something possible but odd enough to ask again before it is kept. */
export interface Oddity {
  code:
    | 'more than a garden tap'
    | 'hardly a trickle'
    | 'heavier than a downpour'
    | 'most of the jar is one layer'
    | 'drains like a sieve'
    | 'does not drain'
    | 'lines serve another area'
    | 'more than the tap gives'
    | 'cans caught more than was sent'
    | 'very steep'
    | 'deeper than any watering';
  value: number;
  /** What is usual, in the same unit. */
  usual: number;
  unit: string;
}

/** What a reading is held against: the bed's area, its tap's and its line's flow, where known. */
export interface OddContext {
  areaM2?: number;
  supplyLitresPerMinute?: number;
  litresPerMinute?: number;
}

/** An oddity where there is one. */
export const oddIf = (
  odd: boolean,
  code: Oddity['code'],
  value: number,
  usual: number,
  unit: string,
): Oddity[] => (odd ? [{ code, value, usual, unit }] : []);

export interface ReadingFacts {
  label: string;
  about: 'ground' | 'water';
  /** About how long it takes, min; waiting not counted. Judgement. */
  minutes: number;
  /** Days after which it is asked for again; absent when age alone does not spoil it. Judgement. */
  goodForDays?: number;
  /** Compost and the like change what it measured. */
  spoiledByAmendment?: boolean;
  /** A new nozzle, pressure, height or number of beds changes what it measured. */
  spoiledByChange?: boolean;
  /** Holds only for the way of watering it was done with. */
  ofMethod?: boolean;
  /** Holds for every bed on the same ground. */
  ofGround?: boolean;
}

/** One kind of reading: its facts, what is odd about one, and what it does to what is known of a bed. */
export interface ReadingRule<K extends ReadingKind> {
  kind: K;
  facts: ReadingFacts;
  /** Which of a bed's several the reading is: of the top or below, of which figure. */
  part?: (reading: Extract<Reading, { kind: K }>) => string;
  /** @throws RangeError when the reading itself is impossible */
  odd?: (reading: Extract<Reading, { kind: K }>, context: OddContext) => Oddity[];
  /** Called with the latest reading of its kind and part that counts. */
  tell: (reading: Read<K>, known: KnownDraft) => void;
}

export const YEAR = 365;
export const SEASON = 150;
