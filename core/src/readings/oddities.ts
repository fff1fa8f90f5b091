import { bucketTest } from '../delivery/bucketTest.ts';
import { canTest } from '../delivery/canTest.ts';
import { dripLayout } from '../delivery/dripLayout.ts';
import { poolingTest } from '../delivery/poolingTest.ts';
import { soakerTest } from '../delivery/soakerTest.ts';
import { holeTest } from '../soil/holeTest.ts';
import { jarTest } from '../soil/jarTest.ts';
import { feelKey } from '../soil/feelKey.ts';
import type { FindingInput } from './findings.ts';

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

/** Limits of the usual. Judgements: a garden tap gives 5 to 40 L/min, garden sprinklers under 60 mm/h. */
const TAP_MOST = 60;
const TAP_LEAST = 0.2;
const RATE_MOST = 80;
const LAYER_MOST_PCT = 92;
const DRAIN_MOST = 500;
const AREA_OFF = 0.25;
const SLOPE_MOST = 30;
const WETTING_MOST_MM = 900;

/**
 * Asks again about a reading that is possible but odd.
 * @param input the reading, already possible; `context` the bed's area, its tap's and its line's flow where known
 * @throws RangeError when the reading itself is impossible
 */
export function oddities(
  input: FindingInput,
  context: { areaM2?: number; supplyLitresPerMinute?: number; litresPerMinute?: number } = {},
): Oddity[] {
  const found: Oddity[] = [];
  const ask = (odd: boolean, code: Oddity['code'], value: number, usual: number, unit: string): void => {
    if (odd) found.push({ code, value, usual, unit });
  };
  switch (input.kind) {
    case 'feel':
      feelKey(input.answers);
      break;
    case 'bucket': {
      const flow = bucketTest(input).litresPerMinute;
      ask(flow > TAP_MOST, 'more than a garden tap', flow, TAP_MOST, 'L/min');
      ask(flow < TAP_LEAST, 'hardly a trickle', flow, TAP_LEAST, 'L/min');
      break;
    }
    case 'soaker': {
      const flow = soakerTest(input).litresPerMinute;
      ask(flow > TAP_MOST, 'more than a garden tap', flow, TAP_MOST, 'L/min');
      break;
    }
    case 'cans': {
      const { rateMmPerHour } = canTest({ depthsMm: input.grid.flat(), minutes: input.minutes });
      ask(rateMmPerHour > RATE_MOST, 'heavier than a downpour', rateMmPerHour, RATE_MOST, 'mm/h');
      if (context.areaM2 && context.litresPerMinute) {
        const caught = (rateMmPerHour * context.areaM2) / 60;
        const sent = context.litresPerMinute;
        ask(caught > 1.05 * sent, 'cans caught more than was sent', caught, sent, 'L/min');
      }
      break;
    }
    case 'drip': {
      const layout = dripLayout(input);
      const area = input.bedLengthM * input.bedWidthM;
      if (context.areaM2)
        ask(
          Math.abs(area / context.areaM2 - 1) > AREA_OFF,
          'lines serve another area',
          area,
          context.areaM2,
          'm²',
        );
      if (context.supplyLitresPerMinute)
        ask(
          layout.litresPerMinute > context.supplyLitresPerMinute,
          'more than the tap gives',
          layout.litresPerMinute,
          context.supplyLitresPerMinute,
          'L/min',
        );
      break;
    }
    case 'jar': {
      const jar = jarTest(input);
      const most = Math.max(jar.sandPct, jar.siltPct, jar.clayPct);
      ask(most > LAYER_MOST_PCT, 'most of the jar is one layer', most, LAYER_MOST_PCT, '%');
      break;
    }
    case 'hole':
    case 'pot': {
      const { mmPerHour } = holeTest(input);
      ask(mmPerHour > DRAIN_MOST, 'drains like a sieve', mmPerHour, DRAIN_MOST, 'mm/h');
      ask(mmPerHour === 0, 'does not drain', mmPerHour, 1, 'mm/h');
      break;
    }
    case 'pooling':
      poolingTest({ rateMmPerHour: 1, minutes: input.minutes, surfaceStorageMm: 1 });
      break;
    case 'site':
      ask(input.slopePct > SLOPE_MOST, 'very steep', input.slopePct, SLOPE_MOST, '%');
      break;
    case 'depth': {
      const deepest = Math.max(...input.pointsMm);
      ask(deepest > WETTING_MOST_MM, 'deeper than any watering', deepest, WETTING_MOST_MM, 'mm');
      break;
    }
    default:
      break;
  }
  return found;
}
