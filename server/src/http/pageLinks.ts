import { asksOf, roomIn } from '@kibble/contract';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

const manifest = z.record(
  z.string(),
  z.object({
    file: z.string(),
    name: z.string().optional(),
    imports: z.array(z.string()).default([]),
    css: z.array(z.string()).default([]),
  }),
);
type Manifest = z.infer<typeof manifest>;

/** The program of each room by its path under a garden. */
const PROGRAMS: readonly (readonly [room: RegExp, program: string])[] = [
  [/^round$/, 'round/RoundRoom'],
  [/^section$/, 'section/SectionRoom'],
  [/^fortnight$/, 'fortnight/FortnightRoom'],
  [/^weather$/, 'weather/WeatherRoom'],
  [/^settings$/, 'settings/SettingsRoom'],
  [/^words$/, 'words/WordsRoom'],
  [/^beds\/\d+$/, 'bed/BedRoom'],
  [/^beds$/, 'beds/BedsRoom'],
  [/^trees\/\d+$/, 'trees/TreeRoom'],
  [/^trees$/, 'trees/TreesRoom'],
  [/^pots\/weigh$/, 'pots/WeighIn'],
  [/^pots\/\d+$/, 'pots/PotRoom'],
  [/^pots$/, 'pots/PotsRoom'],
  [/^ground$/, 'ground/GroundRoom'],
  [/^ground\/bed\/\d+$/, 'ground/GroundOfBed'],
  [/^ground\/(bed|tap)\/\d+\/[\w-]+$/, 'ground/measurements/TestRoom'],
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
  const first = new Set(
    Object.entries(built)
      .filter(([, { name }]) => name === 'start' || name === 'kibble')
      .flatMap(([key]) => [...programs(key)]),
  );
  // What everything waits for goes first.
  const always = [...first].map((name) => `</${name}>; rel=modulepreload`);
  return (path) => {
    const room = path === '/new' ? '' : roomIn(path)?.room;
    if (room === undefined) return always;
    const program = room === '' ? 'setup/SetupRoom' : PROGRAMS.find(([pattern]) => pattern.test(room))?.[1];
    const source = `src/rooms/${program}.tsx`;
    // A room that lies in one file with what others take of it is found by the name of that file.
    const key = source in built ? source : Object.keys(built).find((one) => built[one]?.name === room);
    const own = [...programs((program && key) ?? '')].filter((name) => !first.has(name));
    return [
      ...always,
      ...asksOf(path).map(({ address }) => `<${address}>; rel=preload; as=fetch; crossorigin=anonymous`),
      ...own.map((name) => `</${name}>; rel=modulepreload`),
    ];
  };
}
