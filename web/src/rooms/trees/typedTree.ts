import type { LimitedField, NewTreeDraft, TreeBody, TreeNow } from '@kibble/contract';
import {
  cropById,
  daysBetween,
  newTree,
  treeAsDeclared,
  treePlan,
  trunkOfGirth,
  type CropEntry,
  type Goal,
  type TextureClass,
  type TreePlan,
} from '@kibble/core';
import { typedSi } from '../../words/numberRule.ts';
import type { Units } from '../../words/units.ts';
import { figure, filled, obeys, type FieldSchemas } from '../../words/formSchema.ts';

/** A tree as it is typed: text, in the gardener's units. */
export interface TypedTree {
  name: string;
  cropId: string;
  plantedOn: string;
  place: string;
  textureClass: TextureClass;
  flow: string;
  measured: boolean;
  timer: boolean;
  startWetness: NonNullable<NewTreeDraft['startWetness']>;
  sort: TreeBody['sort'];
  count: string;
  canopy: string;
  height: string;
  trunk: string;
  trunkBy: 'thick' | 'girth';
  length: string;
  cameAs: TreeBody['cameAs'];
  pot: string;
  ball: string;
  beneath: TreeBody['beneath'];
  mulched: string;
  gap: NonNullable<TreeBody['gap']>;
  near: TreeBody['near'];
  nearOff: string;
  reach: TreeBody['reach'];
  by: TreeBody['layout']['by'];
  pieces: string;
  pieceLph: string;
  bucket: string;
  empties: string;
  soakBy: NonNullable<TreeBody['soakBy']>;
  litresEach: string;
  depth: string;
  part: string;
  goal: Goal;
  indicator: boolean;
  shares: string[];
}

/** The text fields that hold a figure, with the limit each is held to. */
export const FIGURES = {
  flow: 'litresPerMinute',
  count: 'treeCount',
  canopy: 'canopyM',
  height: 'treeHeightM',
  trunk: 'trunkM',
  length: 'hedgeM',
  pot: 'potLitres',
  ball: 'ballM',
  mulched: 'mulchedM',
  nearOff: 'nearM',
  pieces: 'layoutPieces',
  pieceLph: 'pieceLph',
  bucket: 'bucketLitres',
  empties: 'minutes',
  litresEach: 'litresEach',
  depth: 'soakDepthMm',
  part: 'ringPart',
} as const satisfies Partial<Record<keyof TypedTree, LimitedField>>;
export type Figure = keyof typeof FIGURES;
const QUANTITIES = {
  flow: 'flow',
  count: 'count',
  canopy: 'length',
  height: 'length',
  trunk: 'span',
  length: 'length',
  pot: 'litresFine',
  ball: 'length',
  mulched: 'length',
  nearOff: 'length',
  pieces: 'count',
  pieceLph: 'drip',
  bucket: 'volume',
  empties: 'minutes',
  litresEach: 'volume',
  depth: 'depth',
  part: 'share',
} as const satisfies Record<Figure, unknown>;
const NEEDED: ReadonlySet<Figure> = new Set(['canopy', 'count', 'flow']);

/** Figures that are asked for by what else is told; the others always are. */
const ASKED: Partial<Record<Figure, (typed: TypedTree) => boolean>> = {
  length: ({ sort }) => sort === 'hedge',
  count: ({ sort }) => sort !== 'hedge',
  trunk: ({ sort }) => sort === 'tree',
  ball: ({ cameAs }) => cameAs === 'balled',
  pot: ({ cameAs }) => cameAs === 'potted',
  pieces: ({ by }) => by !== 'basin',
  pieceLph: ({ by }) => by === 'emitters' || by === 'tube spiral' || by === 'micro-sprays',
  bucket: ({ by }) => by === 'buckets',
  empties: ({ by }) => by === 'buckets',
};

const girth = (units: Units) =>
  obeys((text) => {
    const roundM = typedSi('trunkM', text, units);
    return (
      text.trim() === '' ||
      (roundM !== undefined && roundM > 0 && roundM < 12) ||
      `Round the trunk must be a number above 0; got “${text}”.`
    );
  });

