import { copyView, lookView, restoredView, yourDataView } from '../archive.ts';
import { fortnightView, ladderView, planTryView, roundsTryView, schoolsView } from '../deciding.ts';
import { entriesAnswer } from '../entries.ts';
import { eventView } from '../events.ts';
import { draftView, findingView } from '../findings.ts';
import { gardenAway, gardenName, gardenView, practiceOpened, practiceView } from '../garden.ts';
import { saidAnswer, setupSketch, stationKept, tickBody, tickView, townView } from '../ownWeather.ts';
import { potPageView, potsView } from '../pots.ts';
import {
  bedPageView,
  changedAnswer,
  progressView,
  roundView,
  sectionView,
  sharpenAnswer,
  unplannedBedView,
  walkView,
} from '../round.ts';
import { tapRunView } from '../runs.ts';
import { calendarView, inviteView, sharingView, whoView } from '../sharing.ts';
import { treesView } from '../trees.ts';
import { fileView, importResult } from '../weatherFile/bodies.ts';
import { weatherView } from '../weatherView.ts';
import { tryView, workingView } from '../working.ts';
import { z } from '../zod.ts';

/**
 * Who may ask for something, each with all that those before may: anybody at all; a device that may walk the round; a
 * device that may do everything; this computer itself. A secret link is its own right, and gives no other.
 */
export const WHO = ['anybody', 'helper', 'device', 'this computer'] as const;
export type Who = (typeof WHO)[number] | 'whoever has the link';

/** Which garden an address speaks of, by what its `:id` is; a helper may ask only about their own gardens. */
export type Of = 'garden' | 'bed' | 'event' | 'finding';

/** One thing that can be asked of Kibble. */
export interface Endpoint {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** As the router reads it; letters count as they are written. */
  path: string;
  who: Who;
  of?: Of;
  /** What is answered when it succeeds: JSON of this schema, or a text, file or stream by its media type. */
  answers: z.ZodType | `${string}/${string}`;
  /** What may be sent; JSON of the usual length when nothing is said. */
  body?: { as: 'json' | 'bytes' | 'stream'; mostBytes: number };
}

/** Longest JSON that is sent, as a rule and with a file of weather in it; largest files of weather, and of a whole garden. */
export const USUAL_BODY = { as: 'json', mostBytes: 200_000 } as const;
const WEATHER_TEXT = { as: 'json', mostBytes: 10_000_000 } as const;
const WEATHER_FILE = { as: 'bytes', mostBytes: 40_000_000 } as const;
const ARCHIVE_FILE = { as: 'stream', mostBytes: 300_000_000 } as const;

const id = z.object({ id: z.number() });
const ids = z.object({ ids: z.array(z.number()) });
const withSettings = id.extend({ settings: z.array(z.number()) });
/** A garden as a helper is shown it: where on earth it lies is not told. */
const gardenOfHelper = gardenView.extend({
  latitudeDeg: z.null(),
  longitudeDeg: z.null(),
  elevationM: z.null(),
  town: z.null(),
});
/** A watering, and what it changed in the round. */
const entered = eventView.extend({ changed: changedAnswer.optional() });

