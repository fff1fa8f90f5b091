import type { PotView } from '@kibble/contract';
import type { ComponentType } from 'react';
import { isOver } from '../words/potWords.ts';
import { BasketGlyph } from './BasketGlyph.tsx';
import { PotGlyph, type PotBox } from './PotGlyph.tsx';

type GlyphProps = { pot: PotView; shootPx: number } & PotBox;

/** How a kind of vessel is drawn, and how tall what grows in it stands on its own page, px. */
interface VesselFace {
  Glyph: ComponentType<GlyphProps>;
  shootPx: number;
}
const POT: VesselFace = { Glyph: PotGlyph, shootPx: 64 };

/** By the name of the kind in `VESSEL_KINDS`; one that has no line here is drawn as a pot is. */
export const VESSEL_FACES: Record<string, VesselFace> = {
  pot: POT,
  tray: { Glyph: PotGlyph, shootPx: 22 },
  basket: { Glyph: BasketGlyph, shootPx: 72 },
};

const faceOf = (kind: string): VesselFace =>
  (Object.hasOwn(VESSEL_FACES, kind) ? VESSEL_FACES[kind] : undefined) ?? POT;

/** How tall what grows in a kind of vessel is drawn, px, at a share of its size. */
export const shootPxOf = ({ kind }: Pick<PotView, 'kind'>, share = 1): number =>
  Math.round(share * faceOf(kind).shootPx);

/** A pot, tray or whatever it is, cut open as its kind is drawn. */
export function VesselGlyph({ share, pot, ...box }: Omit<GlyphProps, 'shootPx'> & { share?: number }) {
  const { Glyph } = faceOf(pot.kind);
  // What is dead or over stands no more.
  const shown = isOver(pot) ? { ...pot, plantings: [] } : pot;
  return <Glyph {...box} pot={shown} shootPx={shootPxOf(pot, share)} />;
}
