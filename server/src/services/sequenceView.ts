import { sequenceBody, type PotsView, type SequenceView } from '@kibble/contract';
import { acidBatch, sequenceSteps, soakWater } from '@kibble/core';
import { z } from 'zod';
import type { SequenceOnRecord } from './potsOnRecord.ts';

/** Begun, it keeps how cold it was, so that its steps stay what they were. */
const stored = z.intersection(sequenceBody, z.object({ coldC: z.number().nullable().default(null) }));

/** Trays take as much as a bath lets in at once where nobody measured them, m². Judgement: half a seed tray. */
const TRAY_M2 = 0.04;
const BATH_M2 = 0.24;
const BATH_MM = 40;

type PotOfView = PotsView['spots'][number]['pots'][number];

/** Something under way as it is shown. */
export function sequenceToView(row: SequenceOnRecord, pots: readonly PotOfView[]): SequenceView | null {
  let input: z.infer<typeof stored>;
  try {
    input = stored.parse(JSON.parse(row.input));
  } catch {
    return null;
  }
  const common = { id: row.id, step: row.step, stepAt: row.stepAt, count: row.count };
  if (input.kind === 'acid batch') {
    const { litres, feed, doseMlPerL } = input;
    return {
      ...common,
      kind: input.kind,
      potIds: [],
      names: [],
      steps: [],
      water: null,
      batch: { litres, feed, ...acidBatch({ litres, feed, doseMlPerL }) },
    };
  }
  const mine = input.potIds.flatMap((id) => pots.find((pot) => pot.id === id) ?? []);
  const steps = sequenceSteps(input.kind, input.coldC);
  return {
    ...common,
    kind: input.kind,
    potIds: input.potIds,
    names: mine.map(({ name }) => name),
    steps,
    water:
      input.kind === 'tray soak'
        ? soakWater({
            bathM2: input.bathM2 ?? BATH_M2,
            trayM2: Math.max(TRAY_M2, ...mine.map(({ shape }) => shape.topM * shape.baseM)),
            depthMm: input.depthMm ?? BATH_MM,
            takesMl: mine.map(({ holdsMl, heldMl }) => holdsMl - heldMl),
          })
        : null,
    batch: null,
  };
}