/** Everything that can be asked of Kibble, by name: addresses, rights and answers are written down here and nowhere else. */
export const CATALOGUE = {
  gardens: { method: 'GET', path: '/api/gardens', who: 'helper', answers: gardenName.array() },
  garden: {
    method: 'GET',
    path: '/api/gardens/:id',
    who: 'helper',
    of: 'garden',
    answers: z.union([gardenView, gardenOfHelper]),
  },
  addGarden: { method: 'POST', path: '/api/gardens', who: 'device', answers: gardenView },
  sketchGarden: { method: 'POST', path: '/api/gardens/sketch', who: 'device', answers: setupSketch },
  changeGarden: { method: 'PATCH', path: '/api/gardens/:id', who: 'device', answers: gardenView },
  archiveGarden: { method: 'PUT', path: '/api/gardens/:id/away', who: 'device', answers: gardenAway },
  stepGarden: { method: 'POST', path: '/api/gardens/:id/step', who: 'device', answers: gardenView },
  addCrop: {
    method: 'POST',
    path: '/api/gardens/:id/crops',
    who: 'device',
    answers: z.object({ id: z.string() }),
  },

  addBed: { method: 'POST', path: '/api/gardens/:id/beds', who: 'device', answers: id },
  changeBed: { method: 'PUT', path: '/api/beds/:id', who: 'device', answers: withSettings },
  linkBed: { method: 'PATCH', path: '/api/beds/:id/links', who: 'device', answers: id },
  copyBed: { method: 'POST', path: '/api/beds/:id/copies', who: 'device', answers: ids },
  archiveBed: { method: 'DELETE', path: '/api/beds/:id', who: 'device', answers: id },
  restoreBed: { method: 'POST', path: '/api/beds/:id/restore', who: 'device', answers: id },
  moveSetting: { method: 'POST', path: '/api/settings/:id/move', who: 'device', answers: ids },
  addPlanting: { method: 'POST', path: '/api/beds/:id/plantings', who: 'device', answers: id },
  changePlanting: { method: 'PUT', path: '/api/beds/:id/plantings/:planting', who: 'device', answers: id },
  removePlanting: { method: 'DELETE', path: '/api/plantings/:id', who: 'device', answers: id },
  restorePlanting: { method: 'POST', path: '/api/plantings/:id/restore', who: 'device', answers: id },

  drafts: { method: 'GET', path: '/api/gardens/:id/drafts', who: 'device', answers: draftView.array() },
  saveDraft: { method: 'PUT', path: '/api/gardens/:id/drafts/:key', who: 'device', answers: draftView },
  dropDraft: {
    method: 'DELETE',
    path: '/api/gardens/:id/drafts/:key',
    who: 'device',
    answers: z.object({ dropped: z.boolean() }),
  },

  addEntries: {
    method: 'POST',
    path: '/api/gardens/:id/entries',
    who: 'helper',
    of: 'garden',
    answers: entriesAnswer,
  },
  undoEntries: {
    method: 'POST',
    path: '/api/gardens/:id/entries/undo',
    who: 'helper',
    of: 'garden',
    answers: entriesAnswer,
  },
  restoreEntries: {
    method: 'POST',
    path: '/api/gardens/:id/entries/restore',
    who: 'helper',
    of: 'garden',
    answers: entriesAnswer,
  },

  round: { method: 'GET', path: '/api/gardens/:id/round', who: 'helper', of: 'garden', answers: roundView },
  sharpen: {
    method: 'GET',
    path: '/api/gardens/:id/sharpen',
    who: 'helper',
    of: 'garden',
    answers: sharpenAnswer,
  },
  fortnight: { method: 'GET', path: '/api/gardens/:id/fortnight', who: 'device', answers: fortnightView },
  walk: { method: 'GET', path: '/api/gardens/:id/walk', who: 'helper', of: 'garden', answers: walkView },
  section: { method: 'GET', path: '/api/gardens/:id/section', who: 'device', answers: sectionView },
  progress: {
    method: 'GET',
    path: '/api/gardens/:id/progress',
    who: 'helper',
    of: 'garden',
    answers: progressView,
  },
  tryPlan: { method: 'POST', path: '/api/gardens/:id/fortnight/try', who: 'device', answers: planTryView },
  tryRounds: { method: 'POST', path: '/api/gardens/:id/rounds/try', who: 'device', answers: roundsTryView },
  dayWorking: { method: 'GET', path: '/api/gardens/:id/working/:date', who: 'device', answers: workingView },
  bedPage: {
    method: 'GET',
    path: '/api/beds/:id',
    who: 'helper',
    of: 'bed',
    answers: z.union([bedPageView, unplannedBedView]),
  },
  schools: { method: 'GET', path: '/api/beds/:id/schools', who: 'device', answers: schoolsView },
  ladder: { method: 'GET', path: '/api/beds/:id/ladder', who: 'device', answers: ladderView },
  tryOnBed: { method: 'POST', path: '/api/beds/:id/try', who: 'device', answers: tryView },
  numberWorking: {
    method: 'GET',
    path: '/api/beds/:id/working/:number',
    who: 'device',
    answers: workingView,
  },

  pots: { method: 'GET', path: '/api/gardens/:id/pots', who: 'helper', of: 'garden', answers: potsView },
  potPage: { method: 'GET', path: '/api/pots/:id', who: 'device', answers: potPageView },
  addPot: { method: 'POST', path: '/api/gardens/:id/pots', who: 'device', answers: id },
  changePot: { method: 'PUT', path: '/api/pots/:id', who: 'device', answers: id },
  copyPot: { method: 'POST', path: '/api/pots/:id/copies', who: 'device', answers: ids },
  archivePot: { method: 'DELETE', path: '/api/pots/:id', who: 'device', answers: id },
  restorePot: { method: 'POST', path: '/api/pots/:id/restore', who: 'device', answers: id },
  plantOut: { method: 'POST', path: '/api/pots/:id/plant-out', who: 'device', answers: id },
  bedToPot: { method: 'POST', path: '/api/beds/:id/pot', who: 'device', answers: id },
  beginSequence: { method: 'POST', path: '/api/gardens/:id/sequences', who: 'device', answers: id },
  stepSequence: {
    method: 'POST',
    path: '/api/sequences/:id',
    who: 'device',
    answers: z.object({ entries: z.array(z.number()), ended: z.boolean() }),
  },

  trees: { method: 'GET', path: '/api/gardens/:id/trees', who: 'device', answers: treesView },
  addTree: { method: 'POST', path: '/api/gardens/:id/trees', who: 'device', answers: id },
  changeTree: { method: 'PUT', path: '/api/beds/:id/tree', who: 'device', answers: withSettings },

  addTap: { method: 'POST', path: '/api/gardens/:id/taps', who: 'device', answers: id },
  changeTap: { method: 'PUT', path: '/api/taps/:id', who: 'device', answers: id },
  archiveTap: { method: 'DELETE', path: '/api/taps/:id', who: 'device', answers: id },
  restoreTap: { method: 'POST', path: '/api/taps/:id/restore', who: 'device', answers: id },
  runs: {
    method: 'GET',
    path: '/api/gardens/:id/runs',
    who: 'helper',
    of: 'garden',
    answers: tapRunView.array(),
  },
  openRun: { method: 'PUT', path: '/api/beds/:id/run', who: 'helper', of: 'bed', answers: tapRunView },
  closeRun: {
    method: 'DELETE',
    path: '/api/beds/:id/run',
    who: 'helper',
    of: 'bed',
    answers: z.object({ dropped: z.boolean() }),
  },

  weather: { method: 'GET', path: '/api/gardens/:id/weather', who: 'device', answers: weatherView },
  alertsSeen: {
    method: 'GET',
    path: '/api/gardens/:id/alerts/seen',
    who: 'helper',
    of: 'garden',
    answers: tickView.array(),
  },
  setStation: {
    method: 'PUT',
    path: '/api/gardens/:id/weather/station',
    who: 'device',
    answers: stationKept,
  },
  bringWeatherFile: {
    method: 'POST',
    path: '/api/gardens/:id/weather/files',
    who: 'device',
    answers: fileView,
    body: WEATHER_FILE,
  },
  weatherFile: { method: 'GET', path: '/api/weather-files/:file', who: 'device', answers: fileView },
  rereadWeatherFile: { method: 'PUT', path: '/api/weather-files/:file', who: 'device', answers: fileView },
  forgetWeatherFile: {
    method: 'DELETE',
    path: '/api/weather-files/:file',
    who: 'device',
    answers: z.object({ forgotten: z.boolean() }),
  },
  storeWeatherFile: {
    method: 'POST',
    path: '/api/weather-files/:file/import',
    who: 'device',
    answers: importResult,
  },
  importWeather: {
    method: 'POST',
    path: '/api/gardens/:id/weather/import',
    who: 'device',
    answers: importResult,
    body: WEATHER_TEXT,
  },
  undoImport: { method: 'DELETE', path: '/api/imports/:id', who: 'device', answers: id },
  restoreImport: { method: 'POST', path: '/api/imports/:id/restore', who: 'device', answers: id },

  towns: { method: 'GET', path: '/api/towns', who: 'device', answers: townView.array() },

  who: { method: 'GET', path: '/api/who', who: 'anybody', answers: whoView },
  pair: { method: 'POST', path: '/api/pair', who: 'anybody', answers: whoView },
  live: { method: 'GET', path: '/api/events', who: 'helper', answers: 'text/event-stream' },
  sharing: { method: 'GET', path: '/api/sharing', who: 'device', answers: sharingView },
  changeSharing: { method: 'PATCH', path: '/api/sharing', who: 'this computer', answers: sharingView },
  invite: { method: 'POST', path: '/api/sharing/invitation', who: 'device', answers: inviteView },
  revoke: {
    method: 'DELETE',
    path: '/api/sharing/devices/:id',
    who: 'device',
    answers: z.object({ id: z.string() }),
  },
  authority: {
    method: 'GET',
    path: '/api/sharing/authority.crt',
    who: 'device',
    answers: 'application/x-x509-ca-cert',
  },
  calendar: { method: 'GET', path: '/api/gardens/:id/calendar', who: 'device', answers: calendarView },
  renewCalendar: { method: 'POST', path: '/api/gardens/:id/calendar', who: 'device', answers: calendarView },
  calendarFeed: {
    method: 'GET',
    path: '/calendar/:id/:secret.ics',
    who: 'whoever has the link',
    answers: 'text/calendar',
  },

  practice: { method: 'GET', path: '/api/practice', who: 'helper', answers: practiceView },
  openPractice: { method: 'POST', path: '/api/practice', who: 'this computer', answers: practiceOpened },

  yourData: { method: 'GET', path: '/api/your-data', who: 'device', answers: yourDataView },
  makeCopy: { method: 'POST', path: '/api/your-data/copies', who: 'device', answers: copyView },
  archive: { method: 'GET', path: '/api/your-data/archive', who: 'device', answers: 'application/zip' },
  lookAtFile: {
    method: 'POST',
    path: '/api/your-data/look',
    who: 'device',
    answers: lookView,
    body: ARCHIVE_FILE,
  },
  lookProgress: { method: 'GET', path: '/api/your-data/look', who: 'device', answers: progressView },
  lookAtCopy: { method: 'POST', path: '/api/your-data/look-copy', who: 'device', answers: lookView },
  restore: { method: 'POST', path: '/api/your-data/restore', who: 'device', answers: restoredView },

  // How entries were addressed before everything became one log: see the server's `oldAddresses`.
  undoSettings: { method: 'POST', path: '/api/settings/take-back', who: 'device', answers: ids },
  addFinding: {
    method: 'POST',
    path: '/api/gardens/:id/findings',
    who: 'helper',
    of: 'garden',
    answers: findingView,
  },
  undoFinding: { method: 'DELETE', path: '/api/findings/:id', who: 'helper', of: 'finding', answers: id },
  restoreFinding: {
    method: 'POST',
    path: '/api/findings/:id/restore',
    who: 'helper',
    of: 'finding',
    answers: id,
  },
  addPotEntries: {
    method: 'POST',
    path: '/api/gardens/:id/pot-entries',
    who: 'helper',
    of: 'garden',
    answers: ids,
  },
  undoPotEntries: {
    method: 'POST',
    path: '/api/gardens/:id/pot-entries/remove',
    who: 'helper',
    of: 'garden',
    answers: ids,
  },
  restorePotEntries: {
    method: 'POST',
    path: '/api/gardens/:id/pot-entries/restore',
    who: 'helper',
    of: 'garden',
    answers: ids,
  },
  addPh: { method: 'POST', path: '/api/gardens/:id/ph', who: 'device', answers: ids },
  addWatering: {
    method: 'POST',
    path: '/api/beds/:id/waterings',
    who: 'helper',
    of: 'bed',
    answers: entered,
  },
  addSkip: { method: 'POST', path: '/api/beds/:id/skips', who: 'helper', of: 'bed', answers: entered },
  addRain: { method: 'POST', path: '/api/gardens/:id/rain', who: 'device', answers: eventView },
  undoEvent: { method: 'DELETE', path: '/api/events/:id', who: 'helper', of: 'event', answers: entered },
  restoreEvent: {
    method: 'POST',
    path: '/api/events/:id/restore',
    who: 'helper',
    of: 'event',
    answers: entered,
  },
  sayWeather: { method: 'POST', path: '/api/gardens/:id/weather/said', who: 'device', answers: saidAnswer },
  unsayWeather: {
    method: 'POST',
    path: '/api/gardens/:id/weather/said/take-back',
    who: 'device',
    answers: saidAnswer,
  },
  seeAlert: { method: 'POST', path: '/api/gardens/:id/alerts/seen', who: 'device', answers: tickBody },
} as const satisfies Record<string, Endpoint>;

export type EndpointName = keyof typeof CATALOGUE;
export const ENDPOINT_NAMES = Object.keys(CATALOGUE) as EndpointName[];
export const endpoint = (name: EndpointName): Endpoint => CATALOGUE[name];

/** Whether somebody who may do `has` may ask for what `needs` names. */
export const mayAsk = (has: (typeof WHO)[number], needs: (typeof WHO)[number]): boolean =>
  WHO.indexOf(has) >= WHO.indexOf(needs);
