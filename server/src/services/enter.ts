import {
  tickBody,
  type EntriesAnswer,
  type entriesBody,
  type entryDraft,
  type EventView,
  type PotsView,
} from '@kibble/contract';
import { FINDING_FACTS, FINDING_SORTS, kindFacts, type Finding, type PotEntry } from '@kibble/core';
import type { z } from 'zod';
import { EntryRow, type Garden } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';
import { bedsOfFinding, logFinding, markFinding } from './entries.ts';
import { findBed } from './find.ts';
import { checkEntries, findPot, logEntries, logPh } from './pots.ts';
import { seeTo } from './doneTasks.ts';
import { enterForecasts } from './manualForecasts.ts';
import { restoreSetting, takeBackSettings } from './settings.ts';
import { tick } from './alertsSeen.ts';
import { logRain, logSkip, logWatering, markEvent } from './waterings.ts';

type Draft = z.infer<typeof entryDraft>;
type BodyOf<K extends Draft['body']['kind']> = Extract<Draft['body'], { kind: K }>;

/** What one entry came to. */
interface Made {
  ids: number[];
  event?: EventView;
  /** Beds that are planned otherwise for it; all of the garden's where none are named. */
  beds?: readonly number[];
  /** Beds on whose pages it shows, though their plans are as they were. */
  shownOn?: readonly number[];
  /** Pots, or tasks anywhere, are others for it. */
  pots?: true;
  /** Beds that must be plannable with it. */
  dryRun?: readonly number[];
}

interface Asked {
  garden: Garden;
  draft: Draft;
  sure: boolean;
  wall: WallClock;
}

async function potIn(garden: Garden, id: number): Promise<void> {
  const { pot } = await findPot(id);
  if (pot.gardenId !== garden.id)
    throw new Refusal('not-found', `There is no pot ${id} in ${garden.name}.`, 'subject.id');
}

async function bedIn(garden: Garden, id: number) {
  const { bed } = await findBed(id);
  if (bed.gardenId !== garden.id)
    throw new Refusal('not-found', `There is no bed ${id} in ${garden.name}.`, 'subject.id');
  return bed;
}

/** The day that an entry is of: it must be said, and be no day to come. */
function dayOf({ garden, draft, wall }: Asked): string {
  const today = todayOf(garden, wall);
  const { on = today } = draft;
  if (on > today)
    throw new Refusal('invalid', `Date must be ${today} (today at this garden) or earlier; got ${on}`, 'on');
  return on;
}

/** How each kind that is neither of a pot nor a finding is entered. */
const ENTER: {
  readonly [K in Exclude<Draft['body']['kind'], Finding['kind'] | PotEntry['kind']>]: (
    body: BodyOf<K>,
    asked: Asked,
  ) => Promise<Made>;
} = {
  watering: async ({ kind: _kind, ...body }, { garden, draft, sure, wall }) => {
    const bed = await bedIn(garden, draft.subject.id);
    const { on, note } = draft;
    const event = await logWatering(bed, { ...body, on, note, onlyOne: !sure }, todayOf(garden, wall), wall);
    return { ids: [event.id], event, beds: [bed.id] };
  },
  skip: async ({ reason }, { garden, draft, wall }) => {
    const bed = await bedIn(garden, draft.subject.id);
    const event = await logSkip(bed, { reason, note: draft.note }, todayOf(garden, wall), wall);
    return { ids: [event.id], event, beds: [bed.id] };
  },
  rain: async ({ rainMm }, asked) => {
    const event = await logRain(asked.garden.id, dayOf(asked), rainMm, asked.wall);
    return { ids: [event.id], event };
  },
  'manual forecast': async ({ forecast }, { garden, draft, wall }) => {
    const today = todayOf(garden, wall);
    const days = [{ date: draft.on ?? today, said: forecast }];
    return { ids: await enterForecasts(garden, today, { days }, wall.now()) };
  },
  ph: async ({ ph, of }, { garden, draft, wall }) => ({
    ids: [await logPh(garden, { ph, of, date: draft.on }, wall)],
    beds: [],
    pots: true,
  }),
  'task done': async ({ kind: _kind, key, ...body }, { garden, draft, wall }) => {
    const { subject } = draft;
    if (key === undefined) return { ids: await tick(garden, tickBody.parse(body), wall.now()), beds: [] };
    if (subject.kind === 'bed') await bedIn(garden, subject.id);
    if (subject.kind === 'pot') await potIn(garden, subject.id);
    const ids = await seeTo(garden, subject, key, body.done, todayOf(garden, wall), wall.now());
    // No plan is another for it; it is told no more where it was.
    return { ids, beds: [], shownOn: subject.kind === 'bed' ? [subject.id] : [], pots: true };
  },
};

async function enterOne(asked: Asked): Promise<Made> {
  const { garden, draft, sure, wall } = asked;
  const { body, subject, on, hour, note } = draft;
  if (subject.kind === 'pot' && body.kind !== 'task done') {
    const entry = body as PotEntry;
    const ids = await logEntries(
      garden,
      { entries: [{ potId: subject.id, entry, date: on, hour }], sure },
      wall,
    );
    return { ids, beds: [], pots: true };
  }
  if (Object.hasOwn(FINDING_FACTS, body.kind)) {
    const of = subject.kind === 'tap' ? { tapId: subject.id } : { bedId: subject.id };
    const finding = await logFinding(
      garden,
      { ...of, on, note, input: body as Finding, confirmed: sure },
      wall,
    );
    const beds = await bedsOfFinding(finding);
    // What is read at a tap is shown with the tap, which is the garden's.
    return { ids: [finding.id], ...(finding.tapId === null ? { beds } : {}), dryRun: beds };
  }
  if (subject.kind === 'garden' && subject.id !== garden.id)
    throw new Refusal('not-found', `There is no garden ${subject.id} here.`, 'subject.id');
  const enter = ENTER[body.kind as keyof typeof ENTER] as (
    body: Draft['body'],
    asked: Asked,
  ) => Promise<Made>;
  return enter(body, asked);
}