/** What a figure about a tree must be; null where it is not asked for. */
function figureOfTree(field: Figure, typed: TypedTree, units: Units) {
  if (!(ASKED[field]?.(typed) ?? true)) return null;
  if (field === 'length') return figure('hedgeM', units);
  if (field === 'trunk' && typed.trunkBy === 'girth') return girth(units);
  return figure(FIGURES[field], units, { optional: !NEEDED.has(field) });
}

/** What each answer about a tree must be; name and day are asked of a new one alone. */
export const treeFields = (today: string, units: Units, isNew: boolean): FieldSchemas<TypedTree> => ({
  ...(isNew
    ? {
        name: filled('Name of the tree must not be empty; got nothing.'),
        plantedOn: obeys(
          (day) =>
            (day !== '' && day <= today) ||
            `Planted on must be ${today} or earlier; got ${day || 'nothing'}.`,
        ),
      }
    : {}),
  ...Object.fromEntries(
    (Object.keys(FIGURES) as Figure[]).map((field) => [
      field,
      (typed: TypedTree) => figureOfTree(field, typed, units),
    ]),
  ),
});

const YOUNG_YEARS = 3;
const isFruit = (group: CropEntry['group']): boolean => group === 'fruit trees' || group === 'soft fruit';
/** Fields that follow from the kind and the age until they are typed. */
export function usualFor(cropId: string, plantedOn: string, today: string, units: Units): Partial<TypedTree> {
  if (cropId === '') return {};
  const years = daysBetween(plantedOn, today) / 365;
  const crop = cropById(cropId);
  const told = newTree(crop, years);
  return {
    sort: told.sort,
    canopy: units.number('length', told.canopyM),
    length: told.lengthM === undefined ? '' : units.number('length', told.lengthM),
    cameAs: years > YOUNG_YEARS ? 'not known' : told.cameAs,
    by: told.layout.by,
    // What bears no fruit and has rooted is not pushed to grow.
    goal: isFruit(crop.group) || years < YOUNG_YEARS ? 'steady' : 'thrifty',
  };
}

export const emptyTree = (today: string, units: Units): TypedTree => ({
  name: '',
  cropId: '',
  plantedOn: today,
  place: '',
  textureClass: 'loam',
  flow: units.number('flow', 10),
  measured: false,
  timer: false,
  startWetness: 'moist',
  sort: 'tree',
  count: '1',
  canopy: units.number('length', 1),
  height: '',
  trunk: '',
  trunkBy: 'thick',
  length: '',
  cameAs: 'potted',
  pot: '',
  ball: '',
  beneath: 'mulch',
  mulched: '',
  gap: 'at most 21',
  near: 'nothing',
  nearOff: '',
  reach: 'at the edge',
  by: 'basin',
  pieces: '',
  pieceLph: '',
  bucket: '',
  empties: '',
  soakBy: 'ground',
  litresEach: '',
  depth: '',
  part: '',
  goal: 'steady',
  indicator: false,
  shares: [],
});

export function typedFromTree(
  { facts }: Pick<TreeNow, 'facts'>,
  delivery: { litresPerMinute: number; measured: boolean; timer?: boolean },
  today: string,
  units: Units,
): TypedTree {
  const text = (field: Figure, value: number | undefined): string =>
    value === undefined ? '' : units.number(QUANTITIES[field], value);
  return {
    ...emptyTree(today, units),
    flow: text('flow', delivery.litresPerMinute),
    measured: delivery.measured,
    timer: delivery.timer ?? false,
    sort: facts.sort,
    count: String(facts.count),
    canopy: text('canopy', facts.canopyM),
    height: text('height', facts.heightM),
    trunk: text('trunk', facts.trunkM),
    length: text('length', facts.lengthM),
    cameAs: facts.cameAs,
    pot: text('pot', facts.potL),
    ball: text('ball', facts.ballM),
    beneath: facts.beneath,
    mulched: text('mulched', facts.mulchedM),
    gap: facts.gap ?? 'at most 21',
    near: facts.near,
    nearOff: text('nearOff', facts.nearM),
    reach: facts.reach,
    by: facts.layout.by,
    pieces: text('pieces', facts.layout.pieces),
    pieceLph: text('pieceLph', facts.layout.pieceLph),
    bucket: text('bucket', facts.layout.bucketL),
    empties: text('empties', facts.layout.emptiesMinutes),
    soakBy: facts.soakBy ?? 'ground',
    litresEach: text('litresEach', facts.litresEach),
    depth: text('depth', facts.depthMm),
    part: facts.part === 1 ? '' : text('part', facts.part),
    indicator: facts.indicator ?? false,
    shares: (facts.shares ?? []).map(String),
  };
}

