import { item } from '../units/at.ts';
import { once } from '../units/once.ts';
import type { Followed } from './follow.ts';

/** A copy some of whose fields, those that a sketch leaves out, are read from elsewhere when they are read. */
function readingFrom<T extends object>(own: T, keys: readonly (keyof T)[], from: () => T): T {
  const copy = Object.defineProperties({}, Object.getOwnPropertyDescriptors(own)) as T;
  for (const key of keys)
    Object.defineProperty(copy, key, { get: () => from()[key], enumerable: true, configurable: true });
  return copy;
}

/**
 * A sketched plan that is told in full where it is read: the same waterings, with their workings, days and windows followed
 * when somebody first looks at one of them.
 * @param sketch followed to its end; `inFull` follows the same once more with everything
 */
export function whenRead(sketch: Followed, inFull: () => Followed): Followed {
  const full = once(inFull);
  const waterings = sketch.waterings.map((watering, i) =>
    readingFrom(watering, i === 0 ? ['because', 'window', 'dates'] : ['because'], () =>
      item(full().waterings, i),
    ),
  );
  const outlook = readingFrom(sketch.outlook, ['ahead', 'window', 'dates'], () => full().outlook);
  outlook.next = waterings[0] ?? null;
  return { ...sketch, waterings, outlook };
}