/** What a kind may be entered on: a reading of the ground is entered on the bed on which it was made. */
function checkSubject({ subject, body }: Draft): void {
  const allowed = (kindFacts(body.kind)?.subjects ?? []).map((kind): string =>
    kind === 'ground' ? 'bed' : kind,
  );
  if (!allowed.includes(subject.kind))
    throw new Refusal(
      'invalid',
      `Subject of this entry must be a ${allowed.join(' or a ')}; got a ${subject.kind}`,
      'subject.kind',
    );
}

/** A refusal of one of several entries names which. */
async function naming<T>(i: number, of: number, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (of > 1 && error instanceof Refusal && error.facts.field)
      throw new Refusal(error.code, error.message, undefined, {
        ...error.facts,
        field: `entries.${i}.${error.facts.field}`,
      });
    throw error;
  }
}

/** What was entered or undone, what of the plans it touched, and which beds must be plannable with it. */
export interface Entered {
  answer: EntriesAnswer;
  touched: { gardenId: number; beds?: number[]; onlyEvents?: boolean; pots?: boolean };
  dryRun: number[];
  /** Something happened on beds: what of the round is another for it is told with the answer. */
  happened: boolean;
}

function together(garden: Garden, made: readonly Made[]): Entered {
  const beds = made.every((one) => one.beds) ? [...new Set(made.flatMap((one) => one.beds ?? []))] : null;
  const pots = made.some((one) => one.pots);
  return {
    answer: {
      ids: made.flatMap(({ ids }) => ids),
      events: made.flatMap(({ event }) => event ?? []),
      touched: { beds: beds && [...beds, ...made.flatMap(({ shownOn }) => shownOn ?? [])], pots },
    },
    touched: {
      gardenId: garden.id,
      ...(beds ? { beds } : {}),
      ...(made.every(({ event }) => event) ? { onlyEvents: true } : {}),
      ...(pots ? { pots } : {}),
    },
    dryRun: [...new Set(made.flatMap(({ dryRun }) => dryRun ?? []))],
    happened: made.some(({ event }) => event && event.bedId !== null),
  };
}

/** Whether a weight is among what is entered: it is held against what the pot can weigh. */
export const hasWeights = ({ entries }: z.infer<typeof entriesBody>): boolean =>
  entries.some(({ body }) => body.kind === 'weighed');

/**
 * Writes down what is entered in a garden: all of it, or none.
 * @param shelf the pots as they are planned, where weights are among it
 */
export async function enter(
  garden: Garden,
  { entries, sure }: z.infer<typeof entriesBody>,
  shelf: PotsView | null,
  wall: WallClock,
): Promise<Entered> {
  for (const [i, draft] of entries.entries())
    await naming(i, entries.length, () => Promise.resolve(checkSubject(draft)));
  if (shelf) {
    const ofPots = entries.flatMap(({ subject, body }) =>
      subject.kind === 'pot' && body.kind !== 'task done'
        ? [{ potId: subject.id, entry: body as PotEntry }]
        : [],
    );
    checkEntries({ entries: ofPots, sure }, shelf);
  }
  const made: Made[] = [];
  for (const [i, draft] of entries.entries())
    made.push(await naming(i, entries.length, () => enterOne({ garden, draft, sure, wall })));
  return together(garden, made);
}

async function markOne(row: EntryRow, away: boolean, wall: WallClock): Promise<Made> {
  const { id, kind, sort, subjectKind } = row;
  const removedAt = away ? wall.now() : null;
  if (sort === 'setting') {
    if (away) await takeBackSettings([id], wall.now());
    else await restoreSetting(row, wall.now());
    if (subjectKind === 'pot') return { ids: [id], beds: [], pots: true };
    return { ids: [id], ...(away ? {} : { dryRun: [row.subjectId] }) };
  }
  if (sort === 'watering' && subjectKind === 'bed') {
    const event = await markEvent(id, removedAt, wall);
    return { ids: [id], event, beds: [row.subjectId] };
  }
  if (kind === 'rain') return { ids: [id], event: await markEvent(id, removedAt, wall) };
  if (subjectKind !== 'pot' && kind !== 'ph' && (FINDING_SORTS as readonly string[]).includes(sort)) {
    const finding = await markFinding(id, removedAt);
    return { ids: [id], ...(!away && 'input' in finding ? { dryRun: await bedsOfFinding(finding) } : {}) };
  }
  await row.update({ removedAt });
  const shownOn = sort === 'task' && subjectKind === 'bed' ? [row.subjectId] : [];
  const pots = sort === 'task' || subjectKind === 'pot' || kind === 'ph';
  return { ids: [id], ...(pots ? { beds: [], shownOn, pots } : {}) };
}

/** Undoes entries of a garden, or brings them back, each by the rule of its kind. */
export async function mark(
  garden: Garden,
  ids: readonly number[],
  away: boolean,
  wall: WallClock,
): Promise<Entered> {
  const made: Made[] = [];
  for (const id of ids) {
    const row = await EntryRow.findByPk(id);
    if (row?.gardenId !== garden.id)
      throw new Refusal('not-found', `There is no entry ${id} in ${garden.name}.`, 'ids');
    made.push(await markOne(row, away, wall));
  }
  return together(garden, made);
}
