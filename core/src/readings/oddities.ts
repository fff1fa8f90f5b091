import type { Finding, ReadingKind } from './entries.ts';
import { isReading } from './facts.ts';
import { READINGS } from './kinds/index.ts';
import { oddIf, type OddContext, type Oddity, type ReadingRule } from './reading.ts';

/** A probe that went deeper than any watering wets, mm. Judgement. */
const WETTING_MOST_MM = 900;

/**
 * Asks again about an entry that is possible but odd.
 * @param entry already possible; `context` the bed's area, its tap's and its line's flow where known
 * @throws RangeError when it is impossible after all
 */
export function oddities(entry: Finding, context: OddContext = {}): Oddity[] {
  if (isReading(entry)) {
    const rule = READINGS[entry.kind] as unknown as ReadingRule<ReadingKind>;
    return rule.odd?.(entry, context) ?? [];
  }
  if (entry.kind !== 'depth') return [];
  const deepest = Math.max(...entry.pointsMm);
  return oddIf(deepest > WETTING_MOST_MM, 'deeper than any watering', deepest, WETTING_MOST_MM, 'mm');
}
