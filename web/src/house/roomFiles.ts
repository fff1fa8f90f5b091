import type { ComponentType } from 'react';

type Load = () => Promise<ComponentType>;

/** Each room's program by its path under a garden, fetched when it is first gone to. */
export const ROOM_FILES: readonly (readonly [path: string, load: Load])[] = [
  ['round', async () => (await import('../rooms/round/RoundRoom.tsx')).RoundRoom],
  ['section', async () => (await import('../rooms/section/SectionRoom.tsx')).SectionRoom],
  ['fortnight', async () => (await import('../rooms/fortnight/FortnightRoom.tsx')).FortnightRoom],
  ['beds/:bedId', async () => (await import('../rooms/bed/BedRoom.tsx')).BedRoom],
  ['beds/table', async () => (await import('../rooms/beds/table/BedsTableRoom.tsx')).BedsTableRoom],
  ['beds', async () => (await import('../rooms/beds/BedsRoom.tsx')).BedsRoom],
  ['pots/weigh', async () => (await import('../rooms/pots/WeighIn.tsx')).WeighIn],
  ['pots/:potId', async () => (await import('../rooms/pots/PotRoom.tsx')).PotRoom],
  ['pots', async () => (await import('../rooms/pots/PotsRoom.tsx')).PotsRoom],
  ['trees/:bedId', async () => (await import('../rooms/trees/TreeRoom.tsx')).TreeRoom],
  ['trees', async () => (await import('../rooms/trees/TreesRoom.tsx')).TreesRoom],
  [
    'ground/bed/:bedId/:kind',
    async () => (await import('../rooms/ground/measurements/TestRoom.tsx')).TestRoom,
  ],
  [
    'ground/tap/:tapId/:kind',
    async () => (await import('../rooms/ground/measurements/TestRoom.tsx')).TestRoom,
  ],
  ['ground/bed/:bedId', async () => (await import('../rooms/ground/GroundOfBed.tsx')).GroundOfBed],
  ['ground', async () => (await import('../rooms/ground/GroundRoom.tsx')).GroundRoom],
  ['weather', async () => (await import('../rooms/weather/WeatherRoom.tsx')).WeatherRoom],
  ['words', async () => (await import('../rooms/words/WordsRoom.tsx')).WordsRoom],
  ['settings', async () => (await import('../rooms/settings/SettingsRoom.tsx')).SettingsRoom],
];

/** The program of the setup, which is of no garden yet. */
export const SETUP_FILE: Load = async () => (await import('../rooms/setup/SetupRoom.tsx')).SetupRoom;

/** The program an address asks for, where it is of a room. */
export function fileOf(pathname: string): Load | undefined {
  if (pathname === '/new') return SETUP_FILE;
  const within = /^\/garden\/\d+\/(.*)$/.exec(pathname)?.[1];
  if (within === undefined) return undefined;
  const is = (path: string): boolean =>
    new RegExp(`^${path.replaceAll(/:(bedId|potId|tapId)/g, '\\d+').replace(':kind', '[^/]+')}/?$`).test(
      within,
    );
  return ROOM_FILES.find(([path]) => is(path))?.[1];
}
