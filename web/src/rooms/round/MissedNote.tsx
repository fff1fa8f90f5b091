import type { StopView } from '@kibble/contract';
import { dayName } from '../../words/words.ts';

/** Which stops were due on an earlier round and not watered: they are part of this one. Short, only how many: each says it too. */
export function MissedNote({ stops, short = false }: { stops: readonly StopView[]; short?: boolean }) {
  const days = new Map<string, string[]>();
  for (const { reason, bedName } of stops)
    if (reason.carriedFrom) days.set(reason.carriedFrom, [...(days.get(reason.carriedFrom) ?? []), bedName]);
  return [...days].sort().map(([on, names]) => (
    <p key={on} className="font-semibold text-brick" data-testid="missed">
      {names.length === 1 ? 'A stop' : `${names.length} stops`} missed on {dayName(on)}{' '}
      {names.length === 1 ? 'is' : 'are'} part of this round{short ? '' : `: ${names.join('; ')}`}.
    </p>
  ));
}
