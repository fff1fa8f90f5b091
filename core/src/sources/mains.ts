import type { SourceKind } from './source.ts';

/** Water from the mains: as much as the tap gives, for as long as it is open. What a meter allows is a limit of the garden. */
export const mains: SourceKind<null> = {
  kind: 'mains',
  flow: ({ litresPerMinute }) => litresPerMinute,
  start: () => null,
  level: () => Number.POSITIVE_INFINITY,
  step: () => undefined,
};
