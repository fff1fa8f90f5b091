import { describe, expect, test } from '@jest/globals';
import { asksOf as asks, roomIn } from './roomAsks.ts';

const asksOf = (path: string): string[] => asks(path).map(({ address }) => address);

describe('what an address asks home for', () => {
  test('its garden and the round, and what its room shows', () => {
    expect(asksOf('/garden/3/weather')).toEqual([
      '/api/gardens/3/round',
      '/api/gardens/3',
      '/api/gardens/3/weather',
    ]);
    for (const kind of ['beds', 'trees', 'ground/bed'])
      expect(asksOf(`/garden/3/${kind}/12`).at(-1)).toBe('/api/beds/12');
    expect(asksOf('/garden/3/pots/5')).toContain('/api/pots/5');
    for (const kind of ['feel', 'slow-bucket'])
      expect(asksOf(`/garden/3/ground/bed/12/${kind}`).slice(2)).toEqual([
        '/api/gardens/3/drafts',
        '/api/beds/12',
      ]);
    expect(asksOf('/garden/3/ground/tap/2/bucket').slice(2)).toEqual(['/api/gardens/3/drafts']);
    expect(asksOf('/garden/3/words')).toEqual(['/api/gardens/3/round', '/api/gardens/3']);
  });
  test('nothing where it is of no garden', () => {
    for (const path of ['/', '/new', '/pair', '/garden/x/round', '/garden/3', '/garden/3/../../etc'])
      expect(asksOf(path)).toEqual([]);
    expect(roomIn('/garden/3/round/')).toEqual({ gardenId: '3', room: 'round' });
  });
});
