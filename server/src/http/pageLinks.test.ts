import { describe, expect, test } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pageLinks } from './pageLinks.ts';

/** A built interface: the first lines, what draws, two rooms and what they share. */
const BUILT = {
  '_start-1.js': { file: 'assets/start-1.js', name: 'start' },
  '_kibble-1.js': { file: 'assets/kibble-1.js', name: 'kibble', imports: ['_start-1.js'] },
  '_shared-1.js': { file: 'assets/shared-1.js', name: 'shared', imports: ['_kibble-1.js'] },
  'src/rooms/round/RoundRoom.tsx': { file: 'assets/RoundRoom-1.js', imports: ['_shared-1.js'] },
  'src/rooms/ground/measurements/TestRoom.tsx': { file: 'assets/TestRoom-1.js', imports: ['_kibble-1.js'] },
};

function linksOf(built: object): (path: string) => string[] {
  const dir = mkdtempSync(join(tmpdir(), 'kibble-links-'));
  mkdirSync(join(dir, '.vite'));
  writeFileSync(join(dir, '.vite', 'manifest.json'), JSON.stringify(built));
  const links = pageLinks(dir);
  rmSync(dir, { recursive: true });
  return links;
}

describe('what a page names with itself', () => {
  const links = linksOf(BUILT);
  const named = (path: string): string[] => links(path).map((link) => /<(.*)>/.exec(link)?.[1] ?? '');

  test('what everything waits for first, then what is asked of home, then the room', () => {
    expect(named('/garden/7/round')).toEqual([
      '/assets/start-1.js',
      '/assets/kibble-1.js',
      '/api/gardens/7/round',
      '/api/gardens/7',
      '/api/gardens/7/pots',
      '/assets/RoundRoom-1.js',
      '/assets/shared-1.js',
    ]);
    expect(named('/garden/7/ground/tap/2/bucket').at(-1)).toBe('/assets/TestRoom-1.js');
  });
  test('a room that shares its file with others is found by the name of that file', () => {
    const { 'src/rooms/round/RoundRoom.tsx': _own, ...others } = BUILT;
    const shared = linksOf({ ...others, '_round-1.js': { file: 'assets/round-1.js', name: 'round' } });
    expect(shared('/garden/7/round').at(-1)).toContain('/assets/round-1.js');
    expect(shared('/garden/7/kibble').at(-1)).toContain('/api/gardens/7');
  });
  test('of no room only what every page needs, and nothing of an interface that was not built', () => {
    expect(named('/')).toEqual(['/assets/start-1.js', '/assets/kibble-1.js']);
    expect(named('/garden/7/nowhere').filter((name) => name.includes('Room'))).toEqual([]);
    expect(pageLinks(join(tmpdir(), 'never built'))('/garden/7/round')).toEqual([]);
  });
});
