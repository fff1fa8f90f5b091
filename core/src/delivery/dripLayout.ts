import { positive, within } from '../units/guard.ts';

/**
 * Application rate of a drip grid over the ground it serves.
 * @param options emitter L/h, and spacing along and between lines, m
 * @returns mm/h: one emitter's litres on its share of the ground
 * Source: arithmetic, 1 L on 1 m² is 1 mm.
 */
export function dripRate(options: {
  emitterLitresPerHour: number;
  emitterSpacingM: number;
  lineSpacingM: number;
}): { rateMmPerHour: number } {
  const litres = positive('emitterLitresPerHour', options.emitterLitresPerHour, 100, 'L/h');
  const along = positive('emitterSpacingM', options.emitterSpacingM, 20, 'm');
  const between = positive('lineSpacingM', options.lineSpacingM, 20, 'm');
  return { rateMmPerHour: litres / (along * between) };
}

export interface DripLayoutInput {
  bedLengthM: number;
  bedWidthM: number;
  lines: number;
  /** Distance of the outer lines from the edge, m; a single line lies in the middle. */
  insetM: number;
  emitterSpacingM: number;
  emitterLitresPerHour: number;
  /** Plant at every n-th emitter: 1, 2, 3… The others still run. */
  plantEvery?: number;
  /** What the tap gives, L/min, when it was measured. */
  supplyLitresPerMinute?: number;
}

export interface DripLayout {
  /** Distance of each line from the long edge, m. */
  linePositionsM: number[];
  lineSpacingM: number;
  tubeM: number;
  emitters: number;
  plants: number;
  plantSpacingM: number;
  litresPerMinute: number;
  rateMmPerHour: number;
  /** Share of the supply it takes; null when the supply is not known. */
  supplyShare: number | null;
}

/**
 * Where the outer lines of a bed belong, so that each line has an equal strip of the bed to both of its sides.
 * @param options width of the bed, m, above 0 to 100; lines, 1–50
 * @returns distance of the outer lines from the edge, m
 * @throws RangeError outside these ranges
 * Source: geometry.
 */
export function evenInset(options: { widthM: number; lines: number }): number {
  const width = positive('widthM', options.widthM, 100, 'm');
  return width / (2 * within('lines', options.lines, 1, 50));
}

/**
 * Lines on a bed: where they lie, how much tube and water they take, and whether the tap can feed them.
 * @throws RangeError when the insets overlap or a size is impossible
 * Source: arithmetic.
 */
export function dripLayout(options: DripLayoutInput): DripLayout {
  const length = positive('bedLengthM', options.bedLengthM, 1000, 'm');
  const width = positive('bedWidthM', options.bedWidthM, 100, 'm');
  const lines = within('lines', options.lines, 1, 50);
  const inset = within('insetM', options.insetM, 0, width / 2, 'm (half the bed at most)');
  const every = within('plantEvery', options.plantEvery ?? 1, 1, 100);
  const lineSpacingM = lines > 1 ? (width - 2 * inset) / (lines - 1) : width;
  const linePositionsM =
    lines > 1 ? Array.from({ length: lines }, (_, i) => inset + i * lineSpacingM) : [width / 2];
  const perLine = Math.floor(length / positive('emitterSpacingM', options.emitterSpacingM, 20, 'm') + 1e-9);
  const emitters = perLine * lines;
  const perHour = emitters * positive('emitterLitresPerHour', options.emitterLitresPerHour, 100, 'L/h');
  const supply = options.supplyLitresPerMinute;
  return {
    linePositionsM,
    lineSpacingM,
    tubeM: length * lines,
    emitters,
    plants: lines * Math.floor(perLine / every),
    plantSpacingM: options.emitterSpacingM * every,
    litresPerMinute: perHour / 60,
    rateMmPerHour: perHour / (length * width),
    supplyShare:
      supply === undefined ? null : perHour / 60 / positive('supplyLitresPerMinute', supply, 1000, 'L/min'),
  };
}

/**
 * Share of the plants in a row that stand between the wet spots, where they stand closer than the emitters; 0 where the spots join.
 * @param options spacing of the emitters and width of a wet spot, m; spacing of the plants in the row, mm
 * @returns 0–1
 * Source: geometry; that emitters 30 cm apart leave gaps between close sowings is common practice.
 */
export function plantsBetweenSpots(options: {
  emitterSpacingM: number;
  spotWidthM: number;
  plantSpacingMm: number;
}): number {
  const spacing = positive('emitterSpacingM', options.emitterSpacingM, 20, 'm');
  const width = positive('spotWidthM', options.spotWidthM, 20, 'm');
  const plants = positive('plantSpacingMm', options.plantSpacingMm, 20_000, 'mm');
  return plants / 1000 >= spacing ? 0 : Math.max(0, 1 - width / spacing);
}
