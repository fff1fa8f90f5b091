import { vessel as place } from '../places/vessel/vessel.ts';
import { potTasks } from '../pots/potTasks.ts';
import type { DailyKind } from './kind.ts';

/** Whatever holds its own mix: a pot, planter or tray (`VESSEL_KINDS`). */
export const vessel: DailyKind = {
  schedule: 'daily',
  subject: 'pot',
  place: place,
  tasks: potTasks,
};
