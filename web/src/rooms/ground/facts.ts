import { type BedView } from '@kibble/contract';
import { deliveryRate, FILLS, intakeRate, wettedFractionOf, type KnownBed, knownBed } from '@kibble/core';
import type { WordId } from '../../words/glossary.ts';
import type { Units } from '../../words/units.ts';
import { isAssumed } from '../../ui/workingText.ts';

/** One figure of a bed's ground or water: its words, and whether it is assumed. */
export interface Fact {
  label: string;
  text: string;
  assumed: boolean;
  /** What its label means. */
  word?: WordId;
}

export interface BedFacts {
  known: KnownBed;
  soil: Fact;
  intake: Fact;
  drains: Fact;
  flow: Fact;
  rate: Fact;
  evenness: Fact;
  wets: Fact;
}

/** What lies there, by name: soil, or what a raised bed was filled with. */
const nameOf = (horizon: KnownBed['ground']['horizons'][number] | undefined): string =>
  horizon?.fill ? FILLS[horizon.fill].label : (horizon?.textureClass ?? '');

/** What is known and what is assumed of a bed, in the gardener's units. */
export function bedFacts(bed: BedView, today: string, units: Units): BedFacts {
  const known = knownBed(bed, today);
  const { ground, delivery } = known;
  const sources = known.known;
  const [top, below] = ground.horizons;
  const mulched = Boolean(bed.mulchMaterial && bed.mulchMm);
  return {
    known,
    soil: {
      label: 'Soil',
      text: `${nameOf(top)}${below && nameOf(below) !== nameOf(top) ? ` over ${nameOf(below)}` : ''}`,
      assumed: isAssumed(sources.soil),
    },
    intake: {
      label: 'Soaks in at',
      word: 'soaks in',
      text: units.text('rate', intakeRate(ground, mulched)),
      assumed: isAssumed(sources.intake),
    },
    drains: {
      label: 'Drains below',
      word: 'barrier',
      text:
        ground.drainageMmPerHour === undefined
          ? 'as such soil does'
          : units.text('rate', ground.drainageMmPerHour),
      assumed: isAssumed(sources.drainage),
    },
    flow: {
      label: 'Flow',
      text: units.text('flow', delivery.litresPerMinute),
      assumed: isAssumed(sources.flow),
    },
    rate: {
      label: 'Comes at',
      word: 'speed',
      text: units.text('rate', deliveryRate(delivery, known.areaM2)),
      assumed: isAssumed(sources.flow),
    },
    evenness: {
      label: 'Evenness',
      word: 'evenness',
      text:
        delivery.lowQuarterUniformity === undefined
          ? 'taken as even'
          : units.text('share', delivery.lowQuarterUniformity),
      assumed: isAssumed(sources.evenness),
    },
    wets: {
      label: 'Wets',
      word: 'wets',
      text: `${units.text('share', wettedFractionOf(delivery))} of the bed`,
      assumed: wettedFractionOf(delivery) < 1 && isAssumed(sources.wettedFraction),
    },
  };
}
