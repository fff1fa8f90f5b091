import { useEffect, useState, type ComponentType } from 'react';
import { Loading } from '../ui/states.tsx';

/** One room: its program, and the element that draws it as soon as that is here. */
export interface Room {
  fetch: () => Promise<ComponentType>;
  Element: ComponentType;
}

/**
 * A room whose program is fetched when it is first gone to, or before. What was fetched already is drawn at once: React holds
 * back what it had to suspend for a third of a second, so nothing is suspended here. A program that cannot be fetched is a
 * fault of this room alone.
 */
export function roomOf(load: () => Promise<ComponentType>): Room {
  let Drawn: ComponentType | null = null;
  const fetch = async (): Promise<ComponentType> => (Drawn ??= await load());
  function Element() {
    const [fault, setFault] = useState<{ of: unknown } | null>(null);
    // Not whether it is here by now: between a picture and what follows it, it may have come.
    const [here, setHere] = useState(Drawn !== null);
    useEffect(() => {
      if (here) return;
      let gone = false;
      fetch().then(
        () => (gone ? undefined : setHere(true)),
        (of: unknown) => (gone ? undefined : setFault({ of })),
      );
      return () => {
        gone = true;
      };
    }, [here]);
    if (fault) throw fault.of;
    return Drawn ? <Drawn /> : <Loading what="the room" />;
  }
  return { fetch, Element };
}
