import type { FortnightView } from '@kibble/contract';
import { WaitingBeds } from '../../ui/WaitingBeds.tsx';

/** What did not fit, and what it waits for. */
export function LeftOut({ view }: { view: FortnightView }) {
  return (
    <section aria-labelledby="left-out" className="mt-2 border-l-4 border-brick pl-3">
      <h2 id="left-out" className="text-lg">
        Does not fit
      </h2>
      <WaitingBeds items={view.leftOut} />
    </section>
  );
}
