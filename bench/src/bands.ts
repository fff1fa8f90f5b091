import { writeFileSync } from 'node:fs';
import {
  addDays,
  cropById,
  daysBetween,
  dripLayout,
  followRounds,
  followSeason,
  GOAL_FACTS,
  keepsTo,
  plantOnDay,
  referenceEt,
  wettedShare,
  type Method,
  type PlanBed,
  type SourcedDay,
  type TextureClass,
} from '@kibble/core';

/**
 * How often the plan waters against how often growers do (common practice): 16 crops on 5 soils by 4 methods in 4 kinds of
 * constant, rainless weather, every day a round day; and on the sparsest round days that keep to the goal. Printed as a table for docs/deciding.md, each excess with the loss that
 * one watering in the middle of the band would have cost.
 */
const SITE = { latitudeDeg: 45, elevationM: 100 };
const YEAR = 2026;

const WEATHERS = {
  mild: { et0: 3.5, rhMin: 50, wind: 1.5, tMin: 11, tMax: 21 },
  warm: { et0: 5, rhMin: 40, wind: 2, tMin: 14, tMax: 27 },
  hot: { et0: 7, rhMin: 28, wind: 2.5, tMin: 17, tMax: 34 },
  extreme: { et0: 9, rhMin: 20, wind: 3.5, tMin: 20, tMax: 38 },
} as const;
type WeatherName = keyof typeof WEATHERS;
const NAMES = Object.keys(WEATHERS) as WeatherName[];

const SOILS: TextureClass[] = ['sand', 'sandy loam', 'loam', 'clay loam', 'clay'];
const METHODS: { name: string; method: Method; litresPerMinute: number }[] = [
  { name: 'hose', method: 'hose wand', litresPerMinute: 20 },
  { name: 'sprinkler', method: 'sprinkler', litresPerMinute: 3.75 },
  { name: 'drip', method: 'drip', litresPerMinute: 2.7 },
  { name: 'soaker', method: 'soaker hose', litresPerMinute: 3 },
];
/** A bed as growers lay them out, 15 m by 1 m (common practice), with two drip lines and an emitter each 0.3 m. */
const AREA_M2 = 15;
const DRIP = {
  bedLengthM: 15,
  bedWidthM: 1,
  lines: 2,
  insetM: 0.2,
  emitterSpacingM: 0.3,
  emitterLitresPerHour: 1.6,
};
const LAYOUT = dripLayout(DRIP);

/** What stands there and since when; which band of common practice is its own. */
const BEDS = [
  ['tomato', `${YEAR}-05-10`, 'vegetables', 'deep'],
  ['sweet-pepper', `${YEAR}-05-15`, 'vegetables', 'deep'],
  ['lettuce', `${YEAR}-05-15`, 'vegetables', 'shallow'],
  ['onion', `${YEAR}-04-10`, 'vegetables', 'shallow'],
  ['carrot', `${YEAR}-04-20`, 'vegetables', 'deep'],
  ['sweetcorn', `${YEAR}-05-10`, 'vegetables', 'deep'],
  ['french-bean', `${YEAR}-05-15`, 'vegetables', 'deep'],
  ['courgette', `${YEAR}-05-20`, 'vegetables', 'deep'],
  ['melon', `${YEAR}-05-20`, 'vegetables', 'deep'],
  ['potato', `${YEAR}-04-20`, 'vegetables', 'deep'],
  ['strawberry', '2023-04-15', 'vegetables', 'shallow'],
  ['rose', '2020-04-15', 'rose', 'deep'],
  ['lawn-cool', '2020-04-15', 'lawn', 'deep'],
  ['blackcurrant', '2021-11-10', 'shrubs and trees', 'deep'],
  ['apple', '2025-03-20', 'shrubs and trees', 'deep'],
  ['apple', '2012-03-20', 'shrubs and trees', 'deep'],
] as const;
type Kind = (typeof BEDS)[number][2];

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

/** A rainless day whose reference demand is the one asked for: its sun is found by halving. */
function dayOf(date: string, name: WeatherName): SourcedDay {
  const { et0, rhMin, wind, tMin, tMax } = WEATHERS[name];
  const day = (solarMJ: number): SourcedDay => ({
    date,
    tMinC: tMin,
    tMaxC: tMax,
    rhMinPct: rhMin,
    rhMaxPct: Math.min(95, rhMin + 45),
    windMs: wind,
    solarMJ,
    rainMm: 0,
    rainChance: 0,
    source: 'record',
  });
  let [low, high] = [0.1, 45];
  for (let i = 0; i < 30; i += 1) {
    const middle = (low + high) / 2;
    if (referenceEt(day(middle), SITE).mm < et0) low = middle;
    else high = middle;
  }
  return day((low + high) / 2);
}

const from = `${YEAR}-04-01`;
const LAST = `${YEAR}-10-10`;
const skies = new Map(
  NAMES.map((name) => [
    name,
    Array.from({ length: daysBetween(from, LAST) + 1 }, (_, i) => dayOf(addDays(from, i), name)),
  ]),
);

/** The days on which waterings are counted: up to six weeks in full leaf, or for what lives on 95 to 151 days after leaf-out. */
function countedDays(cropId: string, plantedOn: string): [string, string] {
  if (plantedOn < `${YEAR}-01-01`) return [addDays(`${YEAR}-04-10`, 95), addDays(`${YEAR}-04-10`, 151)];
  const { ini, dev, mid } = cropById(cropId).stages;
  for (let d = 0; ; d += 1) {
    const date = addDays(plantedOn, d);
    if (plantOnDay({ cropId, plantedOn }, date)?.stage === 'in full leaf')
      return [date, addDays(date, Math.min(42, mid) - 1)];
    if (d > ini + dev + mid + 60) throw new Error(`${cropId} never comes into full leaf`);
  }
}

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
    for (const { name: method, ...delivery } of METHODS)
      NAMES.forEach((weather, w) => {
        const startOn = plantedOn < from ? from : plantedOn;
        const bed: PlanBed = {
          id: 1,
          bed: {
            areaM2: AREA_M2,
            ground: { horizons: [{ textureClass: soil }] },
            plantings: [{ cropId, plantedOn, latitudeDeg: SITE.latitudeDeg }],
          },
          delivery:
            method === 'drip'
              ? {
                  ...delivery,
                  wettedFraction: wettedShare({ ...DRIP, emitters: LAYOUT.emitters }, soil).share,
                }
              : delivery,
          irrigations: [],
          startOn,
          startFullness: 1,
        };
        const [first, last] = countedDays(cropId, plantedOn);
        const days = (skies.get(weather) as SourcedDay[]).filter(({ date }) => date >= startOn);
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
          method,
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
