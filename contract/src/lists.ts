/** Lists that both the schemas and the screens read; nothing here needs the schema library. */
export const SKIP_REASONS = ['feels moist', 'no time', 'rain on the way', 'other'] as const;
export const SECTION_STATES = ['past its line', 'due today', 'too wet', 'enough', 'nothing growing'] as const;
