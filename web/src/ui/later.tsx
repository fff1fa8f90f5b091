import { useEffect, useState, type ComponentType } from 'react';
import { noteLack } from '../state/lacking.ts';

type Load<P> = () => Promise<ComponentType<P>>;

/** Parts that are not of the first screen, in the order in which they were named: fetched when nothing else is to be done. */
const waiting: (() => Promise<unknown>)[] = [];
/** So long after the first screen stands, ms. */
const REST_MS = 1200;
/**
 * A part that is drawn only once it is asked for, and fetched then, or before when there is time: without network it must be here.
 * @param options whether it is said where it cannot be fetched, as of all but an ornament
 */
export function later<P extends object>(load: Load<P>, { needed = true } = {}): ComponentType<P> {
  let Part: ComponentType<P> | null = null;
  const fetched = async (): Promise<void> => {
    Part ??= await load();
  };
  waiting.push(fetched);
  return function Later(props: P) {
    const [state, setState] = useState<'here' | 'coming' | 'lacking'>(Part ? 'here' : 'coming');
    useEffect(() => {
      if (state !== 'coming') return;
      let gone = false;
      fetched().then(
        () => (gone ? undefined : setState('here')),
        () => {
          noteLack();
          if (!gone) setState('lacking');
        },
      );
      return () => {
        gone = true;
      };
    }, [state]);
    if (Part) return <Part {...props} />;
    return state === 'lacking' && needed ? (
      <p role="alert" className="border-l-4 border-brick pl-3 font-semibold">
        This part has not come to this device yet, and cannot be fetched just now. It is asked for again as
        soon as there is a way home.
      </p>
    ) : null;
  };
}

let begun = false;

/** Once the first screen stands: fetches, one after another, what may be asked for next; rooms too. */
export function fetchInTime(rooms: readonly (() => Promise<unknown>)[]): void {
  if (begun) return;
  begun = true;
  setTimeout(() => {
    void (async () => {
      for (const load of [...waiting, ...rooms]) {
        // Between two of them whatever is done on the page comes first.
        await new Promise<void>((idle) =>
          'requestIdleCallback' in window ? requestIdleCallback(() => idle()) : setTimeout(idle, 50),
        );
        if (!navigator.onLine) return;
        await load().catch(noteLack);
      }
      // From here on the page needs no network for any of its parts.
      document.documentElement.dataset.allHere = '';
    })();
  }, REST_MS);
}
