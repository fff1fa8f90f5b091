/** What cacti and succulents ask for in hot, dry air and in cool, damp air, in pots and in beds. */
export const BODY_TASKS = {
  'rinse dust': 'The air is hot and dry: rinse the dust off its body this morning, which keeps mites away.',
  'wet bodies': 'The air is cool and damp: water the soil only and keep its body dry, or it may rot.',
} as const;
