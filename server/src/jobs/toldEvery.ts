/** Beds between two words of how far a plan is. */
export const TOLD_EVERY = 10;
