/**
 * Who may ask for something, each with all that those before may: anybody at all; a device that may walk the round; a
 * device that may do everything; this computer itself. A secret link is its own right, and gives no other.
 */
export const WHO = ['anybody', 'helper', 'device', 'this computer'] as const;
export type Who = (typeof WHO)[number] | 'whoever has the link';

/** Which garden an address speaks of, by what its `:id` is; a helper may ask only about their own gardens. */
export type Of = 'garden' | 'bed' | 'event' | 'finding';

/** What is shown of a garden, by which a page knows what it has to ask for anew. */
export const TAGS = [
  'Garden',
  'Round',
  'Place',
  'Plan',
  'Sharpen',
  'Weather',
  'Pots',
  'Draft',
  'Runs',
  'Ticks',
  'File',
  'YourData',
  'Sharing',
] as const;
export type Tag = (typeof TAGS)[number];

const WHOLE = ['Garden', 'Round', 'Place', 'Plan', 'Sharpen', 'Weather', 'Pots'] as const;

/** What a change makes stale, by name. */
export const STALE = {
  /** A garden's plan, and all that rests on it. */
  whole: WHOLE,
  /** Pots; and, where water or minutes are limited, the beds' round too. */
  pots: ['Pots', 'Round', 'Plan'],
  shelf: ['Pots'],
  /** The round and the days ahead. */
  round: ['Round', 'Plan'],
  gardens: ['Garden'],
  drafts: ['Draft'],
  runs: ['Runs'],
  ticks: ['Ticks'],
  file: ['File'],
  sharing: ['Sharing'],
  copies: ['YourData'],
  everything: [...WHOLE, 'Draft', 'Runs', 'Ticks', 'YourData'],
} as const satisfies Record<string, readonly Tag[]>;
export type Stale = keyof typeof STALE;

/** What may be sent somewhere: how, and how much of it. */
export interface BodyLimit {
  as: 'json' | 'bytes' | 'stream';
  mostBytes: number;
}

export interface Address {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** As the router reads it; letters count as they are written. */
  path: string;
  who: Who;
  of?: Of;
  /** JSON of the usual length when nothing is said. */
  body?: BodyLimit;
  /** Of what is read: what it is a picture of. */
  shows?: Tag;
  /** Of a change: what is to be asked for anew. What entries make stale follows from what they are of. */
  stale?: Stale;
  /** A change that may wait on a device that is offline. */
  waits?: true;
  /** What is asked for anew each time, or is nobody's to save for when they are offline. */
  unsaved?: true;
  /** It takes as long as it takes. */
  slow?: true;
  /** Sent twice in a breath it is meant twice. */
  repeatable?: true;
}

/** Longest JSON that is sent, as a rule and with a file of weather in it; largest files of weather, and of a whole garden. */
export const USUAL_BODY = { as: 'json', mostBytes: 200_000 } as const;
const WEATHER_TEXT = { as: 'json', mostBytes: 10_000_000 } as const;
const WEATHER_FILE = { as: 'bytes', mostBytes: 40_000_000 } as const;
const ARCHIVE_FILE = { as: 'stream', mostBytes: 300_000_000 } as const;

const by =
  (method: Address['method']) =>
  (path: string, who: Who, more: Omit<Address, 'method' | 'path' | 'who'> = {}): Address => ({
    method,
    path,
    who,
    ...more,
  });
const get = by('GET');
export const post = by('POST');
const put = by('PUT');
const patch = by('PATCH');
export const del = by('DELETE');

/**
 * Every address of Kibble, by name: what is asked for there, by whom, whether it may wait and what it makes stale. Routes,
 * rights, pages, the outbox, what is preloaded and what is saved offline all read this table; nothing else names an address.
 */
