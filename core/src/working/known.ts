import type { Provenance } from './types.ts';

/** What is known better than a default about a place, and how. Whatever is left out is assumed. */
export interface Known {
  flow?: Provenance;
  wettedFraction?: Provenance;
  efficiency?: Provenance;
  evenness?: Provenance;
  soil?: Provenance;
  organicMatter?: Provenance;
  drainedAt?: Provenance;
  layers?: Provenance;
  drainage?: Provenance;
  intake?: Provenance;
  place?: Provenance;
  area?: Provenance;
}
