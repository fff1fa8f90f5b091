import type { EventView, GardenView } from '@kibble/contract';
import type { KeptRounds, Site, SourcedDay } from '@kibble/core';

/** A garden's facts of a day, as far as a plan needs them: what is on record, and the weather behind and ahead. */
export interface Facts {
  garden: GardenView;
  events: EventView[];
  site: Site;
  today: string;
  weather: SourcedDay[];
  /** Round days proposed before. */
  kept: KeptRounds | null;
}
