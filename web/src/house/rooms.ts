/** A room: its path, and its one name everywhere. */
export interface Room {
  path: string;
  name: string;
}

/** The rooms in the order of the work, in the rail's groups. */
export const ROOM_GROUPS: readonly { name: string; rooms: readonly Room[] }[] = [
  {
    name: 'Today',
    rooms: [
      { path: 'round', name: 'Round' },
      { path: 'fortnight', name: 'Fortnight' },
    ],
  },
  {
    name: 'The place',
    rooms: [
      { path: 'section', name: 'Garden' },
      {
        path: 'pots',
        name: 'Pots & trays',
      },
      { path: 'trees', name: 'Trees' },
      { path: 'ground', name: 'Ground & taps' },
      { path: 'weather', name: 'Weather' },
    ],
  },
  {
    name: 'The book',
    rooms: [{ path: 'settings', name: 'Settings' }],
  },
];
export const ROOMS: readonly Room[] = ROOM_GROUPS.flatMap(({ rooms }) => rooms);

/** On the phone these stand in the bar, the rest behind “More”. */
const IN_BAR = new Set(['round', 'section', 'fortnight', 'weather']);
export const BAR: readonly Room[] = ['round', 'section', 'fortnight', 'weather'].map(
  (path) => ROOMS.find((room) => room.path === path) as Room,
);
export const MORE: readonly Room[] = ROOMS.filter(({ path }) => !IN_BAR.has(path));
