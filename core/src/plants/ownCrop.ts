import { within } from '../units/guard.ts';
import type { CropEntry, Source } from './types.ts';

/** What a gardener may say of a plant of their own that is like one of the catalogue. */
export interface OwnCropWords {
  name: string;
  /** Basal coefficient in full leaf, 0.1–1.4; what is left out is the like plant's. */
  kcbMid?: number;
  rootDepthM?: number;
  heightM?: number;
  p?: number;
}

const OWN: Source = 'judgement: the gardener’s own figure';

/**
 * A plant of the gardener's own: one of the catalogue's with some of its numbers changed.
 * @throws RangeError on a number outside its range
 */
export function ownCrop(id: string, like: CropEntry, words: OwnCropWords): CropEntry {
  const kcbMid = within('kcbMid', words.kcbMid ?? like.kcb.mid, 0.1, 1.4);
  const scale = kcbMid / like.kcb.mid;
  const kcb = {
    ini: like.kcb.ini,
    mid: kcbMid,
    end: Math.min(1.4, like.kcb.end * scale),
    source: words.kcbMid === undefined ? like.kcb.source : OWN,
  };
  const rootsM = words.rootDepthM === undefined ? null : within('rootDepthM', words.rootDepthM, 0.05, 3, 'm');
  return {
    ...like,
    id,
    name: words.name,
    kcb,
    heightM: within('heightM', words.heightM ?? like.heightM, 0.02, 40, 'm'),
    heightSource: words.heightM === undefined ? like.heightSource : OWN,
    roots: rootsM === null ? like.roots : { minM: rootsM, maxM: rootsM, source: OWN },
    p: words.p === undefined ? like.p : { value: within('p', words.p, 0.1, 0.8), source: OWN },
  };
}
