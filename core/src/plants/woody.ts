import type { CropEntry, CropGroup } from './types.ts';

const WOODY: ReadonlySet<CropGroup> = new Set(['fruit trees', 'ornamental trees', 'shrubs and roses']);
/** Soft fruit taller than this grows on bushes and canes, m. */
const BUSH_M = 0.5;

/** Whether a plant of the catalogue is a tree, a shrub or a bush: what its roots hold lasts, and its gap between waterings counts. */
export const isWoody = ({ group, heightM }: Pick<CropEntry, 'group' | 'heightM'>): boolean =>
  WOODY.has(group) || (group === 'soft fruit' && heightM > BUSH_M);
