import type { WaterReason } from '@kibble/core';
import { droughtWords, partWords } from '../words/capWords.ts';
import { useUnits } from '../words/units.ts';

/** What leaves a watering less than what would fill its ground: a limit, with what would change it, or a lawn's shallow roots. */
export function PartNote({ reason }: { reason: WaterReason }) {
  const units = useUnits();
  return (
    <>
      {reason.partBy ? <p>{partWords(reason)}</p> : null}
      {reason.shallowMm === null ? null : <p>{droughtWords(reason, units)}</p>}
    </>
  );
}
