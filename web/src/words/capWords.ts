import type { Cap, WaterReason } from '@kibble/core';
import type { Units } from './units.ts';

/** Why a watering found no room, and what would change that. */
export const capWords = (why: Cap): string => CAPS[why].putOff;

/** Why a watering is only a part of what the bed wants, and what would change that; nothing where it is the whole. */
export const partWords = ({ partBy }: WaterReason): string => (partBy === null ? '' : CAPS[partBy].part);

const CAPS: Readonly<Record<Cap, { putOff: string; part: string }>> = {
  'minutes a day': {
    putOff:
      'your minutes for the day go to what would suffer more. More minutes in Settings, or a timer, would change that.',
    part: 'Your minutes for the day leave only a part of what it wants. More minutes in Settings, or a timer, would change that.',
  },
  'turns of the tap': {
    putOff:
      'the extra turns of a day go to what would suffer more. More turns in Settings, or a timer, would change that.',
    part: 'The extra turns of a day leave only a part of what it wants. More turns in Settings, or a timer, would change that.',
  },
  'litres a day': {
    putOff: 'the water that a day allows goes to what would suffer more.',
    part: 'The water that a day allows leaves only a part of what it wants. The rest follows on another day.',
  },
  'litres a week': {
    putOff: 'the water that the week allows goes to what would suffer more.',
    part: 'The water that the week allows leaves only a part of what it wants.',
  },
  'its source': {
    putOff: 'what the well gives in a day goes to what would suffer more.',
    part: 'The well gives no more today, so this is only a part of what it wants. The rest follows when the well has filled again.',
  },
  'open hours': {
    putOff:
      'the hours in which you water are full, and they go to what would suffer more. Longer hours in Settings, or a timer, would change that.',
    part: 'It takes longer than the hours in which you water, so this is only a part. Longer hours in Settings, more flow, or a timer would change that.',
  },
  'turns at a bed': {
    putOff: 'the turns that one bed may have are used up.',
    part: 'The soil takes water slowly, and the turns by hand bring only a part of what it wants. More turns in Settings, a gentler flow, or a timer would change that.',
  },
  'fills a day': {
    putOff: 'both of its fills for the day are used up.',
    part: 'Two fills a day of its bucket bring only a part of what it wants. A smaller bed on the kit, or a drip line on a tap, would change that.',
  },
  'its zone': {
    putOff: 'its zone does not run.',
    part: 'Its zone runs no longer than most of its beds need, so this is only a part of what it wants. More drip lines on it, or a zone of its own, would change that.',
  },
  'longest run': {
    putOff: 'the longest run that you allow is used up.',
    part: 'The whole would run longer than you allow a tap that you open by hand, so this is only a part. A longer run in Settings, more flow, or a timer would change that.',
  },
};

/** A lawn after weeks of drought is soaked no deeper than its roots lie; nothing of others. */
export const droughtWords = ({ shallowMm }: WaterReason, units: Units): string =>
  shallowMm === null
    ? ''
    : `After weeks short of water the roots of grass lie nearer the surface, so this fills only the top ${units.text('depth', shallowMm)}.`;