/** What is told of the tree itself; `ring` where it is to stay where it lies. */
export function treeDraft(typed: TypedTree, units: Units, ring?: TreeBody['ring']): TreeBody {
  const si = (field: Figure): number | undefined => typedSi(FIGURES[field], typed[field], units);
  const trunk = si('trunk');
  return {
    sort: typed.sort,
    count: typed.sort === 'hedge' ? 1 : (si('count') ?? 1),
    canopyM: si('canopy') ?? 0,
    heightM: si('height'),
    trunkM: trunk === undefined ? undefined : typed.trunkBy === 'girth' ? trunkOfGirth(trunk) : trunk,
    lengthM: typed.sort === 'hedge' ? si('length') : undefined,
    cameAs: typed.cameAs,
    potL: typed.cameAs === 'potted' ? si('pot') : undefined,
    ballM: typed.cameAs === 'balled' ? si('ball') : undefined,
    beneath: typed.beneath,
    mulchedM: si('mulched'),
    gap: typed.gap === 'at most 21' ? undefined : typed.gap,
    near: typed.near,
    nearM: typed.near === 'nothing' ? undefined : si('nearOff'),
    reach: typed.reach,
    ring,
    part: si('part'),
    depthMm: si('depth'),
    layout: {
      by: typed.by,
      pieces: si('pieces'),
      pieceLph:
        typed.by === 'emitters' || typed.by === 'micro-sprays' || typed.by === 'tube spiral'
          ? si('pieceLph')
          : undefined,
      bucketL: typed.by === 'buckets' ? si('bucket') : undefined,
      emptiesMinutes: typed.by === 'buckets' ? si('empties') : undefined,
    },
    soakBy: typed.soakBy === 'ground' ? undefined : typed.soakBy,
    litresEach: si('litresEach'),
    shares: typed.shares.length > 0 ? typed.shares.map(Number) : undefined,
    indicator: typed.indicator || undefined,
  };
}

export const newTreeDraft = (typed: TypedTree, units: Units): NewTreeDraft => ({
  name: typed.name,
  cropId: typed.cropId,
  plantedOn: typed.plantedOn,
  place: typed.place || null,
  textureClass: typed.textureClass,
  startWetness: typed.startWetness,
  goal: typed.goal,
  delivery: {
    litresPerMinute: typedSi('litresPerMinute', typed.flow, units) ?? 0,
    measured: typed.measured,
    timer: typed.timer || undefined,
  },
  tree: treeDraft(typed, units),
});

/** The plan that what is typed would have; null while it cannot be. */
export function sketchOf(
  typed: TypedTree,
  crop: CropEntry | null,
  today: string,
  units: Units,
  ring?: TreeBody['ring'],
): { plan: TreePlan; facts: ReturnType<typeof treeAsDeclared> } | null {
  if (!crop) return null;
  try {
    const facts = treeAsDeclared(treeDraft(typed, units, ring), typed.plantedOn, today);
    const litresPerMinute = typedSi('litresPerMinute', typed.flow, units) ?? 0;
    const plan = treePlan(
      facts,
      { cropId: crop.id, custom: crop, plantedOn: typed.plantedOn },
      today,
      { horizons: [{ textureClass: typed.textureClass }] },
      { method: 'bubbler', litresPerMinute },
    );
    return { plan, facts };
  } catch {
    return null;
  }
}
