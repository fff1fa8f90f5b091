import type { SourceKind } from './source.ts';

/** Water from the mains: as much as is asked for. What a meter allows is a limit of the garden. */
export const mains: SourceKind<null> = {
  kind: 'mains',
  start: () => null,
  level: () => Number.POSITIVE_INFINITY,
  step: () => undefined,
};
