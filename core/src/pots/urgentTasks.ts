import type { PotTask } from './potTasks.ts';

const ALARMS: ReadonlySet<PotTask['code']> = new Set(['rescue', 'damping off', 'bring in', 'tip out']);

/** What must not wait. */
export const isUrgent = ({ code }: PotTask): boolean => ALARMS.has(code);
