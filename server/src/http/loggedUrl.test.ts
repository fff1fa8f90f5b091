import { describe, expect, test } from '@jest/globals';
import { loggedUrl } from './loggedUrl.ts';

describe('an address in the log', () => {
  const secret = 'Zk3v9-abcdefghijklmnop_QRSTUVWX';
  test.each([
    `/calendar/1/${secret}.ics`,
    `/CALENDAR/1/${secret}.ICS`,
    `/calendar//1/${secret}.ics?x=${secret}`,
    `/cal%65ndar/1/${secret}`,
    `/pair?link=${secret}`,
  ])('%s is written without its secret', (url) => {
    expect(loggedUrl(url)).not.toContain(secret.slice(0, 12));
  });

  test('what opens nothing by itself is written as it is', () => {
    for (const url of [
      '/api/gardens/1/pot-entries/remove',
      '/assets/SharingSettings-a1b2c3d4.js',
      '/api/beds/12/working/minutes',
    ])
      expect(loggedUrl(url)).toBe(url);
  });
});
