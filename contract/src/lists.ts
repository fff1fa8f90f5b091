/** Lists that both the schemas and the screens read; nothing here needs the schema library. */
export const SKIP_REASONS = ['feels moist', 'no time', 'rain on the way', 'other'] as const;
export const SECTION_STATES = [
  'past its line',
  'due today',
  'too wet',
  'enough',
  'ripened',
  'killed by frost',
  'nothing growing',
] as const;

/** The reasons that say something of the ground, and of the gardener’s day. */
export const MOIST: (typeof SKIP_REASONS)[number] = 'feels moist';
export const NO_TIME: (typeof SKIP_REASONS)[number] = 'no time';
