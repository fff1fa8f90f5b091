import type { PotFacts } from '@kibble/contract';
import type { PlantingInput, VesselInput } from '@kibble/core';

/** What is told of a pot, as the core takes it. */
export function vesselOf(facts: PotFacts, plantings: PlantingInput[]): VesselInput {
  const { stands, sun, wind, wall, light, warmth, air } = facts;
  return {
    volumeL: facts.volumeL ?? undefined,
    topM: facts.topM ?? undefined,
    baseM: facts.baseM ?? undefined,
    heightM: facts.heightM ?? undefined,
    trough: facts.trough,
    mix: facts.mix,
    material: facts.material,
    dressing: facts.dressing,
    saucer: facts.saucer,
    reservoirL: facts.reservoirL ?? undefined,
    roots: facts.roots,
    acrossM: facts.acrossM ?? undefined,
    plantings,
    indoors: stands === 'indoors' ? { light, warmth, air } : undefined,
    greenhouse: stands === 'greenhouse',
    // A balcony has a roof or another one over it.
    place: { sun, wind, wall, underCover: stands === 'balcony' || undefined },
  };
}
