import { bucketTest } from '../delivery/bucketTest.ts';
import { canTest } from '../delivery/canTest.ts';
import { dripRate } from '../delivery/dripLayout.ts';
import { jarTest } from '../soil/jarTest.ts';
import { weighTest } from '../checks/weighTest.ts';
import { roofHarvest } from '../sources/roofHarvest.ts';
import type { IsoDate } from '../units/dates.ts';
import { leaf, worked, type Provenance, type Working } from '../working/types.ts';

/** The working of each measurement: what was read, and what follows. Every input was measured on `on`. */
const measured = (on?: IsoDate): Provenance => ({ kind: 'measured', on });

export const explainBucket = (test: { litres: number; seconds: number }, on?: IsoDate): Working =>
  worked('Flow', bucketTest(test).litresPerMinute, 'L/min', 'litres × 60 ÷ seconds', [
    leaf('The bucket holds', test.litres, 'L', measured(on)),
    leaf('It filled in', test.seconds, 's', measured(on)),
  ]);

export function explainCans(test: { depthsMm: readonly number[]; minutes: number }, on?: IsoDate): Working[] {
  const result = canTest(test);
  const cans = test.depthsMm.map((mm, i) => leaf(`Can ${i + 1}`, mm, 'mm', measured(on)));
  const mean = worked(
    'Mean of the cans',
    (result.rateMmPerHour * test.minutes) / 60,
    'mm',
    'sum of the cans ÷ their number',
    cans,
  );
  return [
    worked('Rate', result.rateMmPerHour, 'mm/h', 'mean of the cans × 60 ÷ minutes', [
      mean,
      leaf('It ran', test.minutes, 'min', measured(on)),
    ]),
    worked(
      'Evenness of the driest quarter',
      result.lowQuarterUniformity,
      'share',
      'mean of the driest quarter ÷ mean of all',
      [mean],
    ),
    worked(
      'Evenness after Christiansen',
      result.christiansenUniformity,
      'share',
      '100 % − mean difference from the mean ÷ mean',
      [mean],
    ),
  ];
}

export const explainDrip = (
  layout: { emitterLitresPerHour: number; emitterSpacingM: number; lineSpacingM: number },
  rated: Provenance = { kind: 'told' },
): Working =>
  worked(
    'Rate of the drip lines',
    dripRate(layout).rateMmPerHour,
    'mm/h',
    'litres an hour ÷ (spacing along the line × between lines)',
    [
      leaf('An emitter gives', layout.emitterLitresPerHour, 'L/h', rated),
      leaf('Along the line', layout.emitterSpacingM, 'm', { kind: 'told' }),
      leaf('Between lines', layout.lineSpacingM, 'm', { kind: 'told' }),
    ],
  );

export function explainJar(
  heights: { sandMm: number; siltMm: number; clayMm: number },
  on?: IsoDate,
): Working[] {
  const result = jarTest(heights);
  const inputs = [
    leaf('Sand', heights.sandMm, 'mm', measured(on)),
    leaf('Silt', heights.siltMm, 'mm', measured(on)),
    leaf('Clay', heights.clayMm, 'mm', measured(on)),
  ];
  const share = (name: string, value: number): Working =>
    worked(name, value, '%', 'its layer ÷ all three × 100', inputs);
  return [share('Sand', result.sandPct), share('Silt', result.siltPct), share('Clay', result.clayPct)];
}

export const explainWeighing = (
  test: { wetKg: number; laterKg: number; hours: number },
  on?: IsoDate,
): Working =>
  worked('The pot loses', weighTest(test).millilitresPerDay, 'mL a day', 'weight lost × 1000 × 24 ÷ hours', [
    leaf('Wet', test.wetKg, 'kg', measured(on)),
    leaf('Later', test.laterKg, 'kg', measured(on)),
    leaf('Hours between', test.hours, 'h', measured(on)),
  ]);

export const explainRoof = (harvest: {
  roofM2: number;
  rainMm: number;
  runoffCoefficient: number;
}): Working =>
  worked('The roof sends', roofHarvest(harvest), 'L', 'roof × rain × share that runs off', [
    leaf('Roof', harvest.roofM2, 'm²', { kind: 'told' }),
    leaf('Rain', harvest.rainMm, 'mm', { kind: 'told' }),
    leaf('Share that runs off', harvest.runoffCoefficient, 'share', {
      kind: 'assumed',
      why: 'usual for tiles or metal',
    }),
  ]);
