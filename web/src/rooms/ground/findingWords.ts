import {
  bucketTest,
  canTest,
  depthCheck,
  dripLayout,
  feelKey,
  FILLS,
  holeTest,
  jarTest,
  slowBucket,
  soakerTest,
  TELLABLE,
  type Finding,
} from '@kibble/core';
import type { Units } from '../../words/units.ts';
import { tellUnit } from '../../ui/workingText.ts';

/** A finding in one line. */
export function findingWords(input: Finding, units: Units): string {
  switch (input.kind) {
    case 'feel':
      return `${input.horizon === 'below' ? 'below: ' : ''}${feelKey(input.answers)}`;
    case 'jar': {
      const jar = jarTest(input);
      return `${input.horizon === 'below' ? 'below: ' : ''}${jar.textureClass}, ${Math.round(jar.sandPct)} % sand and ${Math.round(jar.clayPct)} % clay`;
    }
    case 'dig':
      return `${units.text('depth', input.topsoilMm)} of topsoil${input.belowClass ? ` over ${input.belowClass}` : ''}${input.rootsMm ? `, roots to ${units.text('depth', input.rootsMm)}` : ''}`;
    case 'hole': {
      const hole = holeTest(input);
      return `${units.text('rate', hole.mmPerHour)}, drainage ${hole.drainageClass}`;
    }
    case 'pot':
      return `${units.text('rate', holeTest(input).mmPerHour)}, ${input.path}`;
    case 'dye':
      return `${input.path}, ${units.text('depth', input.depthMm)}`;
    case 'site':
      return `${input.slopePct} % slope, sun ${input.sun}, wind ${input.wind}${input.wall ? ', a warm wall' : ''}${input.crusted ? ', crusted' : ''}`;
    case 'filled':
      return `${units.text('depth', input.depthMm)} of ${FILLS[input.fill].label}`;
    case 'organic':
      return `${input.organicMatterPct} %`;
    case 'amended':
      return `${units.text('depth', input.depthMm)} of ${input.material}`;
    case 'bucket':
      return `${units.text('flow', bucketTest(input).litresPerMinute)}`;
    case 'cans': {
      const cans = canTest({ depthsMm: input.grid.flat(), minutes: input.minutes });
      const count = input.grid.flat().length;
      return `${units.text('rate', cans.rateMmPerHour)}${count > 1 ? `, driest quarter ${units.text('share', cans.lowQuarterUniformity)} of the mean, ${count} cans` : ', one can'}`;
    }
    case 'drip':
      return `${input.lines} lines, ${units.text('flow', dripLayout(input).litresPerMinute)}`;
    case 'soaker':
      return units.text('flow', soakerTest(input).litresPerMinute);
    case 'slow-bucket':
      return `${units.text('drip', slowBucket(input).litresPerHour)} from each of ${input.buckets}`;
    case 'pooling':
      return `pools after ${Math.round(input.minutes)} min`;
    case 'spread':
      return `${units.text('span', input.widthM)} of ${units.text('span', input.spacingM)}`;
    case 'depth': {
      const check = depthCheck(input);
      const predicted =
        input.predictedMm === undefined
          ? ''
          : `, where the balance said ${units.text('depth', input.predictedMm)}`;
      return `${check.verdict}: ${units.text('depth', check.meanMm)} after ${Math.round(input.minutes)} min${predicted}`;
    }
    case 'look':
      return `${input.state} at ${units.text('depth', input.depthMm)}, by ${input.tool}${input.mulchMoved ? '' : ', mulch not moved'}`;
    case 'told': {
      const { unit, fromSi } = tellUnit(input.field, units);
      return `${TELLABLE[input.field].label.toLowerCase()} ${Number(fromSi(input.value).toFixed(2))}${unit ? ` ${unit}` : ''}`;
    }
    case 'stage':
      return `${input.stage} seen`;
    case 'up':
      return 'seedlings are up';
    case 'stand':
      return input.lost === 0 ? 'all standing' : `${input.lost} lost`;
    case 'mulch':
      return `mulch ${input.what}`;
    case 'toughen':
      return input.what === 'start' ? `dry spell of ${input.days} days` : 'dry spell ended';
    case 'own line':
      return input.share === null
        ? 'the crop’s usual line again'
        : `its own line: watered when ${Math.round(100 * input.share)} % is gone`;
    case 'wilt':
      return input.recovers ? 'hangs at noon, recovers by evening' : 'wilting';
    case 'plan':
      return input.to
        ? `moved from ${input.date} to ${input.to}`
        : input.litres
          ? `amount set for ${input.date}`
          : `left out on ${input.date}`;
    case 'changed':
      return `${input.what} changed`;
  }
}
