import { describe, expect, test } from '@jest/globals';
import { clockOffset, houseThatAnswered, isFromKibble } from './answered.ts';

const HOUSE = '0123456789abcdef01234567';
const answer = (headers: Record<string, string>, status = 200): Response =>
  new Response('{}', { status, headers });
const signed = { 'Content-Type': 'application/json; charset=utf-8', 'Kibble-House': HOUSE };

describe('who answered', () => {
  test('Kibble signs what it answers, an entry with its key', () => {
    expect(isFromKibble(answer(signed))).toBe(true);
    expect(isFromKibble(answer({ ...signed, 'Idempotency-Key': 'one' }, 409), 'one')).toBe(true);
    expect(houseThatAnswered(answer(signed))).toBe(HOUSE);
  });

  test.each([
    ['a sign-in page', { 'Content-Type': 'text/html' }],
    ['a sign-in page that speaks JSON', { 'Content-Type': 'application/json' }],
    ['a page under Kibble’s header', { ...signed, 'Content-Type': 'text/html' }],
    ['something signed with no id', { ...signed, 'Kibble-House': 'yes' }],
    ['nothing that says what it is', { 'Kibble-House': HOUSE }],
  ])('%s is not Kibble', (_what, headers) => {
    expect(isFromKibble(answer(headers))).toBe(false);
  });

  test('an answer to another entry, or to none, proves nothing of this one', () => {
    expect(isFromKibble(answer(signed), 'one')).toBe(false);
    expect(isFromKibble(answer({ ...signed, 'Idempotency-Key': 'two' }), 'one')).toBe(false);
  });

  test('a live answer tells how far the clocks are apart, a saved one does not', () => {
    const at = 1_000_000;
    expect(clockOffset(answer({ ...signed, 'Kibble-Time': '1003000' }), at)).toBe(3000);
    expect(
      clockOffset(answer({ ...signed, 'Kibble-Time': '1003000', 'Kibble-Kept': 'earlier' }), at),
    ).toBeNull();
    expect(clockOffset(answer(signed), at)).toBeNull();
  });
});
