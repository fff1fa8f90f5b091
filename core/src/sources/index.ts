import { mains } from './mains.ts';
import type { SourceInput, SourceKind } from './source.ts';
import { well } from './well.ts';

/** Every kind of source. A new one is its own file and a line here. */
export const SOURCE_KINDS = { mains, well } as const;
export type SourceKindId = keyof typeof SOURCE_KINDS;

/** A source on its way through the days. */
export interface RunningSource {
  level(): number;
  step(rainMm: number, takenL: number): void;
}

/** A source as it is this morning. @param takenTodayL litres taken from it today already */
export function openSource(kind: SourceKindId, source: SourceInput, takenTodayL = 0): RunningSource {
  const rule = SOURCE_KINDS[kind] as SourceKind<unknown>;
  const state = rule.start(source, takenTodayL);
  return {
    level: () => rule.level(state),
    step: (rainMm, takenL) => rule.step(state, rainMm, takenL),
  };
}
