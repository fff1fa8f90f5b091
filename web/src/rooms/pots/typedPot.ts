import type { PotDraft, PotView } from '@kibble/contract';
import type { LimitedField } from '@kibble/contract';
import { typedSi } from '../../words/numberRule.ts';
import type { Units } from '../../words/units.ts';
import { figure, filled, type FieldSchemas } from '../../words/formSchema.ts';

type Facts = PotView['facts'];

/** A pot as it is typed: text, in the gardener's units. */
export interface TypedPot {
  kind: string;
  name: string;
  spot: string;
  sizeBy: 'litres' | 'measures' | 'trough';
  volume: string;
  top: string;
  base: string;
  height: string;
  across: string;
  tank: string;
  mix: Facts['mix'];
  material: Facts['material'];
  dressing: Facts['dressing'];
  saucer: boolean;
  noHole: boolean;
  roots: Facts['roots'];
  stands: Facts['stands'];
  sun: Facts['sun'];
  wind: Facts['wind'];
  wall: boolean;
  hangs: boolean;
  light: Facts['light'];
  warmth: Facts['warmth'];
  air: Facts['air'];
  way: NonNullable<Facts['way']> | 'usual';
  plants: { cropId: string; plantedOn: string }[];
  startWetness: NonNullable<PotDraft['startWetness']>;
  notes: string;
  /** Of new ones: how many alike are put on the shelf. */
  alike: string;
}

export const emptyPot = (today: string, spot: string): TypedPot => ({
  kind: 'pot',
  name: '',
  spot,
  sizeBy: 'litres',
  volume: '',
  top: '',
  base: '',
  height: '',
  across: '',
  tank: '',
  mix: 'standard',
  material: 'plastic',
  dressing: 'bare',
  saucer: false,
  noHole: false,
  roots: 'filled',
  stands: 'outdoors',
  sun: 'full',
  wind: 'open',
  wall: false,
  hangs: false,
  light: 'bright',
  warmth: 'warm',
  air: 'ordinary',
  way: 'usual',
  plants: [{ cropId: '', plantedOn: today }],
  startWetness: 'soaked',
  notes: '',
  alike: '1',
});

/** The text fields that hold a figure, with the limit each is held to. */
export const FIGURES = {
  volume: 'potLitres',
  top: 'potAcrossM',
  base: 'potAcrossM',
  height: 'potHeightM',
  across: 'leavesAcrossM',
  tank: 'reservoirL',
} as const satisfies Partial<Record<keyof TypedPot, LimitedField>>;
export type Figure = keyof typeof FIGURES;

export function typedFromPot(pot: PotView, units: Units): TypedPot {
  const { facts } = pot;
  const text = (field: Figure, value: number | null | undefined): string =>
    value === null || value === undefined ? '' : units.number(QUANTITY[field], value);
  return {
    kind: pot.kind,
    name: pot.name,
    spot: pot.spot,
    sizeBy: facts.trough ? 'trough' : (facts.topM ?? null) === null ? 'litres' : 'measures',
    volume: text('volume', facts.volumeL),
    top: text('top', facts.topM),
    base: text('base', facts.baseM),
    height: text('height', facts.heightM),
    across: text('across', facts.acrossM),
    tank: text('tank', facts.reservoirL),
    mix: facts.mix,
    material: facts.material,
    dressing: facts.dressing,
    saucer: facts.saucer,
    noHole: facts.noHole ?? false,
    roots: facts.roots,
    stands: facts.stands,
    sun: facts.sun,
    wind: facts.wind,
    wall: facts.wall,
    hangs: facts.hangs,
    light: facts.light,
    warmth: facts.warmth,
    air: facts.air,
    way: facts.way ?? 'usual',
    plants: pot.plantings.map(({ cropId, plantedOn }) => ({ cropId, plantedOn })),
    startWetness: 'soaked',
    notes: pot.notes,
    alike: '1',
  };
}
const QUANTITY = {
  volume: 'litresFine',
  top: 'span',
  base: 'span',
  height: 'span',
  across: 'span',
  tank: 'litresFine',
} as const;

/** Which figures are asked for by how the size is told; those that need not be there. */
export const isAsked = (field: Figure, { sizeBy }: Pick<TypedPot, 'sizeBy'>): boolean =>
  field === 'volume'
    ? sizeBy === 'litres'
    : !['top', 'base', 'height'].includes(field) || sizeBy !== 'litres';
const MAY_BE_EMPTY: ReadonlySet<Figure> = new Set(['base', 'height', 'across', 'tank']);

/** What each answer about a pot must be. */
export const potFields = (units: Units): FieldSchemas<TypedPot> => ({
  name: filled('Name of the pot must not be empty; got nothing.'),
  spot: filled('Where it stands must not be empty; got nothing.'),
  alike: figure('alike', units, { whole: true }),
  ...Object.fromEntries(
    (Object.keys(FIGURES) as Figure[]).map((field) => [
      field,
      (typed: TypedPot) =>
        isAsked(field, typed) ? figure(FIGURES[field], units, { optional: MAY_BE_EMPTY.has(field) }) : null,
    ]),
  ),
});

export function potDraft(typed: TypedPot, units: Units): PotDraft {
  const si = (field: Figure): number | null =>
    isAsked(field, typed) ? (typedSi(FIGURES[field], typed[field], units) ?? null) : null;
  const {
    mix,
    material,
    dressing,
    saucer,
    noHole,
    roots,
    stands,
    sun,
    wind,
    wall,
    hangs,
    light,
    warmth,
    air,
    way,
  } = typed;
  return {
    kind: typed.kind,
    name: typed.name,
    spot: typed.spot,
    facts: {
      volumeL: si('volume'),
      topM: si('top'),
      baseM: si('base'),
      heightM: si('height'),
      trough: typed.sizeBy === 'trough',
      acrossM: si('across'),
      reservoirL: si('tank'),
      mix,
      material,
      dressing,
      saucer: saucer && !noHole,
      noHole,
      roots,
      stands,
      sun,
      wind,
      wall,
      hangs,
      light,
      warmth,
      air,
      way: way === 'usual' ? null : way,
    },
    plantings: typed.plants.filter(({ cropId }) => cropId !== ''),
    startWetness: typed.startWetness,
    notes: typed.notes,
  };
}
