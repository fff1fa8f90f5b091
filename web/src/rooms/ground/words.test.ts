import { describe, expect, test } from '@jest/globals';
import { findingInput, type BedView } from '@kibble/contract';
import { FINDING_FACTS, oddities, type Finding, type FindingKind } from '@kibble/core';
import { unitsOf } from '../../words/units.ts';
import { bedFacts } from './facts.ts';
import { findingWords } from './findingWords.ts';
import { oddText } from './oddText.ts';
import { Reader } from './measurements/reader.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

/** One good reading of each kind, as the API would take it, and what its line must say. */
const READINGS: readonly (readonly [Finding, RegExp])[] = [
  [{ kind: 'feel', horizon: 'top', answers: { ball: false, ribbon: false, rub: 'gritty' } }, /^sand$/],
  [
    { kind: 'jar', horizon: 'below', sandMm: 40, siltMm: 40, clayMm: 20 },
    /^below: loam, 40 % sand and 20 % clay$/,
  ],
  [{ kind: 'dig', topsoilMm: 250, belowClass: 'clay' }, /^250 mm of topsoil over clay$/],
  [{ kind: 'hole', fallMm: 50, minutes: 60 }, /^50 mm\/h, drainage good$/],
  [{ kind: 'pot', path: 'sideways', fallMm: 20, minutes: 60 }, /^20 mm\/h, sideways$/],
  [{ kind: 'dye', path: 'evenly down', depthMm: 180 }, /^evenly down, 180 mm$/],
  [
    { kind: 'site', slopePct: 4, sun: 'half', wind: 'open', wall: true, crusted: false },
    /^4 % slope, sun half, wind open, a warm wall$/,
  ],
  [{ kind: 'filled', fill: 'bagged mix', depthMm: 250 }, /^250 mm of bagged mix$/],
  [{ kind: 'organic', organicMatterPct: 4 }, /^4 %$/],
  [{ kind: 'amended', material: 'compost', depthMm: 30 }, /^30 mm of compost$/],
  [{ kind: 'bucket', litres: 15, seconds: 45 }, /^20 L\/min$/],
  [
    {
      kind: 'cans',
      grid: [
        [5, 10],
        [10, 15],
      ],
      minutes: 30,
    },
    /^20 mm\/h, driest quarter 50 % of the mean, 4 cans$/,
  ],
  [
    {
      kind: 'drip',
      bedLengthM: 15,
      bedWidthM: 1,
      lines: 2,
      insetM: 0.2,
      emitterSpacingM: 0.3,
      emitterLitresPerHour: 3,
    },
    /^2 lines, 5 L\/min$/,
  ],
  [{ kind: 'soaker', litres: 0.5, minutes: 5, caughtM: 1, lengthM: 15 }, /^1.5 L\/min$/],
  [{ kind: 'slow-bucket', litres: 19, minutesToEmpty: 60, buckets: 3 }, /^19 L\/h from each of 3$/],
  [{ kind: 'pooling', minutes: 9 }, /^pools after 9 min$/],
  [{ kind: 'spread', widthM: 0.3, spacingM: 0.6 }, /^30 cm of 60 cm$/],
  [
    {
      kind: 'depth',
      tool: 'probe',
      pointsMm: [260, 240],
      targetMm: 200,
      minutes: 30,
      mulchMoved: true,
      predictedMm: 300,
    },
    /^deep enough: 250 mm after 30 min, where the balance said 300 mm$/,
  ],
  [
    { kind: 'look', tool: 'trowel', depthMm: 100, state: 'damp', mulchMoved: false },
    /^damp at 100 mm, by trowel, mulch not moved$/,
  ],
  [{ kind: 'told', field: 'flow', value: 8.4 }, /^flow 8.4 L\/min$/],
  [{ kind: 'stage', plantingId: 1, stage: 'ripening' }, /^ripening seen$/],
  [{ kind: 'stand', plantingId: 1, lost: 0 }, /^all standing$/],
  [{ kind: 'up', plantingId: 1 }, /^seedlings are up$/],
  [{ kind: 'mulch', what: 'put back' }, /^mulch put back$/],
  [{ kind: 'own line', plantingId: 1, share: 0.45 }, /^its own line: watered when 45 % is gone$/],
  [{ kind: 'toughen', plantingId: 1, what: 'start', days: 6 }, /^dry spell of 6 days$/],
  [{ kind: 'wilt', recovers: true }, /recovers by evening$/],
  [
    { kind: 'plan', what: 'move', date: '2026-07-14', to: '2026-07-16' },
    /^moved from 2026-07-14 to 2026-07-16$/,
  ],
  [{ kind: 'changed', what: 'nozzle' }, /^nozzle changed$/],
];

