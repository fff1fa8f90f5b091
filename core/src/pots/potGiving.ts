import type { IsoDate } from '../units/dates.ts';
import type { GivenHow } from './entries.ts';

/** Water planned for a pot on a day, mL, and at which hour it is best given. */
export interface PotGiving {
  date: IsoDate;
  millilitres: number;
  /** A mix that has drawn back is stood in water, whatever its way. */
  how: GivenHow;
  /** A second one, when it empties within the day. */
  again: { hour: number; millilitres: number } | null;
}
