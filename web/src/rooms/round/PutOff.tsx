import type { RoundView } from '@kibble/contract';
import { WaitingBeds } from '../../ui/WaitingBeds.tsx';

/** Due today, but today has no room for it: why, and when its turn comes. */
export function PutOff({ items }: { items: RoundView['putOff'] }) {
  if (items.length === 0) return null;
  return (
    <section className="mb-8 border-l-4 border-brick pl-3" aria-labelledby="put-off">
      <h2 id="put-off" className="mb-1 text-2xl">
        Put off
      </h2>
      <WaitingBeds items={items} />
    </section>
  );
}
