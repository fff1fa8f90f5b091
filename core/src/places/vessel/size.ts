import { positive, within } from '../../units/guard.ts';

/** A pot as it can be told: by what is in it, or by its measures in metres. */
export interface VesselSize {
  volumeL?: number;
  /** Across the top and the base; for a trough, its length and its width. */
  topM?: number;
  baseM?: number;
  heightM?: number;
  trough?: boolean;
}

export interface VesselShape {
  /** Litres of mix in it. */
  volumeL: number;
  /** The open top, and the wall that stands in the air, m². */
  openingM2: number;
  wallM2: number;
  heightM: number;
  topM: number;
}

/** A pot is filled to a finger under its rim. Common practice; the share is a judgement. */
export const FILLED = 0.9;
/** Proportions of a usual pot: base and height of its top. Judgement. */
const BASE = 0.75;
const HEIGHT = 0.9;

/** Litres between two circles. Source: a truncated cone. */
const coneLitres = (top: number, base: number, height: number): number =>
  (1000 * Math.PI * height * (top * top + top * base + base * base)) / 12;

/**
 * A pot's measures from what is known of it; what is not known is taken in usual proportions.
 * @param size litres of the pot to its rim, or its measures in m
 * @returns litres of mix (nine tenths of what goes in to the rim), open top and wall m², height m
 * @throws RangeError where neither volume nor width is told, or a measure is 0 or less
 */
export function vesselShape(size: VesselSize): VesselShape {
  const { trough = false } = size;
  if (trough) {
    const length = positive('topM', size.topM, 5, 'm');
    const width = positive('baseM', size.baseM ?? length / 3, 5, 'm');
    const height = positive('heightM', size.heightM ?? width, 2, 'm');
    return {
      volumeL: FILLED * 1000 * length * width * height,
      openingM2: length * width,
      wallM2: 2 * (length + width) * height,
      heightM: height,
      topM: length,
    };
  }
  if (size.topM === undefined) {
    const litres = positive('volumeL', size.volumeL, 2000, 'L');
    const top = Math.cbrt(litres / coneLitres(1, BASE, HEIGHT));
    return { ...vesselShape({ topM: top }), volumeL: FILLED * litres };
  }
  const top = positive('topM', size.topM, 5, 'm');
  const base = within('baseM', size.baseM ?? BASE * top, 0.01, 5, 'm');
  const height = positive('heightM', size.heightM ?? HEIGHT * top, 2, 'm');
  const slant = Math.hypot(height, (top - base) / 2);
  return {
    volumeL: FILLED * (size.volumeL ?? coneLitres(top, base, height)),
    openingM2: (Math.PI * top * top) / 4,
    wallM2: (Math.PI * slant * (top + base)) / 2,
    heightM: height,
    topM: top,
  };
}

/** Pots as they are sold, litres to the rim. Common practice. */
export const NAMED_SIZES = [
  { id: '9 cm', volumeL: 0.4 },
  { id: '13 cm', volumeL: 1.1 },
  { id: '17 cm', volumeL: 2.5 },
  { id: '21 cm', volumeL: 4.5 },
  { id: '26 cm', volumeL: 9 },
  { id: '1 gallon', volumeL: 3 },
  { id: '3 gallon', volumeL: 11 },
  { id: '5 gallon bucket', volumeL: 19 },
  { id: 'half barrel', volumeL: 90 },
] as const;
