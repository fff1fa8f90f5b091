import type {
  CropEntry,
  CropGroup,
  FrostClass,
  LifeCycle,
  Source,
  StartMethod,
  ToughenRule,
} from '../types.ts';

export type Trait = keyof CropEntry['traits'];

/**
 * A catalogue row as it is written: short, one plant a row. A value without a source of its own comes
 * from FAO-56's usual table for it: 12 (kc and height), 17 (kcb), 11 (stages), 22 (roots and p).
 */
export interface Row {
  kc: readonly [ini: number, mid: number, end: number];
  kcb: readonly [ini: number, mid: number, end: number];
  heightM: number;
  stages: readonly [ini: number, dev: number, mid: number, late: number];
  rootsM: readonly [min: number, max: number];
  p: number;
  /** mm, in the row and between rows. */
  spacing: readonly [inRow: number, betweenRows: number];
  usualStart: StartMethod;
  frost: FrostClass;
  toughening: ToughenRule;
  thirstiest: string;
  sensitivity: number;
  traits: readonly Trait[];
  cycle?: LifeCycle;
  leafCover?: number;
  cropsOn?: true;
  kcSource?: Source;
  kcbSource?: Source;
  heightSource?: Source;
  stagesSource?: Source;
  rootsSource?: Source;
  pSource?: Source;
}

export type NamedRow = Row & { id: string; name: string; group: CropGroup };

/** A row of a group: its identity, then its numbers. */
export const inGroup =
  (group: CropGroup) =>
  (id: string, name: string, row: Row): NamedRow => ({ ...row, id, name, group });

/** The sources of a plant that no standard's table has: what its coefficients, roots and p were judged by. */
export const judged = (by: string) =>
  ({
    kcSource: `judgement: ${by}`,
    kcbSource: `judgement: ${by}`,
    heightSource: 'judgement: usual height of garden kinds',
    stagesSource: 'judgement: growing season of a temperate garden',
    rootsSource: `judgement: ${by}`,
    pSource: `judgement: ${by}`,
  }) as const;

/**
 * What a landscape plant uses in full leaf, as a share of reference demand: woody plants and herbaceous perennials of moist
 * and of dry places, annual flowers, turf. Source: ANSI/ASABE S623 (from memory). `between` is the middle of its two classes,
 * for kinds that are at home in neither (judgement).
 */
const PLANT_FACTORS = {
  moist: 0.7,
  between: 0.6,
  dry: 0.5,
  flowers: 0.8,
  'cool turf': 0.8,
  'warm turf': 0.6,
} as const;
/** What of it is the soil's own drying under full leaf: as FAO-56 tables 12 and 17 differ. */
const SOIL_SHARE = 0.05;
/** Use without leaves, and at leaf fall as a share of the full. Judgement. */
const BARE = { kc: 0.3, kcb: 0.2 };
const LEAF_FALL = 0.7;

/** The coefficients of a landscape plant, and the ground its leaves cover when full (a judgement). */
export function landscape(
  kind: keyof typeof PLANT_FACTORS,
  leaf: 'evergreen' | 'deciduous' | 'annual',
): Pick<Row, 'kc' | 'kcb' | 'kcSource' | 'kcbSource' | 'leafCover' | 'cycle'> {
  const factor = PLANT_FACTORS[kind];
  const basal = Math.round((factor - SOIL_SHARE) * 100) / 100;
  const fall = Math.round(LEAF_FALL * factor * 100) / 100;
  const source = 'ANSI/ASABE S623' as const;
  return {
    kc: leaf === 'evergreen' ? [factor, factor, factor] : [BARE.kc, factor, fall],
    kcb:
      leaf === 'evergreen'
        ? [basal, basal, basal]
        : [BARE.kcb, basal, Math.round((fall - SOIL_SHARE) * 100) / 100],
    kcSource: source,
    kcbSource: source,
    leafCover: kind.endsWith('turf') ? 0.95 : 0.85,
    cycle: leaf,
  };
}

export const vegetable = inGroup('vegetables');

const values = ([ini, mid, end]: readonly [number, number, number], source: Source): CropEntry['kc'] => ({
  ini,
  mid,
  end,
  source,
});

/** Turns a written row into a full catalogue entry, with a source beside every value. */
export function entry(row: NamedRow): CropEntry {
  const [ini, dev, mid, late] = row.stages;
  const [minM, maxM] = row.rootsM;
  const has = (trait: Trait): boolean => row.traits.includes(trait);
  return {
    id: row.id,
    name: row.name,
    group: row.group,
    cycle: row.cycle ?? 'annual',
    kc: values(row.kc, row.kcSource ?? 'FAO-56 table 12'),
    kcb: values(row.kcb, row.kcbSource ?? 'FAO-56 table 17'),
    heightM: row.heightM,
    ...(row.leafCover === undefined ? {} : { leafCover: row.leafCover }),
    ...(row.cropsOn ? { cropsOn: true } : {}),
    heightSource: row.heightSource ?? 'FAO-56 table 12',
    stages: { ini, dev, mid, late, source: row.stagesSource ?? 'FAO-56 table 11' },
    roots: { minM, maxM, source: row.rootsSource ?? 'FAO-56 table 22' },
    p: { value: row.p, source: row.pSource ?? 'FAO-56 table 22' },
    spacing: { inRowMm: row.spacing[0], betweenRowsMm: row.spacing[1] },
    usualStart: row.usualStart,
    traits: {
      foliageDiseaseProne: has('foliageDiseaseProne'),
      splits: has('splits'),
      blossomEndRot: has('blossomEndRot'),
      boltsWhenDry: has('boltsWhenDry'),
      likesAcidWater: has('likesAcidWater'),
      leafyGreen: has('leafyGreen'),
      dislikesWetFeet: has('dislikesWetFeet'),
    },
    frost: row.frost,
    toughening: row.toughening,
    thirstiest: row.thirstiest,
    sensitivity: row.sensitivity,
  };
}
