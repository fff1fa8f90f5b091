/** Lists that both the schemas and the screens read; nothing here needs the schema library. */
export const SECTION_STATES = [
  'past its line',
  'due today',
  'too wet',
  'enough',
  'ripened',
  'killed by frost',
  'nothing growing',
] as const;