describe('a finding in one line', () => {
  test('there is a reading of every kind here', () => {
    const kinds = new Set(READINGS.map(([input]) => input.kind));
    expect([...kinds].sort()).toEqual((Object.keys(FINDING_FACTS) as FindingKind[]).sort());
  });
  test.each(READINGS)('%j', (input, words) => {
    expect(findingInput.parse(input)).toEqual(input);
    expect(plain(findingWords(input, metric))).toMatch(words);
  });
  test('in gallons and inches for those who use them', () => {
    expect(plain(findingWords({ kind: 'bucket', litres: 15.14, seconds: 45 }, us))).toBe('5.3 gal/min');
    expect(plain(findingWords({ kind: 'spread', widthM: 0.3048, spacingM: 0.6096 }, us))).toBe(
      '12 in of 24 in',
    );
  });
});

describe('an odd reading is asked about in the gardener’s own units', () => {
  const [odd] = oddities({ kind: 'bucket', litres: 99, seconds: 60 });
  test('99 L/min and 26.2 gal/min are the same question', () => {
    if (!odd) throw new Error('99 L/min must be odd');
    expect(plain(oddText(odd, metric))).toMatch(
      /^99 L\/min is more than a garden tap gives: 60 L\/min at most/,
    );
    expect(plain(oddText(odd, us))).toMatch(/^26.2 gal\/min .* 15.9 gal\/min at most/);
  });
});

describe('reading what was typed', () => {
  test('a comma is a decimal point, inches become millimetres, and what is missing is not yet wrong', () => {
    const reader = new Reader({ depth: '2,5', lines: '2' }, us);
    expect(reader.number('depth', 'canMm')).toBeCloseTo(63.5, 9);
    expect(reader.whole('lines', 'lines')).toBe(2);
    expect(reader.ok).toBe(true);
    reader.number('minutes', 'minutes');
    expect(reader.missing.has('minutes')).toBe(true);
    expect(reader.ok).toBe(false);
  });
  test('what is typed and impossible is wrong at once, and named with its value', () => {
    const reader = new Reader({ depth: '-3', lines: '2.5' }, metric);
    reader.number('depth', 'canMm');
    reader.whole('lines', 'lines');
    expect(plain(reader.problems.depth ?? '')).toBe('Depth in the can must be from 0 to 1000 mm; got -3 mm.');
    expect(reader.problems.lines).toMatch(/whole number; got 2.5/);
    expect(reader.missing.size).toBe(0);
  });
  test('an empty optional figure is none, a choice must be one of its list', () => {
    const reader = new Reader({ path: 'upwards' }, metric);
    expect(reader.optional('rock', 'rockMm')).toBeUndefined();
    expect(reader.choice('path', ['sideways'] as const, 'Path')).toBeUndefined();
    expect(reader.problems.path).toBe('Path must be chosen.');
  });
});

describe('what is assumed bears its mark', () => {
  const bed = {
    id: 1,
    areaM2: 10,
    textureClass: 'loam',
    subsoilClass: null,
    underCover: false,
    shadeCloth: false,
    mulchMaterial: null,
    mulchMm: null,
    delivery: { method: 'hose wand', litresPerMinute: 12, measured: false },
    startOn: '2026-01-01',
    settings: Object.entries({
      area: 10,
      form: 'flat',
      cover: false,
      shade: false,
      mulched: null,
      goal: 'steady',
      watered: { method: 'hose wand', litresPerMinute: 12, measured: false },
      tap: null,
    }).map(([kind, value], id) => ({ id, from: '2026-01-01', setting: { kind, value } })),
    findings: [],
  } as unknown as BedView;
  test('nothing tested: all of it; after a bucket, the flow no longer; a season later again', () => {
    const flow = (on: string | null, today: string): boolean =>
      bedFacts(
        on === null
          ? bed
          : {
              ...bed,
              findings: [
                {
                  id: 1,
                  bedId: 1,
                  tapId: null,
                  on,
                  method: 'hose wand',
                  note: null,
                  input: { kind: 'bucket', litres: 15, seconds: 45 },
                },
              ],
            },
        today,
        metric,
      ).flow.assumed;
    expect(flow(null, '2026-07-14')).toBe(true);
    expect(flow('2026-07-01', '2026-07-14')).toBe(false);
    expect(flow('2026-07-01', '2027-05-14')).toBe(true);
  });
});
