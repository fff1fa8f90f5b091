import { writeFileSync } from 'node:fs';
import { daysBetween, followRounds, followSeason, GOAL_FACTS, keepsTo } from '@kibble/core';
import {
  BEDS,
  caseOf,
  countedDays,
  METHODS,
  NAMES,
  SITE,
  SOILS,
  type Kind,
  type WeatherName,
} from './bandCases.ts';

/**
 * How often the plan waters against how often growers do (common practice) in the cases, every day a round day; and on the
 * sparsest round days that keep to the goal. Printed as a table for docs/deciding.md, each excess with the loss that one
 * watering in the middle of the band would have cost.
 */
/** Rounds a week, mild, warm, hot, extreme. Common practice. */
type Band = readonly [low: number, high: number];
const VEGETABLES: Readonly<Record<string, readonly Band[]>> = {
  sand: [
    [1, 2],
    [1, 2],
    [2, 3],
    [2, 3],
  ],
  clay: [
    [0.5, 1],
    [0.75, 1],
    [1, 1],
    [1, 2],
  ],
};
const MIDDLING: readonly Band[] = [
  [0.5, 1],
  [0.75, 1],
  [1, 2],
  [2, 2],
];
/** One in 21 days. */
const SELDOM = 1 / 3;
const OTHERS: Readonly<Record<Exclude<Kind, 'vegetables'>, readonly Band[]>> = {
  rose: [
    [0.5, 1],
    [1, 1],
    [1, 2],
    [2, 3],
  ],
  lawn: [
    [0, 1],
    [0, 1],
    [0, 1],
    [0, 1.5],
  ],
  'shrubs and trees': [
    [SELDOM, 1],
    [SELDOM, 1],
    [SELDOM, 1],
    [SELDOM, 1],
  ],
};
const bandOf = (kind: Kind, soil: string, weather: number): Band =>
  (kind === 'vegetables' ? (VEGETABLES[soil] ?? MIDDLING) : OTHERS[kind])[weather] as Band;
/** Over this many times the band's upper end, and under this share of its lower one. */
const OVER = 1.5;
const UNDER = 0.5;

interface Case {
  crop: string;
  kind: Kind;
  roots: string;
  soil: string;
  method: string;
  weather: WeatherName;
  perWeek: number;
  band: Band;
  /** Growth lost over the season when it is asked no more often than the upper end of its band; only where it is over it. */
  lostAtBand: number | null;
  /** The same on the round days that a garden's plan proposes. */
  onRounds: number;
  /** Growth lost over the season; only where it is watered less than half as often as its band. */
  lost: number | null;
  /** Growth lost when it is asked six days a week, and what its goal allows; only where it is asked daily. */
  lostAtSix: number | null;
}

const started = Date.now();
const cases: Case[] = [];
for (const [cropId, plantedOn, kind, roots] of BEDS)
  for (const soil of SOILS)
    for (const way of METHODS)
      NAMES.forEach((weather, w) => {
        const { bed, days } = caseOf({ cropId, plantedOn }, soil, way, weather);
        const [first, last] = countedDays(cropId, plantedOn);
        const season = { site: SITE, bed, weather: days, to: last };
        const waterings = followSeason(season);
        const rounds = followRounds(season);
        const onRounds = rounds.waterings.filter(({ date }) => date >= first && date <= last).length;
        const count = waterings.filter(({ date }) => date >= first && date <= last).length;
        const perWeek = (7 * count) / (daysBetween(first, last) + 1);
        const band = bandOf(kind, soil, w);
        cases.push({
          crop: cropId === 'apple' ? `${cropId}, ${plantedOn.slice(0, 4)}` : cropId,
          kind,
          roots,
          soil,
          method: way.name,
          weather,
          perWeek,
          band,
          onRounds: (7 * onRounds) / (daysBetween(first, last) + 1),
          lost: perWeek < UNDER * band[0] ? followRounds(season, 7).lostShare : null,
          lostAtSix: rounds.perWeek === 7 ? followRounds(season, 6).lostShare : null,
          lostAtBand: perWeek > OVER * band[1] ? followRounds(season, Math.ceil(band[1])).lostShare : null,
        });
      });

const isOver = ({ perWeek, band }: Case): boolean => perWeek > OVER * band[1] + 1e-9;
const isUnder = ({ perWeek, band }: Case): boolean => perWeek < UNDER * band[0] - 1e-9;
const percent = (some: readonly Case[], all: readonly Case[]): string =>
  `${some.length} of ${all.length} (${((100 * some.length) / all.length).toFixed(0)} %)`;
const notExtreme = cases.filter(({ weather }) => weather !== 'extreme');
/** Where none should be over: seldom watered by anybody. */
const SOUND = new Set(['sandy loam', 'loam', 'clay loam']);
const singled = notExtreme.filter(
  (c) =>
    isOver(c) && c.roots === 'deep' && SOUND.has(c.soil) && (c.method === 'hose' || c.method === 'sprinkler'),
);
const daily = cases.filter(({ lostAtSix }) => lostAtSix !== null);
const { lossShare } = GOAL_FACTS.steady;
console.log(
  `asked daily on its round days: ${daily.length}, of which a day a week could be skipped within the goal: ${daily.filter(({ lostAtSix }) => keepsTo(lostAtSix ?? 1, lossShare)).length}`,
);
console.log(`${cases.length} cases, ${((Date.now() - started) / 1000).toFixed(1)} s`);
console.log(`over 1.5 times the band: ${percent(cases.filter(isOver), cases)}`);
console.log(`outside extreme heat:    ${percent(notExtreme.filter(isOver), notExtreme)}`);
console.log(
  `under half the band:     ${percent(cases.filter(isUnder), cases)}, of which more is lost than the goal allows: ${cases.filter(({ lost }) => lost !== null && !keepsTo(lost, lossShare)).length}`,
);
const onRoundDays = notExtreme.filter(({ onRounds, band }) => onRounds > OVER * band[1] + 1e-9);
console.log(
  `outside extreme heat, on the round days that a plan proposes: ${percent(onRoundDays, notExtreme)}`,
);
console.log(
  `by hose or sprinkler among deep roots on sandy loam, loam, clay loam, not extreme: ${singled.length}`,
);
for (const c of singled)
  console.log(
    `  ${c.crop}, ${c.soil}, ${c.method}, ${c.weather}: ${c.perWeek.toFixed(1)} a week, band to ${c.band[1]}; asked ${Math.ceil(c.band[1])} a week it would lose ${(100 * (c.lostAtBand ?? 0)).toFixed(0)} %`,
  );
const crops = [...new Set(cases.map(({ crop }) => crop))];
const lines = [
  `| Crop | Soil | ${METHODS.map(({ name }) => name).join(' | ')} |`,
  `| --- | --- |${' --- |'.repeat(METHODS.length)}`,
];
for (const crop of crops)
  for (const soil of SOILS) {
    const cells = METHODS.map(({ name }) =>
      NAMES.map((weather) => {
        const c = cases.find(
          (x) => x.crop === crop && x.soil === soil && x.method === name && x.weather === weather,
        );
        if (!c) return '';
        const excess = c.lostAtBand === null ? '' : `↑${(100 * c.lostAtBand).toFixed(0)}`;
        return `${c.perWeek.toFixed(1)}${excess}${isUnder(c) ? '↓' : ''}`;
      }).join(' / '),
    );
    lines.push(`| ${crop} | ${soil} | ${cells.join(' | ')} |`);
  }
const out = process.argv[2];
if (out) writeFileSync(out, `${lines.join('\n')}\n`);
else console.log(lines.join('\n'));
