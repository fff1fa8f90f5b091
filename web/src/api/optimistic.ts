import type {
  AddressName,
  EntriesAnswer,
  EntriesDraft,
  EntryDraft,
  EventView,
  GardenView,
  RoundView,
  StopView,
  TapRunView,
} from '@kibble/contract';
import { spotLitres } from '@kibble/core';
import type { WaitingAct } from '../outbox/acts.ts';
import { asToday } from '../outbox/olderActs.ts';
import type { At } from './call.ts';

/** What is known on this page of the garden that an act is done in. */
export interface Known {
  gardens: readonly GardenView[];
  rounds: readonly { gardenId: number; round: RoundView }[];
  runs: readonly { gardenId: number; runs: TapRunView[] }[];
}

type Body = Readonly<Record<string, unknown>>;
/** An act as it is asked for: by the name of its address and what stands in the places of that. */
interface Asked extends Pick<WaitingAct, 'at' | 'body' | 'seq'> {
  places: At;
  known: Known;
}

/** What an act that waits here says of itself, and what stands for home's answer meanwhile. */
interface OptimisticAnswer {
  words: (asked: Asked) => string;
  answer: (asked: Asked) => unknown;
  gardenOf?: (asked: Asked) => number | null;
}

const bodyOf = ({ body }: Asked): Body => (body ?? {}) as Body;
const figure = (value: unknown): number | null => (typeof value === 'number' ? value : null);
const text = (value: unknown): string | null => (typeof value === 'string' ? value : null);
const idOf = ({ places }: Asked): number => Number(places.id ?? 0);

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
/** The garden that a bed is known to lie in. */
export const gardenOfBed = (bedId: number, known: Known): number | null =>
  standingOf(bedId, known)?.gardenId ??
  known.gardens.find(({ beds }) => beds.some(({ id }) => id === bedId))?.id ??
  null;
const ofBed = (asked: Asked): number | null => gardenOfBed(idOf(asked), asked.known);

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

/** The waterings and skips among entries, as home would show them. */
function eventsOf(entries: readonly EntryDraft[], asked: Asked): EventView[] {
  return entries.flatMap(({ subject, body, on, note }): EventView[] => {
    if (body.kind !== 'watering' && body.kind !== 'skip') return [];
    const standing = standingOf(subject.id, asked.known);
    const said = body as Body;
    return [
      {
        id: -asked.seq,
        gardenId: standing?.gardenId ?? 0,
        bedId: subject.id,
        kind: body.kind,
        date: text(on) ?? standing?.round.date ?? asked.at.slice(0, 10),
        at: asked.at,
        litres: body.kind === 'watering' ? litresOf(said, standing?.stop ?? null) : null,
        minutes: figure(said.minutes),
        netMm: null,
        told: body.kind === 'skip' ? null : figure(said.litres) === null ? 'minutes' : 'litres',
        rainMm: null,
        reason: text(said.reason) ?? (said.asPlanned === true ? 'as planned' : null),
        note: text(note),
        by: null,
        clockWasAhead: false,
      },
    ];
  });
}

const entriesOf = ({ body }: Pick<Asked, 'body'>): readonly EntryDraft[] =>
  (body as EntriesDraft | undefined)?.entries ?? [];

/** What is written down, in words, as it waits here. */
function entryWords(asked: Asked): string {
  const entries = entriesOf(asked);
  const [first] = entries;
  if (!first) return 'Something written down';
  const [event] = eventsOf(entries, asked);
  if (event?.kind === 'skip') return `${bedName(event.bedId ?? 0, asked.known)} skipped`;
  if (event) {
    const { litres, minutes } = event;
    const much =
      litres !== null ? `, ${Math.round(litres)} L` : minutes !== null ? `, ${Math.round(minutes)} min` : '';
    return `${bedName(event.bedId ?? 0, asked.known)} watered${much}`;
  }
  const { kind, id } = first.subject;
  if (kind === 'bed') return `${bedName(id, asked.known)}: something found or decided`;
  if (kind === 'pot') return entries.length === 1 ? '1 pot' : `${entries.length} pots`;
  return OF_THE_GARDEN[first.body.kind] ?? 'Something found or measured';
}
const OF_THE_GARDEN: Readonly<Record<string, string>> = {
  rain: 'What the gauge held',
  'manual forecast': 'What the weather was or will be',
  ph: 'A pH',
  'task done': 'A task seen to',
};

