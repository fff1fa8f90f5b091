import { wettedWidthM } from '../../delivery/wettedStrip.ts';
import type { TextureClass } from '../../soil/textureClass.ts';
import { OutOfRange, positive } from '../../units/guard.ts';
import { LAYOUT_FACTS } from './layoutFacts.ts';
import { bandM2, lineM, MOST_BUCKETS, type LayoutId, type TreeFacts } from './treeFacts.ts';

/** Emitters and drip points lie so far apart along a line, m; turns of a spiral from one another. Common practice. */
const EMITTER_EVERY_M = 0.5;
const TUBE_EVERY_M = 0.3;
const TURN_EVERY_M = 0.45;
/** A micro-spray throws so far, m. Common practice. */
const THROW_M = 1;
/** A trickle, L/min. Judgement. */
const TRICKLE_LPM = 2;
/** Dry ground takes the first hour about so many times what it takes in the end (Green & Ampt). Judgement. */
const FIRST_HOUR = 3;
/** A person moves a hose so often at most, and at least so that all sides get some. Judgement. */
const FEWEST_STOPS = 3;
const MOST_STOPS = 6;
/** Ground is never so level that a hose wets more than this across from one spot, m. Judgement. */
const MOST_ACROSS_M = 3;
/** What a bucket holds, L: a 5 gallon one; and how long it runs. Common practice. */
export const USUAL_BUCKET_L = 19;
const EMPTIES_MINUTES = 30;
/** Water that a depth of half dry ground takes, share of it: buckets are counted by it where no litres are known. Judgement. */
const WATER_SHARE = 0.12;
/** What a basin holds when full, mm. Judgement. */
export const BASIN_MM = 100;

/** A spot of a layout, as it is walked: from the trunk, m, and round it, degrees clockwise from the top (of a hedge, metres along and the side). */
export interface Spot {
  number: number;
  radiusM: number;
  angleDeg: number;
  alongM?: number;
}

/** A layout as it lies about one plant. */
export interface Laid {
  by: LayoutId;
  pieces: number;
  /** Length of line, m; 0 where there is none. */
  lineM: number;
  /** What comes out at once about one plant, L/min. */
  litresPerMinute: number;
  /** Share of the watered ring that gets wet, 0.05–1. */
  wetShare: number;
  /** Across a wetted spot or strip, m. */
  wetAcrossM: number;
  /** What a basin holds to its rim, L. */
  holdsL?: number;
  spots: Spot[];
}

/**
 * A layout about one plant (or one hedge) on its soil.
 * @param tree as told; `open` the share of its ring that can be watered
 * @param ground its texture and what it takes in when wet, mm/h
 * @param litresPerMinute of the tap or hose, where that sets the flow; `litres` a plant gets, by which buckets are counted
 * @throws RangeError on a flow of 0, or more buckets than anybody carries
 * Source: geometry; a hose wets the ground that takes its flow (Q ÷ intake); wetted widths as `wettedWidthM`.
 */
