import type { VesselInput } from './vesselModel.ts';

/** A kind of vessel: what is so of every one of that kind, beside what is declared of each. */
export interface VesselKind {
  /** What one and several are called within a sentence, and what one chooses to add one. */
  one: string;
  many: string;
  choice: string;
  /** It raises seedlings: asked by what is seen and not by a date, soaked from below, kept rather dry in the cold. Common practice. */
  seedlings?: true;
  /** What such a vessel is beside what is declared of it. */
  asBuilt?: (declared: VesselInput) => VesselInput;
}

/** Kinds of vessels by name. A new one is a line here, and one in the web's table of drawings: see docs/adding-a-place.md. */
export const VESSEL_KINDS: Record<string, VesselKind> = {
  pot: { one: 'pot', many: 'pots', choice: 'a pot or planter' },
  tray: { one: 'tray', many: 'trays', choice: 'a tray of seedlings', seedlings: true },
  basket: {
    one: 'basket',
    many: 'baskets',
    choice: 'a hanging basket',
    asBuilt: (declared) => ({ ...declared, hung: true }),
  },
};

/** What is so of a kind of vessel; of one that no version knows any more, what is so of a pot. Source: none needed, a table. */
export const vesselKind = (kind: string): VesselKind =>
  (Object.hasOwn(VESSEL_KINDS, kind) ? VESSEL_KINDS[kind] : undefined) ?? POT;
const POT: VesselKind = { one: 'pot', many: 'pots', choice: 'a pot or planter' };
