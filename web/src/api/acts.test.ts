import { expect, test } from '@jest/globals';
import { actAnswered, keyOfAct } from './acts.ts';

let made = 0;
const fresh = (): string => `key-${(made += 1)}`;
const DONE = 'POST beds/1/waterings {"litres":20}';

test('a double tap is one act; the same a while later, or after something else, is another', () => {
  const first = keyOfAct(DONE, 1000, fresh);
  expect(keyOfAct(DONE, 1120, fresh)).toBe(first);
  const later = keyOfAct(DONE, 9000, fresh);
  expect(later).not.toBe(first);
  keyOfAct('DELETE events/1 {}', 9100, fresh);
  expect(keyOfAct(DONE, 9200, fresh)).not.toBe(later);
});

test('what was never answered keeps its key until it is', () => {
  const key = keyOfAct(DONE, 20_000, fresh);
  actAnswered(DONE, key, 20_500, false);
  expect(keyOfAct(DONE, 80_000, fresh)).toBe(key);
  actAnswered(DONE, key, 80_500, true);
  expect(keyOfAct(DONE, 90_000, fresh)).not.toBe(key);
});
