import type { Air, Summers, Terrain } from '@kibble/core';

/** What is asked of a place where nothing was measured, and the words of each answer. */
export const TERRAIN_WORDS: readonly (readonly [Terrain, string])[] = [
  ['lowland', 'lowland'],
  ['hills', 'hills'],
  ['mountains', 'mountains'],
];
export const SUMMER_WORDS: readonly (readonly [Summers, string])[] = [
  ['cool', 'cool'],
  ['mild', 'mild'],
  ['warm', 'warm'],
  ['hot', 'hot'],
];
export const AIR_WORDS: readonly (readonly [Air, string])[] = [
  ['humid', 'humid'],
  ['average', 'in between'],
  ['dry', 'dry'],
];

/** A latitude as it is said. */
export const latitudeWords = (latitudeDeg: number): string =>
  `${Math.abs(latitudeDeg).toFixed(1)}° ${latitudeDeg < 0 ? 'south' : 'north'}`;