export const ADDRESSES = {
  gardens: get('/api/gardens', 'helper', { shows: 'Garden' }),
  garden: get('/api/gardens/:id', 'helper', { of: 'garden', shows: 'Garden' }),
  addGarden: post('/api/gardens', 'device', { stale: 'whole' }),
  sketchGarden: post('/api/gardens/sketch', 'device'),
  changeGarden: patch('/api/gardens/:id', 'device', { stale: 'whole', waits: true }),
  archiveGarden: put('/api/gardens/:id/away', 'device', { stale: 'gardens' }),
  stepGarden: post('/api/gardens/:id/step', 'device', { stale: 'whole', repeatable: true }),
  addCrop: post('/api/gardens/:id/crops', 'device', { stale: 'gardens' }),

  addBed: post('/api/gardens/:id/beds', 'device', { stale: 'whole' }),
  changeBed: put('/api/beds/:id', 'device', { stale: 'whole', waits: true }),
  linkBed: patch('/api/beds/:id/links', 'device', { stale: 'whole', waits: true }),
  copyBed: post('/api/beds/:id/copies', 'device', { stale: 'whole' }),
  addBedsOfTable: post('/api/gardens/:id/beds/table', 'device', { stale: 'whole' }),
  changeBeds: post('/api/gardens/:id/beds/change', 'device', { stale: 'whole' }),
  undoChangeOfBeds: post('/api/gardens/:id/beds/change/undo', 'device', { stale: 'whole' }),
  archiveBeds: post('/api/gardens/:id/beds/away', 'device', { stale: 'whole' }),
  archiveBed: del('/api/beds/:id', 'device', { stale: 'whole', waits: true }),
  restoreBed: post('/api/beds/:id/restore', 'device', { stale: 'whole', waits: true }),
  moveSetting: post('/api/settings/:id/move', 'device', { stale: 'whole' }),
  addPlanting: post('/api/beds/:id/plantings', 'device', { stale: 'whole' }),
  changePlanting: put('/api/beds/:id/plantings/:planting', 'device', { stale: 'whole', waits: true }),
  removePlanting: del('/api/plantings/:id', 'device', { stale: 'whole' }),
  restorePlanting: post('/api/plantings/:id/restore', 'device', { stale: 'whole' }),

  drafts: get('/api/gardens/:id/drafts', 'device', { shows: 'Draft' }),
  saveDraft: put('/api/gardens/:id/drafts/:key', 'device', {
    stale: 'drafts',
    waits: true,
    repeatable: true,
  }),
  dropDraft: del('/api/gardens/:id/drafts/:key', 'device', {
    stale: 'drafts',
    waits: true,
    repeatable: true,
  }),

  addEntries: post('/api/gardens/:id/entries', 'helper', { of: 'garden', waits: true }),
  undoEntries: post('/api/gardens/:id/entries/undo', 'helper', { of: 'garden', waits: true }),
  restoreEntries: post('/api/gardens/:id/entries/restore', 'helper', { of: 'garden', waits: true }),

  round: get('/api/gardens/:id/round', 'helper', { of: 'garden', shows: 'Round' }),
  sharpen: get('/api/gardens/:id/sharpen', 'helper', { of: 'garden', shows: 'Sharpen' }),
  afterRain: get('/api/gardens/:id/after-rain', 'helper', { of: 'garden', shows: 'Round' }),
  fortnight: get('/api/gardens/:id/fortnight', 'device', { shows: 'Plan' }),
  walk: get('/api/gardens/:id/walk', 'helper', { of: 'garden', shows: 'Plan' }),
  section: get('/api/gardens/:id/section', 'device', { shows: 'Plan' }),
  progress: get('/api/gardens/:id/progress', 'helper', { of: 'garden', unsaved: true }),
  tryPlan: post('/api/gardens/:id/fortnight/try', 'device', { shows: 'Plan' }),
  tryRounds: post('/api/gardens/:id/rounds/try', 'device', { shows: 'Plan' }),
  dayWorking: get('/api/gardens/:id/working/:date', 'device', { shows: 'Weather' }),
  bedPage: get('/api/beds/:id', 'helper', { of: 'bed', shows: 'Place' }),
  schools: get('/api/beds/:id/schools', 'device', { shows: 'Place' }),
  ladder: get('/api/beds/:id/ladder', 'device', { shows: 'Place' }),
  tryOnBed: post('/api/beds/:id/try', 'device', { shows: 'Place' }),
  numberWorking: get('/api/beds/:id/working/:number', 'device', { shows: 'Place' }),

  pots: get('/api/gardens/:id/pots', 'helper', { of: 'garden', shows: 'Pots' }),
  potPage: get('/api/pots/:id', 'device', { shows: 'Pots' }),
  addPot: post('/api/gardens/:id/pots', 'device', { stale: 'pots' }),
  changePot: put('/api/pots/:id', 'device', { stale: 'pots', waits: true }),
  copyPot: post('/api/pots/:id/copies', 'device', { stale: 'pots' }),
  archivePot: del('/api/pots/:id', 'device', { stale: 'pots' }),
  restorePot: post('/api/pots/:id/restore', 'device', { stale: 'pots' }),
  plantOut: post('/api/pots/:id/plant-out', 'device', { stale: 'whole' }),
  bedToPot: post('/api/beds/:id/pot', 'device', { stale: 'whole' }),
  beginSequence: post('/api/gardens/:id/sequences', 'device', { stale: 'shelf' }),
  stepSequence: post('/api/sequences/:id', 'device', { stale: 'pots' }),

  trees: get('/api/gardens/:id/trees', 'device', { shows: 'Plan' }),
  addTree: post('/api/gardens/:id/trees', 'device', { stale: 'whole' }),
  changeTree: put('/api/beds/:id/tree', 'device', { stale: 'whole', waits: true }),

  addTap: post('/api/gardens/:id/taps', 'device', { stale: 'whole' }),
  changeTap: put('/api/taps/:id', 'device', { stale: 'whole', waits: true }),
  archiveTap: del('/api/taps/:id', 'device', { stale: 'whole' }),
  restoreTap: post('/api/taps/:id/restore', 'device', { stale: 'whole' }),
  runs: get('/api/gardens/:id/runs', 'helper', { of: 'garden', shows: 'Runs' }),
  openRun: put('/api/beds/:id/run', 'helper', { of: 'bed', stale: 'runs', waits: true }),
  closeRun: del('/api/beds/:id/run', 'helper', { of: 'bed', stale: 'runs', waits: true }),

  weather: get('/api/gardens/:id/weather', 'device', { shows: 'Weather' }),
  alertsSeen: get('/api/gardens/:id/alerts/seen', 'helper', { of: 'garden', shows: 'Ticks' }),
  setStation: put('/api/gardens/:id/weather/station', 'device', { stale: 'whole' }),
  bringWeatherFile: post('/api/gardens/:id/weather/files', 'device', { body: WEATHER_FILE }),
  weatherFile: get('/api/weather-files/:file', 'device', { shows: 'File', unsaved: true }),
  rereadWeatherFile: put('/api/weather-files/:file', 'device', { stale: 'file' }),
  forgetWeatherFile: del('/api/weather-files/:file', 'device'),
  storeWeatherFile: post('/api/weather-files/:file/import', 'device', { stale: 'whole' }),
  importWeather: post('/api/gardens/:id/weather/import', 'device', { stale: 'whole', body: WEATHER_TEXT }),
  undoImport: del('/api/imports/:id', 'device', { stale: 'whole' }),
  restoreImport: post('/api/imports/:id/restore', 'device', { stale: 'whole' }),

  towns: get('/api/towns', 'device', { unsaved: true }),
  climate: get('/api/climate', 'device', { unsaved: true }),

  who: get('/api/who', 'anybody', { shows: 'Sharing', unsaved: true }),
  pair: post('/api/pair', 'anybody'),
  live: get('/api/events', 'helper', { unsaved: true }),
  sharing: get('/api/sharing', 'device', { shows: 'Sharing', unsaved: true }),
  changeSharing: patch('/api/sharing', 'this computer', { stale: 'sharing' }),
  invite: post('/api/sharing/invitation', 'device', { stale: 'sharing' }),
  revoke: del('/api/sharing/devices/:id', 'device', { stale: 'sharing' }),
  authority: get('/api/sharing/authority.crt', 'device', { unsaved: true }),
  calendar: get('/api/gardens/:id/calendar', 'device', { unsaved: true }),
  renewCalendar: post('/api/gardens/:id/calendar', 'device'),
  calendarFeed: get('/calendar/:id/:secret.ics', 'whoever has the link'),

  practice: get('/api/practice', 'helper', { unsaved: true }),
  openPractice: post('/api/practice', 'this computer'),

  yourData: get('/api/your-data', 'device', { shows: 'YourData', unsaved: true }),
  makeCopy: post('/api/your-data/copies', 'device', { stale: 'copies', slow: true }),
  archive: get('/api/your-data/archive', 'device', { unsaved: true }),
  lookAtFile: post('/api/your-data/look', 'device', { slow: true, body: ARCHIVE_FILE }),
  lookProgress: get('/api/your-data/look', 'device', { unsaved: true }),
  lookAtCopy: post('/api/your-data/look-copy', 'device', { slow: true }),
  restore: post('/api/your-data/restore', 'device', { stale: 'everything', slow: true }),
};
export type AddressName = keyof typeof ADDRESSES;

/** An address by its name, with what stands in its places. */
export const addressOf = (name: AddressName, at: Readonly<Record<string, string | number>> = {}): string =>
  ADDRESSES[name].path.replace(/:(\w+)/g, (_all, place: string) => encodeURIComponent(String(at[place])));
