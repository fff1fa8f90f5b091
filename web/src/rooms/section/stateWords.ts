import type { SectionBed } from '@kibble/contract';
import { minutesText } from '../../words/units.ts';

/** How a bed stands, in as few words as fit over its core. */
export function stateWords(bed: SectionBed): string {
  if (bed.minutes !== null) return `${minutesText(bed.minutes)} today`;
  switch (bed.state) {
    case 'too wet':
      return 'leave: too wet';
    case 'nothing growing':
    case 'ripened':
    case 'killed by frost':
      return bed.state;
    case 'past its line':
      return 'past its line';
    case 'due today':
      return 'due today';
    case 'enough':
      if (bed.daysInHand === null) return 'a fortnight or more';
      return bed.daysInHand === 1 ? '1 day in hand' : `${bed.daysInHand} days in hand`;
  }
}