function runOf(asked: Asked): TapRunView {
  const bedId = idOf(asked);
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

const NOTHING_TOUCHED = { beds: [], pots: false };
const undone = (words: string): OptimisticAnswer => ({
  words: () => words,
  answer: ({ body }): EntriesAnswer => ({
    ids: (body as { ids: number[] }).ids,
    events: [],
    touched: NOTHING_TOUCHED,
  }),
  gardenOf: idOf,
});
const itsId: OptimisticAnswer['answer'] = (asked) => ({ id: idOf(asked), settings: [] });
const onBed = (words: string): OptimisticAnswer => ({
  words: (asked) => `${bedName(idOf(asked), asked.known)}${words}`,
  answer: itsId,
  gardenOf: ofBed,
});

/** Every act that may wait here, by the name of its address; what is not in it needs home at once, and says so. */
export const OPTIMISTIC: Readonly<Partial<Record<AddressName, OptimisticAnswer>>> = {
  addEntries: {
    words: entryWords,
    answer: (asked): EntriesAnswer => ({
      ids: [-asked.seq],
      events: eventsOf(entriesOf(asked), asked),
      touched: NOTHING_TOUCHED,
    }),
    gardenOf: idOf,
  },
  undoEntries: undone('An entry undone'),
  restoreEntries: undone('An entry brought back'),
  openRun: { ...onBed(': the tap’s clock'), answer: runOf },
  closeRun: { ...onBed(': the tap is off'), answer: () => ({ dropped: true }) },
  saveDraft: {
    words: () => 'What is typed of a test',
    answer: (asked) => ({ ...bodyOf(asked), key: '', updatedAt: asked.at }),
  },
  dropDraft: { words: () => 'A test that is over', answer: () => ({ dropped: true }) },
  changeBed: onBed(': changes'),
  linkBed: onBed(': its tap'),
  changeTree: onBed(': changes'),
  changePlanting: onBed(': its plants'),
  archiveBed: onBed(' put away'),
  restoreBed: onBed(' brought back'),
  changeTap: { words: () => 'Changes of a tap', answer: itsId },
  changePot: { words: () => 'Changes of a pot', answer: itsId },
  changeGarden: {
    words: () => 'Settings of the garden',
    answer: (asked) => asked.known.gardens.find((g) => g.id === idOf(asked)) ?? { id: idOf(asked) },
    gardenOf: idOf,
  },
};

/** The number in the place of an address: of a bed, for a tap's clock. */
const numberIn = (url: string): number => Number(/\/(-?\d+)/.exec(url)?.[1] ?? 0);

/** A garden's running taps with what is kept here put in. */
export function runsWith(
  runs: readonly TapRunView[],
  kept: readonly WaitingAct[],
  known: Known,
): TapRunView[] {
  let now = [...runs];
  for (const act of kept) {
    const { name, url } = asToday(act);
    if (act.refused || (name !== 'openRun' && name !== 'closeRun')) continue;
    const bedId = numberIn(url);
    const before = now.find((run) => run.bedId === bedId);
    now = now.filter((run) => run.bedId !== bedId);
    if (name === 'openRun') {
      const opened = runOf({ ...act, places: { id: bedId }, known });
      now.push(before ? { ...opened, litresPerMinute: before.litresPerMinute } : opened);
    }
  }
  return now;
}

type ActOfRound = Pick<WaitingAct, 'url' | 'at' | 'body' | 'seq' | 'refused' | 'name' | 'method'>;

/** The waterings and skips that an act kept here stands for. */
export function eventsOfAct(act: ActOfRound, known: Known): EventView[] {
  const { name, url, body } = asToday(act);
  if (act.refused || name !== 'addEntries') return [];
  return eventsOf(entriesOf({ body }), { ...act, body, places: { id: numberIn(url) }, known });
}
