import { positive } from '../units/guard.ts';
import { TEXTURES } from '../soil/soils.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import type { DripLayout, DripLayoutInput } from './dripLayout.ts';

/**
 * Width a drip emitter wets below the surface, m. Common practice: water drops straight down in sand and spreads
 * in silt and clay; the figures are judgements in the middle of what growers report.
 */
const WIDTHS: readonly { fits: (sandPct: number, clayPct: number) => boolean; widthM: number }[] = [
  { fits: (sand) => sand >= 75, widthM: 0.3 },
  { fits: (sand, clay) => sand >= 50 && clay < 20, widthM: 0.4 },
  { fits: (_sand, clay) => clay < 27, widthM: 0.55 },
  { fits: (_sand, clay) => clay < 40, widthM: 0.7 },
  { fits: () => true, widthM: 0.85 },
];

/** Width of ground an emitter wets on a texture, m, 0.3–0.85. */
export function wettedWidthM(textureClass: TextureClass): number {
  const { sandPct, clayPct } = TEXTURES[textureClass];
  return WIDTHS.find((w) => w.fits(sandPct, clayPct))?.widthM ?? 0.55;
}

export interface WettedShare {
  /** Share of the bed that gets wet, 0.05–1. */
  share: number;
  widthM: number;
  /** The spots of one line meet, so that the line wets a strip. */
  spotsJoin: boolean;
}

/** Share of a bed its drip lines wet: strips when the spots join, circles when they do not. Source: geometry. */
export function wettedShare(
  layout: Pick<DripLayoutInput, 'bedLengthM' | 'bedWidthM' | 'emitterSpacingM' | 'lines'> &
    Pick<DripLayout, 'emitters'>,
  textureClass: TextureClass,
): WettedShare {
  const widthM = wettedWidthM(textureClass);
  const area = layout.bedLengthM * layout.bedWidthM;
  const spotsJoin = layout.emitterSpacingM <= widthM;
  const wet = spotsJoin
    ? layout.lines * widthM * layout.bedLengthM
    : layout.emitters * (Math.PI / 4) * widthM ** 2;
  return { share: Math.min(1, Math.max(0.05, wet / area)), widthM, spotsJoin };
}

/**
 * Share of a bed that got wet, from the width seen and the distance from line to line, 0.05–1.
 * @throws RangeError on a width or spacing of 0 or less
 * Source: geometry.
 */
export const spreadShare = (options: { widthM: number; spacingM: number }): number =>
  Math.min(
    1,
    Math.max(
      0.05,
      positive('widthM', options.widthM, 20, 'm') / positive('spacingM', options.spacingM, 20, 'm'),
    ),
  );
