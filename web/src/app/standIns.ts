import type { EventView, GardenView, RoundView, StopView, TapRunView } from '@kibble/contract';
import { spotLitres } from '@kibble/core';
import type { KeptAct } from '../outbox/acts.ts';

/** What is known on this page of the garden that an act is done in. */
export interface Known {
  gardens: readonly GardenView[];
  rounds: readonly { gardenId: number; round: RoundView }[];
  runs: readonly { gardenId: number; runs: TapRunView[] }[];
}

type Body = Readonly<Record<string, unknown>>;
type Asked = Pick<KeptAct, 'at' | 'body' | 'seq'> & { ids: readonly number[]; known: Known };

/** An act that may wait here for the way home: what it says of itself, and what stands for home's answer meanwhile. */
interface StandIn {
  method: string;
  url: RegExp;
  words: (asked: Asked) => string;
  answer: (asked: Asked) => unknown;
  gardenOf?: (asked: Asked) => number | null;
}

const bodyOf = ({ body }: Asked): Body => (body ?? {}) as Body;
const figure = (value: unknown): number | null => (typeof value === 'number' ? value : null);

export interface Standing {
  gardenId: number;
  round: RoundView;
  stop: StopView | null;
  name: string;
}
/** Where a bed stands in the rounds that are known here. */
export function standingOf(bedId: number, known: Known): Standing | null {
  for (const { gardenId, round } of known.rounds) {
    const stop = round.stops.find((s) => s.bedId === bedId) ?? null;
    const leave = round.leaveAlone.find((l) => l.bedId === bedId);
    const name = stop?.bedName ?? leave?.bedName;
    if (name !== undefined) return { gardenId, round, stop, name };
  }
  return null;
}
const bedName = (bedId: number, { gardens, rounds, runs }: Known): string =>
  gardens.flatMap(({ beds }) => beds).find(({ id }) => id === bedId)?.name ??
  standingOf(bedId, { gardens, rounds, runs })?.name ??
  'A bed';
const gardenOfBed = (bedId: number, known: Known): number | null =>
  standingOf(bedId, known)?.gardenId ??
  known.gardens.find(({ beds }) => beds.some(({ id }) => id === bedId))?.id ??
  null;
const ofBed = ({ ids: [bedId = 0], known }: Asked): number | null => gardenOfBed(bedId, known);
const ofGarden = ({ ids: [gardenId = 0] }: Asked): number | null => gardenId;

/** What was told of water, in litres where that is known without home. */
function litresOf(body: Body, stop: StopView | null): number | null {
  const litres = figure(body.litres);
  if (litres !== null) return litres;
  if (body.asPlanned === true && stop) return stop.run.litres;
  const minutes = figure(body.minutes);
  return minutes !== null && minutes > 0 && stop
    ? spotLitres({ litresPerMinute: stop.litresPerMinute, minutes })
    : null;
}

function eventOf(asked: Asked, kind: 'watering' | 'skip'): EventView {
  const [bedId = 0] = asked.ids;
  const body = bodyOf(asked);
  const standing = standingOf(bedId, asked.known);
  const text = (value: unknown): string | null => (typeof value === 'string' ? value : null);
  return {
    id: -asked.seq,
    gardenId: standing?.gardenId ?? 0,
    bedId,
    kind,
    date: text(body.on) ?? standing?.round.date ?? asked.at.slice(0, 10),
    at: asked.at,
    litres: kind === 'watering' ? litresOf(body, standing?.stop ?? null) : null,
    minutes: figure(body.minutes),
    netMm: null,
    told: kind === 'skip' ? null : figure(body.litres) === null ? 'minutes' : 'litres',
    rainMm: null,
    reason: text(body.reason) ?? (body.asPlanned === true ? 'as planned' : null),
    note: text(body.note),
    by: null,
    clockWasAhead: false,
  };
}

function runOf(asked: Asked): TapRunView {
  const [bedId = 0] = asked.ids;
  const body = bodyOf(asked);
  const number = (value: unknown, otherwise: number): number => figure(value) ?? otherwise;
  const minutes = number(body.minutes, 1);
  return {
    id: -asked.seq,
    bedId,
    bedName: bedName(bedId, asked.known),
    startedAt: asked.at,
    minutes,
    litresPerMinute: standingOf(bedId, asked.known)?.stop?.litresPerMinute ?? 1,
    runs: number(body.runs, 1),
    run: number(body.run, 1),
    runMinutes: number(body.runMinutes, minutes),
    soakMinutes: number(body.soakMinutes, 0),
    ranMinutes: number(body.ranMinutes, 0),
    resting: body.resting === true,
    secondsEach: figure(body.secondsEach),
    selfStops: body.selfStops === true,
  };
}

const of = (
  method: string,
  url: RegExp,
  words: string | StandIn['words'],
  answer: StandIn['answer'],
  gardenOf?: StandIn['gardenOf'],
): StandIn => ({ method, url, words: typeof words === 'string' ? () => words : words, answer, gardenOf });
const itsId: StandIn['answer'] = ({ ids: [id = 0] }) => ({ id, settings: [] });
const newId: StandIn['answer'] = ({ seq }) => ({ id: -seq });
const newIds: StandIn['answer'] = ({ seq }) => ({ ids: [-seq] });

