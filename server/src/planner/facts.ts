import type { EventView, GardenView } from '@kibble/contract';
import type { PotsOnRecord } from '../services/potsOnRecord.ts';
import type { DoneTask, ProposedRounds, Site, SourcedDay } from '@kibble/core';

/** A garden's facts of a day, as far as a plan needs them: what is on record, and the weather behind and ahead. */
export interface Facts {
  garden: GardenView;
  events: EventView[];
  site: Site;
  today: string;
  weather: SourcedDay[];
  /** Pots and trays, with what is written down of them. */
  pots: PotsOnRecord;
  /** Tasks that were seen to. */
  done: DoneTask[];
  /** Round days proposed before. */
  proposal: ProposedRounds | null;
}
