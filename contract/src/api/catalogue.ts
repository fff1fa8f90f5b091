import { bedsChanged } from '../bedsChange.ts';
import { bedsTableAnswer } from '../bedsTable/body.ts';
import { climateView } from '../climate.ts';
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
  afterRainView,
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

import { ADDRESSES, WHO, type Address, type AddressName } from './addresses.ts';
import { OLD_ADDRESSES } from './oldAddresses.ts';

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

/** What is answered when it succeeds: JSON of this schema, or a text, file or stream by its media type. */
type Answers = z.ZodType | `${string}/${string}`;

const ANSWERS = {
  gardens: gardenName.array(),
  garden: z.union([gardenView, gardenOfHelper]),
  addGarden: gardenView,
  sketchGarden: setupSketch,
  changeGarden: gardenView,
  archiveGarden: gardenAway,
  stepGarden: gardenView,
  addCrop: z.object({ id: z.string() }),
  addBed: id,
  changeBed: withSettings,
  linkBed: id,
  copyBed: ids,
  addBedsOfTable: bedsTableAnswer,
  changeBeds: bedsChanged,
  undoChangeOfBeds: ids,
  archiveBeds: ids,
  archiveBed: id,
  restoreBed: id,
  moveSetting: ids,
  addPlanting: id,
  changePlanting: id,
  removePlanting: id,
  restorePlanting: id,
  drafts: draftView.array(),
  saveDraft: draftView,
  dropDraft: z.object({ dropped: z.boolean() }),
  addEntries: entriesAnswer,
  undoEntries: entriesAnswer,
  restoreEntries: entriesAnswer,
  round: roundView,
  sharpen: sharpenAnswer,
  afterRain: afterRainView,
  fortnight: fortnightView,
  walk: walkView,
  section: sectionView,
  progress: progressView,
  tryPlan: planTryView,
  tryRounds: roundsTryView,
  dayWorking: workingView,
  bedPage: z.union([bedPageView, unplannedBedView]),
  schools: schoolsView,
  ladder: ladderView,
  tryOnBed: tryView,
  numberWorking: workingView,
  pots: potsView,
  potPage: potPageView,
  addPot: id,
  changePot: withSettings,
  copyPot: ids,
  archivePot: id,
  restorePot: id,
  plantOut: id,
  bedToPot: id,
  beginSequence: id,
  stepSequence: z.object({ entries: z.array(z.number()), ended: z.boolean() }),
  trees: treesView,
  addTree: id,
  changeTree: withSettings,
  addTap: id,
  changeTap: id,
  archiveTap: id,
  restoreTap: id,
  runs: tapRunView.array(),
  openRun: tapRunView,
  closeRun: z.object({ dropped: z.boolean() }),
  weather: weatherView,
  alertsSeen: tickView.array(),
  setStation: stationKept,
  bringWeatherFile: fileView,
  weatherFile: fileView,
  rereadWeatherFile: fileView,
  forgetWeatherFile: z.object({ forgotten: z.boolean() }),
  storeWeatherFile: importResult,
  importWeather: importResult,
  undoImport: id,
  restoreImport: id,
  towns: townView.array(),
  climate: climateView,
  who: whoView,
  pair: whoView,
  live: 'text/event-stream',
  sharing: sharingView,
  changeSharing: sharingView,
  invite: inviteView,
  revoke: z.object({ id: z.string() }),
  authority: 'application/x-x509-ca-cert',
  calendar: calendarView,
  renewCalendar: calendarView,
  calendarFeed: 'text/calendar',
  practice: practiceView,
  openPractice: practiceOpened,
  yourData: yourDataView,
  makeCopy: copyView,
  archive: 'application/zip',
  lookAtFile: lookView,
  lookProgress: progressView,
  lookAtCopy: lookView,
  restore: restoredView,
} as const satisfies Record<AddressName, Answers>;

const OLD_ANSWERS = {
  undoSettings: ids,
  addFinding: findingView,
  undoFinding: id,
  restoreFinding: id,
  addPotEntries: ids,
  undoPotEntries: ids,
  restorePotEntries: ids,
  addPh: ids,
  addWatering: entered,
  addSkip: entered,
  addRain: eventView,
  undoEvent: entered,
  restoreEvent: entered,
  sayWeather: saidAnswer,
  unsayWeather: saidAnswer,
  seeAlert: tickBody,
} as const satisfies Record<keyof typeof OLD_ADDRESSES, Answers>;

/** One thing that can be asked of Kibble. */
export interface Endpoint extends Address {
  answers: Answers;
}
export type EndpointName = AddressName | keyof typeof OLD_ADDRESSES;

const ALL = { ...ADDRESSES, ...OLD_ADDRESSES };
const ALL_ANSWERS: Readonly<Record<EndpointName, Answers>> = { ...ANSWERS, ...OLD_ANSWERS };
/** Everything that can be asked of Kibble. */
export const ENDPOINT_NAMES = Object.keys(ALL) as EndpointName[];
export const endpoint = (name: EndpointName): Endpoint => ({ ...ALL[name], answers: ALL_ANSWERS[name] });

/** Whether somebody who may do `has` may ask for what `needs` names. */
export const mayAsk = (has: (typeof WHO)[number], needs: (typeof WHO)[number]): boolean =>
  WHO.indexOf(has) >= WHO.indexOf(needs);
