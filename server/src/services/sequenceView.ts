import { sequenceBody, type PotsView, type SequenceView } from '@kibble/contract';
import { acidBatch, sequenceMl, sequenceSteps, soakWater, USUAL_SOAK } from '@kibble/core';
import { z } from 'zod';
import type { SequenceOnRecord } from './potsOnRecord.ts';

/** Begun, it keeps how cold it was, so that its steps stay what they were. */
const stored = z.intersection(sequenceBody, z.object({ coldC: z.number().nullable().default(null) }));

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
            bathM2: input.bathM2 ?? USUAL_SOAK.bathM2,
            trayM2: Math.max(USUAL_SOAK.trayM2, ...mine.map(({ shape }) => shape.topM * shape.baseM)),
            depthMm: input.depthMm ?? USUAL_SOAK.depthMm,
            takesMl: mine.map((pot) => sequenceMl('tray soak', pot)),
          })
        : null,
    batch: null,
  };
}
