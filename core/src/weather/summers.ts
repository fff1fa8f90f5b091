/** What summers are like, and the air: two words that tell London from Las Vegas where nothing was ever measured. */
export const SUMMERS = ['cool', 'mild', 'warm', 'hot'] as const;
export const AIRS = ['humid', 'average', 'dry'] as const;
export type Summers = (typeof SUMMERS)[number];
export type Air = (typeof AIRS)[number];
