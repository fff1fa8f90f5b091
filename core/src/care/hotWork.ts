import type { AlertCode } from '../weather/alerts.ts';

const HOT: ReadonlySet<AlertCode> = new Set(['heat wave', 'hot dry wind']);
/** True while the weather is hard on whoever works in it, or is about to be. */
export const isHotWork = (alerts: readonly { code: AlertCode }[]): boolean =>
  alerts.some(({ code }) => HOT.has(code));
