import type { CropEntry } from '../plants/types.ts';
import { TEXTURES } from '../soil/soils.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { METHOD_FACTS, METHODS, type Method } from './methods.ts';

export interface MethodAdvice {
  method: Method;
  /** 0–100; only the order means anything. */
  score: number;
  /** For and against, in the order they weigh. */
  reasons: { good: boolean; text: string; weight: number }[];
  /** Litres through the tap for each litre the plants' ground keeps. */
  litresPerUsefulLitre: number;
  /** Weeding it brings, 0–1. */
  weeding: number;
  wetsLeaves: boolean;
}

export interface MethodQuestion {
  textureClass: TextureClass;
  crop: CropEntry;
  /** Sown broadcast or in close rows, so that wet spots would leave gaps. */
  closeSown?: boolean;
  waterShort?: boolean;
  windy?: boolean;
  areaM2: number;
}

interface Rule {
  text: string;
  /** Points for a method, or 0 when the rule does not bear on it. */
  points: (method: Method, q: MethodQuestion) => number;
}

/** Percent of sand from which water falls straight down and drip spots stay narrow. Judgement. */
const SANDY_PCT = 75;
/** Spacing under which emitters leave gaps, mm. Common practice: 30 cm emitters are too far apart for close sowings. */
const CLOSE_MM = 80;
/** Area one person carries cans to. Judgement. */
const CAN_AREA_M2 = 12;

const close = (q: MethodQuestion): boolean => q.closeSown ?? q.crop.spacing.inRowMm < CLOSE_MM;
const sandy = (q: MethodQuestion): boolean => TEXTURES[q.textureClass].sandPct >= SANDY_PCT;
const facts = (method: Method) => METHOD_FACTS[method];
const spots = (method: Method): boolean => facts(method).wettedFraction <= 0.6;

/** What growers weigh, each as points for or against. Common practice; the points are judgements. */
const RULES: readonly Rule[] = [
  {
    text: 'wet leaves make this crop ill',
    points: (m, q) => (q.crop.traits.foliageDiseaseProne && facts(m).overhead ? -30 : 0),
  },
  {
    text: 'keeps the leaves dry',
    points: (m, q) => (q.crop.traits.foliageDiseaseProne && !facts(m).overhead ? 10 : 0),
  },
  { text: 'leaves gaps between close rows', points: (m, q) => (close(q) && spots(m) ? -30 : 0) },
  {
    text: 'wets close sowings evenly',
    points: (m, q) => (close(q) && facts(m).wettedFraction >= 0.9 ? 15 : 0),
  },
  { text: 'on sand its wet spots stay narrow', points: (m, q) => (sandy(q) && spots(m) ? -12 : 0) },
  { text: 'on sand it reaches all the roots', points: (m, q) => (sandy(q) && m === 'micro-spray' ? 15 : 0) },
  {
    text: 'slow enough for heavy ground',
    points: (m, q) => (TEXTURES[q.textureClass].basicInfiltrationMmPerHour <= 8 && facts(m).slow ? 12 : 0),
  },
  { text: 'loses least on the way', points: (m, q) => (q.waterShort ? 60 * (facts(m).efficiency - 0.8) : 0) },
  { text: 'waters the paths and the weeds too', points: (m) => -10 * facts(m).weeds },
  { text: 'blown about by wind', points: (m, q) => (q.windy ? -25 * facts(m).exposure : 0) },
  { text: 'takes somebody’s time, but shows every plant', points: (m) => (facts(m).byHand ? -6 : 0) },
  {
    text: 'too much to carry for this area',
    points: (m, q) => ((m === 'watering can' || m === 'slow bucket') && q.areaM2 > CAN_AREA_M2 ? -30 : 0),
  },
  {
    text: 'made for trees and shrubs',
    points: (m, q) => (m === 'bubbler' || m === 'slow bucket' ? (q.crop.cycle === 'annual' ? -20 : 15) : 0),
  },
  {
    text: 'a few minutes of it wet only a film under leafy bushes',
    points: (m, q) => (m === 'sprinkler' && q.crop.heightM > 0.8 ? -12 : 0),
  },
];
const START = 60;
/** Points below which a reason still counts but is not worth a line. Judgement. */
const TOLD_FROM = 4;

/**
 * Ways of watering a bed, best first, with what speaks for and against each.
 * Source: the rules are common practice; their points are judgements.
 */
export function adviseMethod(question: MethodQuestion): MethodAdvice[] {
  return METHODS.map((method): MethodAdvice => {
    const all = RULES.map(({ text, points }) => ({ text, weight: points(method, question) }));
    const reasons = all
      .filter((r) => Math.abs(r.weight) >= TOLD_FROM)
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight))
      .map((r) => ({ good: r.weight > 0, ...r }));
    const score = all.reduce((sum, r) => sum + r.weight, START);
    return {
      method,
      score: Math.min(100, Math.max(0, score)),
      reasons,
      litresPerUsefulLitre: 1 / facts(method).efficiency,
      weeding: facts(method).weeds,
      wetsLeaves: facts(method).overhead,
    };
  }).sort((a, b) => b.score - a.score);
}
