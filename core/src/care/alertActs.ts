import type { AlertCode } from '../weather/alerts.ts';

/** What a weather asks a gardener to do, beside what its beds are told one by one. */
export const ALERT_ACTS = [
  'ready the beds',
  'shade pots and trays',
  'look at trees',
  'feel the pots',
  'no sprinkler',
  'stop the timers',
  'ready the barrels',
  'drain hoses and lines',
  'shut the outdoor tap',
  'water evergreens once',
  'dig for damp',
] as const;
export type AlertAct = (typeof ALERT_ACTS)[number];

/** What of a garden decides which acts bite there. */
export interface ActFacts {
  /** Beds that have something to do before heat: soak, mulch, shade. */
  bedsToReady: number;
  /** Something is watered from above. */
  overhead: boolean;
  /** A timer waters something. */
  timers: boolean;
  /** Trees, shrubs or other plants that outlive a year stand there. */
  woody: boolean;
}

interface Rule {
  act: AlertAct;
  when?: (facts: ActFacts) => boolean;
}

/** Source: common practice. Pots and trays need no place in the plan to be there. */
const RULES: Readonly<Record<AlertCode, readonly Rule[]>> = {
  'heat wave': [{ act: 'ready the beds', when: (f) => f.bedsToReady > 0 }, { act: 'shade pots and trays' }],
  'hot dry wind': [
    { act: 'look at trees', when: (f) => f.woody },
    { act: 'feel the pots' },
    { act: 'no sprinkler', when: (f) => f.overhead },
  ],
  'drying wind': [{ act: 'feel the pots' }, { act: 'no sprinkler', when: (f) => f.overhead }],
  'dry spell': [{ act: 'dig for damp' }, { act: 'look at trees', when: (f) => f.woody }],
  'soaking rain': [{ act: 'stop the timers', when: (f) => f.timers }, { act: 'ready the barrels' }],
  'hard frost': [{ act: 'drain hoses and lines' }, { act: 'shut the outdoor tap' }],
  'ground about to freeze': [{ act: 'water evergreens once', when: (f) => f.woody }],
};

/** What an alert asks of a garden, in the order to do it. Source: common practice, as the table above. */
export const actsOf = (code: AlertCode, facts: ActFacts): AlertAct[] =>
  RULES[code].filter(({ when }) => when?.(facts) ?? true).map(({ act }) => act);
