import type { AlertCode } from '../weather/alerts.ts';

const HOT: ReadonlySet<AlertCode> = new Set(['heat wave', 'hot dry wind']);
/**
 * True while the weather is hard on whoever works in it, or is about to be.
 * @param alerts of the days ahead
 * Source: a judgement: what is a heat wave or a hot dry wind for plants is one for people.
 */
export const isHotWork = (alerts: readonly { code: AlertCode }[]): boolean =>
  alerts.some(({ code }) => HOT.has(code));
