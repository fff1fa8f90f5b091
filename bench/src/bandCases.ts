import {
  addDays,
  cropById,
  daysBetween,
  dripLayout,
  plantOnDay,
  referenceEt,
  wettedShare,
  type Method,
  type PlanBed,
  type SourcedDay,
  type TextureClass,
} from '@kibble/core';

/** The 1,280 cases of design/deciding.md: 16 plantings on 5 soils by 4 methods in 4 kinds of constant, rainless weather. */
export const SITE = { latitudeDeg: 45, elevationM: 100 };
const YEAR = 2026;

export const WEATHERS = {
  mild: { et0: 3.5, rhMin: 50, wind: 1.5, tMin: 11, tMax: 21 },
  warm: { et0: 5, rhMin: 40, wind: 2, tMin: 14, tMax: 27 },
  hot: { et0: 7, rhMin: 28, wind: 2.5, tMin: 17, tMax: 34 },
  extreme: { et0: 9, rhMin: 20, wind: 3.5, tMin: 20, tMax: 38 },
} as const;
export type WeatherName = keyof typeof WEATHERS;
export const NAMES = Object.keys(WEATHERS) as WeatherName[];

export const SOILS: TextureClass[] = ['sand', 'sandy loam', 'loam', 'clay loam', 'clay'];
export const METHODS: { name: string; method: Method; litresPerMinute: number }[] = [
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
export const BEDS = [
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
export type Kind = (typeof BEDS)[number][2];

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
export function countedDays(cropId: string, plantedOn: string): [string, string] {
  if (plantedOn < `${YEAR}-01-01`) return [addDays(`${YEAR}-04-10`, 95), addDays(`${YEAR}-04-10`, 151)];
  const { ini, dev, mid } = cropById(cropId).stages;
  for (let d = 0; ; d += 1) {
    const date = addDays(plantedOn, d);
    if (plantOnDay({ cropId, plantedOn }, date)?.stage === 'in full leaf')
      return [date, addDays(date, Math.min(42, mid) - 1)];
    if (d > ini + dev + mid + 60) throw new Error(`${cropId} never comes into full leaf`);
  }
}

/** One of the cases: its bed as the plan takes it, and its weather from the first day of its balance. */
export function caseOf(
  { cropId, plantedOn }: { cropId: string; plantedOn: string },
  soil: TextureClass,
  { name: method, ...delivery }: (typeof METHODS)[number],
  weather: WeatherName,
): { bed: PlanBed; days: SourcedDay[] } {
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
  return { bed, days: (skies.get(weather) as SourcedDay[]).filter(({ date }) => date >= startOn) };
}