export function layOut(
  tree: TreeFacts,
  open: number,
  ground: { textureClass: TextureClass; infiltrationMmPerHour: number },
  litresPerMinute: number,
  litres?: number,
): Laid {
  const { by, pieces, pieceLph, bucketL = USUAL_BUCKET_L, emptiesMinutes = EMPTIES_MINUTES } = tree.layout;
  const { innerM, outerM } = tree.ring;
  const facts = LAYOUT_FACTS[by];
  const flow = positive('litresPerMinute', litresPerMinute, 1000, 'L/min');
  const areaM2 = bandM2(tree, innerM, outerM) * open;
  const middleM = (innerM + outerM) / 2;
  const roundM = lineM(tree, middleM) * open;
  const across = wettedWidthM(ground.textureClass);
  const laid = (count: number, more: Partial<Laid>): Laid => ({
    by,
    pieces: count,
    lineM: 0,
    litresPerMinute: flow,
    wetAcrossM: across,
    ...more,
    wetShare: Math.min(1, Math.max(0.05, more.wetShare ?? 1)),
    spots: spotsOf(
      tree,
      by === 'emitters' || facts.moved || by === 'micro-sprays' ? count : 0,
      middleM,
      open,
    ),
  });
  const spot = (Math.PI / 4) * across ** 2;
  const dripped = (count: number, line: number): Laid =>
    laid(count, {
      lineM: line,
      litresPerMinute: (count * (pieceLph ?? facts.pieceLph ?? 1)) / 60,
      // Where spots run together they are a strip; of fewer pieces no more gets wet than their spots.
      wetShare: Math.min(line * across, count * spot) / areaM2,
    });
  switch (by) {
    case 'emitters': {
      const count = pieces ?? Math.max(2, Math.round(roundM / EMITTER_EVERY_M));
      return dripped(count, roundM);
    }
    case 'tube spiral': {
      const line = areaM2 / TURN_EVERY_M;
      return dripped(pieces ?? Math.max(2, Math.round(line / TUBE_EVERY_M)), line);
    }
    case 'soaker ring':
      // Circles one inside the other, as long as the one about the middle between them.
      return laid(pieces ?? 1, {
        lineM: (pieces ?? 1) * roundM,
        wetShare: ((pieces ?? 1) * roundM * across) / areaM2,
      });
    case 'micro-sprays': {
      const throwM2 = Math.PI * THROW_M ** 2;
      const count = pieces ?? Math.max(2, Math.round(areaM2 / throwM2));
      return laid(count, {
        litresPerMinute: (count * (pieceLph ?? facts.pieceLph ?? 1)) / 60,
        wetShare: (count * throwM2) / areaM2,
        wetAcrossM: 2 * THROW_M,
      });
    }
    case 'basin':
      return laid(Math.max(1, Math.ceil((litres ?? areaM2 * BASIN_MM) / (areaM2 * BASIN_MM) - 1e-9)), {
        holdsL: areaM2 * BASIN_MM,
      });
    case 'buckets': {
      const count =
        pieces ?? Math.max(1, Math.ceil((litres ?? areaM2 * tree.depthMm * WATER_SHARE) / bucketL - 1e-9));
      if (count > MOST_BUCKETS)
        throw new OutOfRange(
          'layout.pieces',
          `be at most ${MOST_BUCKETS} a plant; a hose moved round suits so much water better`,
          count,
        );
      return laid(count, {
        // Stood there all at once; each empties in its own time.
        litresPerMinute: (count * bucketL) / emptiesMinutes,
        wetShare: (count * spot * 2) / areaM2,
        wetAcrossM: across * Math.SQRT2,
      });
    }
    case 'bubbler stops':
    case 'trickle': {
      const lpm = by === 'trickle' ? Math.min(flow, TRICKLE_LPM) : flow;
      const takesM2 = Math.min(
        (Math.PI / 4) * MOST_ACROSS_M ** 2,
        Math.max(spot, (lpm * 60) / (FIRST_HOUR * ground.infiltrationMmPerHour)),
      );
      const wanted = Math.ceil(areaM2 / takesM2 - 1e-9);
      const count = pieces ?? Math.min(MOST_STOPS, Math.max(areaM2 < takesM2 / 2 ? 1 : FEWEST_STOPS, wanted));
      const each = Math.min(takesM2, areaM2 / count);
      return laid(count, {
        litresPerMinute: lpm,
        wetShare: (count * each) / areaM2,
        wetAcrossM: Math.sqrt((4 * each) / Math.PI),
      });
    }
  }
}

/** Spots one after another round the ring, or down one side of a hedge and up the other. */
function spotsOf(tree: TreeFacts, count: number, radiusM: number, open: number): Spot[] {
  const { sort, lengthM = 0 } = tree;
  const at = (share: number): Pick<Spot, 'angleDeg' | 'alongM'> => {
    if (sort !== 'hedge') return { angleDeg: 360 * open * share };
    const near = share < 0.5;
    return { angleDeg: near ? 90 : 270, alongM: lengthM * (near ? 2 * share : 2 - 2 * share) };
  };
  return Array.from({ length: Math.min(count, 200) }, (_, i) => ({
    number: i + 1,
    // One spot at a stem that need not be dry stands on it.
    radiusM: tree.ring.innerM < 0.02 && count === 1 ? 0 : radiusM,
    ...at(sort === 'hedge' ? (i + 0.5) / count : i / count),
  }));
}

/** Minutes of a layout for litres about one plant, in all and at each spot it is moved to. Source: arithmetic. */
export function layoutMinutes(
  laid: Laid,
  litres: number,
): { minutes: number; eachMinutes: number; moves: number } {
  const minutes = litres / laid.litresPerMinute;
  const moves = LAYOUT_FACTS[laid.by].moved && laid.by !== 'buckets' ? laid.pieces : 1;
  return { minutes, eachMinutes: minutes / moves, moves };
}
