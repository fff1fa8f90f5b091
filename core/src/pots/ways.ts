import { cropOf } from '../plants/plantOnDay.ts';
import { isResting } from '../plants/restSeason.ts';
import type { VesselInput } from '../places/vessel/vesselModel.ts';
import type { IsoDate } from '../units/dates.ts';

export const POT_WAYS = [
  'exact dose',
  'drench',
  'drench twice',
  'soak and dry',
  'from below',
  'reservoir',
] as const;
export type PotWay = (typeof POT_WAYS)[number];

/** How a pot is watered: when it is due, how much, and when that way suits. */
export interface PotWayFacts {
  label: string;
  /** What to do, in a line. */
  does: string;
  suits: string;
  /** It is due when so much of its store is gone: of what goes easily, or of all of it. */
  due: { of: 'easy' | 'all'; share: number };
  /** Given of what is gone; and beside that to run through, of what the pot holds. */
  fills: number;
  drains: number;
  /** Somebody must have found it wholly dry first. */
  asksDry: boolean;
  how: 'poured' | 'twice' | 'from below' | 'reservoir';
}

/** Common practice, all of them; shares are judgements. */
export const POT_WAY_FACTS: Readonly<Record<PotWay, PotWayFacts>> = {
  'exact dose': {
    label: 'Exact dose',
    does: 'just what is gone, so that nothing reaches the saucer',
    suits: 'indoors, on good furniture, and where a pot has been weighed',
    due: { of: 'easy', share: 1 },
    fills: 0.97,
    drains: 0,
    asksDry: false,
    how: 'poured',
  },
  drench: {
    label: 'Drench till it drains',
    does: 'until a little runs from the hole, which takes salts with it',
    suits: 'outdoors, hard water, pots that are fed',
    due: { of: 'easy', share: 1 },
    fills: 1,
    drains: 0.1,
    asksDry: false,
    how: 'poured',
  },
  'drench twice': {
    label: 'Drench twice',
    does: 'until it drains, a rest of ten minutes, and once more',
    suits: 'gritty mix, roots found only in the upper half, mix that has dried out',
    due: { of: 'easy', share: 1 },
    fills: 1,
    drains: 0.2,
    asksDry: false,
    how: 'twice',
  },
  'soak and dry': {
    label: 'Soak and dry',
    does: 'a full soak, only when the mix is wholly dry',
    suits: 'cacti and succulents',
    due: { of: 'all', share: 0.93 },
    fills: 1,
    drains: 0.1,
    asksDry: true,
    how: 'poured',
  },
  'from below': {
    label: 'From below',
    does: 'standing in shallow water until the surface darkens, about half an hour',
    suits: 'seedlings, trays, mix that sheds water',
    due: { of: 'easy', share: 1 },
    fills: 1,
    drains: 0,
    asksDry: false,
    how: 'from below',
  },
  reservoir: {
    label: 'Reservoir',
    does: 'the tank beneath is filled when it has run empty',
    suits: 'planters with a tank, and days away',
    due: { of: 'easy', share: 0.5 },
    fills: 1,
    drains: 0,
    asksDry: false,
    how: 'reservoir',
  },
};

/** The way that suits a pot, and why. Common practice. */
export function usualWay(vessel: VesselInput, seedlings = false): { way: PotWay; why: string } {
  if (seedlings) return { way: 'from below', why: 'a can flattens seedlings and splashes the mix' };
  if (vessel.noHole)
    return { way: 'exact dose', why: 'it has no hole, and nothing may be left standing in it' };
  if (vessel.reservoirL) return { way: 'reservoir', why: 'it has a tank' };
  const crops = vessel.plantings.map(cropOf);
  if (crops.length > 0 && crops.every(({ group }) => group === 'cacti and succulents'))
    return { way: 'soak and dry', why: 'its plants store their own water' };
  if (vessel.mix === 'gritty') return { way: 'drench twice', why: 'gritty mix lets the first water past' };
  if (vessel.indoors) return { way: 'exact dose', why: 'it stands indoors' };
  return { way: 'drench', why: 'it stands outdoors, and salts are washed out' };
}

/** Whether a way lets water run through, which needs a hole. */
export const needsHole = (way: PotWay): boolean => POT_WAY_FACTS[way].drains > 0;

/** Whether all that stands in it rests. */
export const potRests = (vessel: VesselInput, date: IsoDate, latitudeDeg: number): boolean =>
  vessel.plantings.length > 0 && vessel.plantings.every((p) => isResting(cropOf(p), date, latitudeDeg));
