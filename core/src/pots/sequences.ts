import { within } from '../units/guard.ts';

/** A step of what is done by the clock: minutes, or none where a tick ends it. */
export interface SequenceStep {
  id: string;
  /** What to do, in a line. */
  says: string;
  minutes: number | null;
  /** What must be seen before it is over; the clock alone does not end it. */
  asks: string | null;
}

export const SEQUENCE_KINDS = ['tray soak', 'rescue', 'drench twice'] as const;
export type SequenceKind = (typeof SEQUENCE_KINDS)[number];

/** How deep trays stand. Common practice. */
export const SOAK_MM = { low: 25, high: 50 };

/** Water colder than this is let stand first. Judgement; common practice stands it in winter. */
const COLD_C = 12;

/** Whether the water is let stand first. @param coldC lowest air of the last night, °C; null where nobody knows. Source: common practice; the figure is a judgement. */
export const isColdWater = (coldC: number | null): boolean => coldC !== null && coldC < COLD_C;

/** A bath and a tray where nobody measured them, m², and how deep the water stands, mm. Judgements. */
export const USUAL_SOAK = { bathM2: 0.24, trayM2: 0.04, depthMm: 40 };

/** Of what a pot holds, so much runs through when it is drenched twice. Judgement, as in its way. */
const RUNS_THROUGH = 0.2;

/** What a pot or tray took up, or was given, when its sequence is over, mL. @param pot what it holds, and still held as it began, mL. Source: arithmetic. */
export const sequenceMl = (kind: string, { holdsMl, heldMl }: { holdsMl: number; heldMl: number }): number =>
  Math.max(0, holdsMl - heldMl) + (kind === 'drench twice' ? RUNS_THROUGH * holdsMl : 0);

/**
 * The steps of something that goes by the clock. Common practice: let cold water stand 30 minutes, soak trays 30 minutes in
 * 25–50 mm until the surface is dark, drain 30 minutes; a dried pot stands in water one to two hours and has recovered at two.
 * @param coldC lowest air of the last night, °C: under 12 the water is let stand first
 */
export function sequenceSteps(kind: SequenceKind, coldC: number | null): SequenceStep[] {
  const step = (
    id: string,
    says: string,
    minutes: number | null,
    asks: string | null = null,
  ): SequenceStep => ({ id, says, minutes, asks });
  const steps: Record<SequenceKind, SequenceStep[]> = {
    'tray soak': [
      ...(isColdWater(coldC)
        ? [step('stand', 'Fill the bath and let the water stand, so that roots are not shocked', 30)]
        : []),
      step('soak', 'Stand the trays in shallow water', 30, 'the surface is dark and moist'),
      step('drain', 'Lift them out to drain, on slats or wood', 30),
      step('return', 'Put them back in their place', null),
    ],
    rescue: [
      step('soak', 'Stand the pot in water up to the rim, and wet the top too', 60, 'no more bubbles rise'),
      step('drain', 'Lift it out and let it drain in the shade', 30),
      step('look', 'Come back: has it recovered?', 30, 'leaves stand again'),
    ],
    'drench twice': [
      step('first', 'Water until it drains', null),
      step('rest', 'Let it rest', 10),
      step('second', 'Water until it drains once more', null),
    ],
  };
  return steps[kind];
}

/** How far a step is: seconds left, below 0 when it is over its time; null where no clock runs. @param elapsedS seconds since it began, 0 and more */
export const secondsLeft = ({ minutes }: SequenceStep, elapsedS: number): number | null =>
  minutes === null ? null : 60 * minutes - within('elapsedS', elapsedS, 0, 1e9);

/**
 * Water for a soak: the bath to a depth, and what the trays take.
 * @param bathM2 m² of the bath; `depthMm` 25–50; `takesMl` what each tray has room for, mL
 * @returns litres in the bath at a time, how many trays fit, litres in all
 * @throws RangeError on a depth outside 10–100 mm or no area
 * Source: arithmetic; depths are common practice.
 */
export function soakWater(options: {
  bathM2: number;
  trayM2: number;
  depthMm: number;
  takesMl: readonly number[];
}) {
  const bath = within('bathM2', options.bathM2, 0.01, 10, 'm²');
  // A pot may be as wide as five metres either way.
  const tray = within('trayM2', options.trayM2, 1e-6, 30, 'm²');
  const atOnce = Math.max(1, Math.floor(bath / tray));
  const bathL = bath * within('depthMm', options.depthMm, 10, 100, 'mm');
  const takenL = options.takesMl.reduce((a, b) => a + b, 0) / 1000;
  const rounds = Math.max(1, Math.ceil(options.takesMl.length / atOnce));
  return { bathL, atOnce, rounds, litres: bathL + takenL };
}
