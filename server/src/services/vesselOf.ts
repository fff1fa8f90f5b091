import type { PotFacts } from '@kibble/contract';
import { vesselKind, type PlantingInput, type VesselInput } from '@kibble/core';

/** What is declared of a pot of a kind, as the core takes it. */
export function vesselOf(kind: string, facts: PotFacts, plantings: PlantingInput[]): VesselInput {
  const { asBuilt } = vesselKind(kind);
  const { stands, sun, wind, wall, light, warmth, air } = facts;
  const declared: VesselInput = {
    volumeL: facts.volumeL ?? undefined,
    topM: facts.topM ?? undefined,
    baseM: facts.baseM ?? undefined,
    heightM: facts.heightM ?? undefined,
    trough: facts.trough,
    mix: facts.mix,
    material: facts.material,
    dressing: facts.dressing,
    saucer: facts.saucer && !facts.noHole,
    noHole: facts.noHole || undefined,
    reservoirL: facts.reservoirL ?? undefined,
    roots: facts.roots,
    acrossM: facts.acrossM ?? undefined,
    plantings,
    indoors: stands === 'indoors' ? { light, warmth, air } : undefined,
    greenhouse: stands === 'greenhouse',
    // A balcony has a roof or another one over it.
    place: { sun, wind, wall, underCover: stands === 'balcony' || undefined },
  };
  return asBuilt ? asBuilt(declared) : declared;
}
