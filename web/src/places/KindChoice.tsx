import type { ComponentProps } from 'react';
import { Choice } from '../ui/Choice.tsx';
import { FACES } from './index.tsx';

/** What kind of place is added; not asked while there is only one. */
export function KindChoice(of: Omit<ComponentProps<typeof Choice>, 'label' | 'children'>) {
  const kinds = Object.entries(FACES);
  return kinds.length > 1 ? (
    <Choice label="It is" {...of}>
      {kinds.map(([kind, { choice }]) => (
        <option key={kind} value={kind}>
          {choice}
        </option>
      ))}
    </Choice>
  ) : null;
}
