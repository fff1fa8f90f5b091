import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

const manifest = z.record(
  z.string(),
  z.object({
    file: z.string(),
    imports: z.array(z.string()).default([]),
    css: z.array(z.string()).default([]),
  }),
);
type Manifest = z.infer<typeof manifest>;

/** The program of each room by its path under a garden, and what the room asks for besides the garden and its round. */
const ROOMS: readonly (readonly [
  path: RegExp,
  program: string,
  asks: (garden: string, id: string) => string[],
])[] = [
  [/^round$/, 'round/RoundRoom', (g) => [`gardens/${g}/pots`]],
  [/^section$/, 'section/SectionRoom', (g) => [`gardens/${g}/section`]],
  [/^fortnight$/, 'fortnight/FortnightRoom', (g) => [`gardens/${g}/fortnight`]],
  [/^weather$/, 'weather/WeatherRoom', (g) => [`gardens/${g}/weather`]],
  [/^settings$/, 'settings/SettingsRoom', () => []],
  [/^words$/, 'words/WordsRoom', () => []],
  [/^beds\/\d+$/, 'bed/BedRoom', (_g, id) => [`beds/${id}`]],
  [/^beds$/, 'beds/BedsRoom', () => []],
  [/^trees\/\d+$/, 'trees/TreeRoom', (_g, id) => [`beds/${id}`]],
  [/^trees$/, 'trees/TreesRoom', (g) => [`gardens/${g}/trees`]],
  [/^pots\/\d+$/, 'pots/PotRoom', (_g, id) => [`pots/${id}`]],
  [/^pots$/, 'pots/PotsRoom', (g) => [`gardens/${g}/pots`]],
  [/^ground$/, 'ground/GroundRoom', () => []],
  [/^ground\/bed\/\d+$/, 'ground/GroundOfBed', (_g, id) => [`beds/${id}`]],
];

/**
 * What a page will need is named with the page itself, so that it is on its way before the program has been read: the room's
 * program and what it asks for (RFC 8288, `preload` and `modulepreload`). Nothing where the interface was not built.
 */
export function pageLinks(webDir: string): (path: string) => string[] {
  const file = join(webDir, '.vite', 'manifest.json');
  if (!existsSync(file)) return () => [];
  const built: Manifest = manifest.parse(JSON.parse(readFileSync(file, 'utf8')));
  const programs = (key: string, seen = new Set<string>()): Set<string> => {
    const entry = built[key];
    if (!entry || seen.has(entry.file)) return seen;
    seen.add(entry.file);
    for (const other of entry.imports) programs(other, seen);
    return seen;
  };
  const first = programs('index.html');
  return (path) => {
    const [, garden, room = ''] = /^\/garden\/(\d{1,15})\/([\w/]*[\w])\/?$/.exec(path) ?? [];
    const found = ROOMS.find(([pattern]) => pattern.test(room));
    if (!garden || !found) return [];
    const [, program, asks] = found;
    const own = [...programs(`src/rooms/${program}.tsx`)].filter((name) => !first.has(name));
    const asked = [
      `gardens/${garden}/round`,
      `gardens/${garden}`,
      ...asks(garden, /\d+$/.exec(room)?.[0] ?? ''),
    ];
    return [
      ...own.map((name) => `</${name}>; rel=modulepreload`),
      ...asked.map((address) => `</api/${address}>; rel=preload; as=fetch; crossorigin=anonymous`),
    ];
  };
}