/** Everything that may wait; what is not in it needs home at once, and says so. Making gardens, beds and trees and reading files does. */
export const STAND_INS: readonly StandIn[] = [
  of(
    'POST',
    /^beds\/(\d+)\/waterings$/,
    (asked) => {
      const { litres, minutes } = eventOf(asked, 'watering');
      const much =
        litres !== null
          ? `, ${Math.round(litres)} L`
          : minutes !== null
            ? `, ${Math.round(minutes)} min`
            : '';
      return `${bedName(asked.ids[0] ?? 0, asked.known)} watered${much}`;
    },
    (asked) => eventOf(asked, 'watering'),
    ofBed,
  ),
  of(
    'POST',
    /^beds\/(\d+)\/skips$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)} skipped`,
    (asked) => eventOf(asked, 'skip'),
    ofBed,
  ),
  of('DELETE', /^events\/(-?\d+)$/, 'An entry taken back', itsId),
  of('POST', /^events\/(-?\d+)\/restore$/, 'An entry brought back', itsId),
  of(
    'PUT',
    /^beds\/(\d+)\/run$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)}: the tap’s clock`,
    runOf,
    ofBed,
  ),
  of(
    'DELETE',
    /^beds\/(\d+)\/run$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)}: the tap is off`,
    () => ({ dropped: true }),
    ofBed,
  ),
  of('POST', /^gardens\/(\d+)\/findings$/, 'Something found or measured', newId, ofGarden),
  of('DELETE', /^findings\/(-?\d+)$/, 'A finding taken back', itsId),
  of('POST', /^findings\/(-?\d+)\/restore$/, 'A finding brought back', itsId),
  of('POST', /^gardens\/(\d+)\/rain$/, 'What the gauge held', newId, ofGarden),
  of('POST', /^gardens\/(\d+)\/alerts\/seen$/, 'A tick in an alert', (a) => a.body, ofGarden),
  of('POST', /^gardens\/(\d+)\/pot-entries$/, 'Pots', newIds, ofGarden),
  of(
    'POST',
    /^gardens\/(\d+)\/pot-entries\/(?:remove|restore)$/,
    'Pots, taken back',
    (a) => a.body,
    ofGarden,
  ),
  of('POST', /^gardens\/(\d+)\/ph$/, 'A pH', newIds, ofGarden),
  of('PUT', /^gardens\/(\d+)\/drafts\/[a-z0-9:-]+$/, 'What is typed of a test', (asked) => ({
    ...bodyOf(asked),
    key: '',
    updatedAt: asked.at,
  })),
  of('DELETE', /^gardens\/(\d+)\/drafts\/[a-z0-9:-]+$/, 'A test that is over', () => ({ dropped: true })),
  of('PUT', /^beds\/(\d+)$/, ({ ids: [id = 0], known }) => `${bedName(id, known)}: changes`, itsId, ofBed),
  of(
    'PATCH',
    /^beds\/(\d+)\/links$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)}: its tap`,
    itsId,
    ofBed,
  ),
  of(
    'PUT',
    /^beds\/(\d+)\/tree$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)}: changes`,
    itsId,
    ofBed,
  ),
  of(
    'PUT',
    /^beds\/(\d+)\/plantings\/\d+$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)}: its plants`,
    itsId,
    ofBed,
  ),
  of('DELETE', /^beds\/(\d+)$/, ({ ids: [id = 0], known }) => `${bedName(id, known)} put away`, itsId, ofBed),
  of(
    'POST',
    /^beds\/(\d+)\/restore$/,
    ({ ids: [id = 0], known }) => `${bedName(id, known)} brought back`,
    itsId,
    ofBed,
  ),
  of('PUT', /^taps\/(\d+)$/, 'Changes of a tap', itsId),
  of('PUT', /^pots\/(\d+)$/, 'Changes of a pot', itsId),
  of('POST', /^settings\/take-back$/, 'A change taken back', (a) => a.body),
  of(
    'PATCH',
    /^gardens\/(\d+)$/,
    'Settings of the garden',
    ({ ids: [id = 0], known }) => known.gardens.find((g) => g.id === id) ?? { id },
    ofGarden,
  ),
];

/** Whether an act may wait, and how. */
export function standInFor(method: string, url: string): { standIn: StandIn; ids: number[] } | null {
  for (const standIn of STAND_INS) {
    const found = method === standIn.method ? standIn.url.exec(url) : null;
    if (found) return { standIn, ids: found.slice(1).map(Number) };
  }
  return null;
}

/** A garden's running taps with what is kept here put in. */
export function runsWith(runs: readonly TapRunView[], kept: readonly KeptAct[], known: Known): TapRunView[] {
  let now = [...runs];
  for (const act of kept) {
    const bedId = Number(/^beds\/(\d+)\/run$/.exec(act.url)?.[1] ?? 0);
    if (bedId === 0 || act.refused) continue;
    const before = now.find((run) => run.bedId === bedId);
    now = now.filter((run) => run.bedId !== bedId);
    if (act.method === 'PUT') {
      const opened = runOf({ ...act, ids: [bedId], known });
      now.push(before ? { ...opened, litresPerMinute: before.litresPerMinute } : opened);
    }
  }
  return now;
}

/** The entry that an act kept here stands for; null where it is none of the round. */
export function entryOfAct(
  act: Pick<KeptAct, 'url' | 'at' | 'body' | 'seq' | 'refused'>,
  known: Known,
): EventView | null {
  const found = /^beds\/(\d+)\/(waterings|skips)$/.exec(act.url);
  if (!found || act.refused) return null;
  return eventOf({ ...act, ids: [Number(found[1])], known }, found[2] === 'skips' ? 'skip' : 'watering');
}
