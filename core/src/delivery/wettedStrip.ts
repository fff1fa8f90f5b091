import { positive } from '../units/guard.ts';
import { TEXTURES } from '../soil/soils.ts';
import { METHOD_FACTS } from './methods.ts';
import type { Delivery } from './runPlan.ts';
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

/** What the usual shares of lines and spots are for. */
const USUAL_WIDTH_M = 0.55;

/**
 * What carries water to a bed, with the share of it that gets wet on its soil where nobody measured that: strips are as
 * wide as the soil spreads the water, rounds as its square.
 * Source: geometry on the widths above.
 */
export function onSoil(delivery: Delivery, textureClass: TextureClass): Delivery {
  const { spreads, wettedFraction } = METHOD_FACTS[delivery.method];
  if (delivery.wettedFraction !== undefined || spreads === null) return delivery;
  const wider = wettedWidthM(textureClass) / USUAL_WIDTH_M;
  const share = wettedFraction * (spreads === 'spots' ? wider ** 2 : wider);
  return { ...delivery, wettedFraction: Math.min(1, Math.max(0.05, share)) };
}

/** Width of ground an emitter wets on a texture, m, 0.3–0.85. */
export function wettedWidthM(textureClass: TextureClass): number {
  const { sandPct, clayPct } = TEXTURES[textureClass];
  return WIDTHS.find((w) => w.fits(sandPct, clayPct))?.widthM ?? USUAL_WIDTH_M;
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
