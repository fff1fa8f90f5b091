/** A room: its path, its one name everywhere, and the words by which it is looked for besides. */
export interface Room {
  path: string;
  name: string;
  also: string;
}

/** The rooms in the order of the work, in the rail's groups. */
export const ROOM_GROUPS: readonly { name: string; rooms: readonly Room[] }[] = [
  {
    name: 'Today',
    rooms: [
      { path: 'round', name: 'Round', also: 'today walk water stops' },
      { path: 'fortnight', name: 'Fortnight', also: 'plan calendar days ahead move' },
    ],
  },
  {
    name: 'The place',
    rooms: [
      { path: 'section', name: 'Garden', also: 'beds section soil cut open' },
      {
        path: 'pots',
        name: 'Pots & trays',
        also: 'containers shelf weigh seedlings houseplants cacti water acid',
      },
      { path: 'trees', name: 'Trees', also: 'shrubs hedge rose ring orchard gap clock move outward' },
      { path: 'ground', name: 'Ground & taps', also: 'tests soil flow measure bucket cans feel' },
      { path: 'weather', name: 'Weather', also: 'rain gauge forecast station import file' },
    ],
  },
  {
    name: 'The book',
    rooms: [{ path: 'settings', name: 'Settings', also: 'units place limits data copy print' }],
  },
];
export const ROOMS: readonly Room[] = ROOM_GROUPS.flatMap(({ rooms }) => rooms);

/** On the phone these stand in the bar, the rest behind “More”. */
const IN_BAR = new Set(['round', 'section', 'fortnight', 'weather']);
export const BAR: readonly Room[] = ['round', 'section', 'fortnight', 'weather'].map(
  (path) => ROOMS.find((room) => room.path === path) as Room,
);
export const MORE: readonly Room[] = ROOMS.filter(({ path }) => !IN_BAR.has(path));
