import { lazy, Suspense, type ComponentType } from 'react';

type Load<P> = () => Promise<ComponentType<P>>;

/** Parts that are not of the first screen, in the order in which they were named: fetched when nothing else is to be done. */
const waiting: (() => Promise<unknown>)[] = [];
/** After so long without anything to do, ms: the first screen stands by then. */
const REST_MS = 3000;

/** A part that is drawn only once it is asked for, and fetched then, or before when there is time: without network it must be here. */
export function later<P extends object>(load: Load<P>): ComponentType<P> {
  waiting.push(load);
  const Part = lazy(async () => ({ default: await load() }));
  return (props: P) => (
    <Suspense fallback={null}>
      <Part {...props} />
    </Suspense>
  );
}

/** Fetches, one after another, what may be asked for next; rooms too. */
export function fetchInTime(rooms: readonly (() => Promise<unknown>)[]): void {
  setTimeout(() => {
    void (async () => {
      for (const load of [...waiting, ...rooms]) await load().catch(() => undefined);
    })();
  }, REST_MS);
}
