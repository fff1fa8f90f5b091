/** So many beds, in words. */
export const bedsCounted = (count: number): string => (count === 1 ? 'One bed' : `${count} beds`);
