import {
  bedPageView,
  changedAnswer,
  fortnightView,
  ladderView,
  roundsTryView,
  gardenView,
  planTryView,
  potPageView,
  potsView,
  roundView,
  schoolsView,
  sectionView,
  sharpenAnswer,
  afterRainView,
  treesView,
  tryView,
  unplannedBedView,
  walkView,
  workingView,
  type BedView,
  type EventView,
  type Explainable,
  type PlanChange,
  type RoundsTry,
  type TryBody,
} from '@kibble/contract';
import {
  happened,
  newMemo,
  type DoneTask,
  type EventEntry,
  type ProposedRounds,
  type PlanBed,
  type PlanMemo,
} from '@kibble/core';
import { answer, Refusal } from '../errors.ts';
import { contextOf, type Context, type Fault } from './context.ts';
import type { PotsOnRecord } from '../services/potsOnRecord.ts';
import type { Facts } from './facts.ts';
import { LOOKED_MS, placesOf, type Places } from './places.ts';
import { bedPageOf } from './views/bedPage.ts';
import { fortnightOf } from './views/fortnight.ts';
import { changedOf } from './views/changed.ts';
import { ladderOf } from './views/ladder.ts';
import { roundOf } from './views/round.ts';
import { tryRounds } from './views/tryRounds.ts';
import { potPageOf, shelfOf, type Shelf } from './views/pots.ts';
import { schoolsOf } from './views/schools.ts';
import { sectionOf, type SectionQuery } from './views/section.ts';
import { afterRainOf } from './views/afterRain.ts';
import { sharpenOf } from './views/sharpen.ts';
import { treesOf } from './views/trees.ts';
import { tryPlanChange } from './views/tryPlan.ts';
import { walkOf } from './views/walk.ts';
import { dayWorking, numberWorking, tryOnBed } from './views/working.ts';

/** What is asked of a plan: each a view of the same one. */
export interface Asked {
  garden: Record<string, never>;
  round: Record<string, never>;
  /** What of the round is another since it was last asked for; null when nobody has. */
  changed: Record<string, never>;
  fortnight: Record<string, never>;
  sharpen: Record<string, never>;
  afterRain: Record<string, never>;
  section: SectionQuery;
  walk: { from: number; minutes?: number };
  bedPage: { bedId: number };
  schools: { bedId: number };
  ladder: { bedId: number };
  /** What other round days, days away or a round moved would come to. */
  tryRounds: RoundsTry;
  tryPlan: PlanChange;
  tryOnBed: { bedId: number; body: TryBody };
  numberWorking: { bedId: number; of: Explainable };
  dayWorking: { date: string };
  pots: Record<string, never>;
  trees: Record<string, never>;
  potPage: { potId: number };
}
export type ViewName = keyof Asked;

interface Planned {
  context: Context;
  places: Places;
  /** When the places were looked at: what there is to do moves with the clock. */
  at: Date;
}

const isPast = ({ at }: Planned, now: Date): boolean => Math.abs(now.getTime() - at.getTime()) > LOOKED_MS;

/** Pots come first: where a day's water or minutes are limited, the beds have what they leave. */
const hasLimits = ({ garden: { limits } }: Facts): boolean =>
  [limits.litresPerDay, limits.litresPerWeek, limits.minutesPerDay].some((limit) => (limit ?? null) !== null);

/** Views that hang on nothing but the plan. */
const MADE_ONCE: ReadonlySet<ViewName> = new Set([
  'garden',
  'round',
  'fortnight',
  'sharpen',
  'afterRain',
  'trees',
]);

const VIEWS: {
  [K in ViewName]: (
    planned: () => Planned,
    asked: Asked[K],
    facts: Facts,
    before: Planned | null,
    shelf: () => Shelf,
  ) => unknown;
} = {
  garden: (_planned, _asked, facts) => answer(gardenView, facts.garden),
  round: (planned) => answer(roundView, roundOf(planned().context, planned().places)),
  changed: (planned, _asked, _facts, before) =>
    answer(
      changedAnswer,
      before && changedOf(before.places, roundOf(planned().context, planned().places), planned().places),
    ),
  fortnight: (planned) => answer(fortnightView, fortnightOf(planned().context, planned().places)),
  afterRain: (planned) => answer(afterRainView, afterRainOf(planned().context)),
  sharpen: (planned) => answer(sharpenAnswer, sharpenOf(planned().context)),
  section: (planned, query) => answer(sectionView, sectionOf(planned().context, planned().places, query)),
  walk: (planned, asked) => answer(walkView, walkOf(planned().context, asked)),
  bedPage: (planned, { bedId }, { garden }) => {
    const page = bedPageOf(planned().context, planned().places, bedId);
    if (!page) {
      const name = garden.beds.find((b) => b.id === bedId)?.name ?? 'This bed';
      throw new Refusal('not-found', `${name} is put away or not planted yet on this date.`, 'bed');
    }
    return 'unplanned' in page ? answer(unplannedBedView, page) : answer(bedPageView, page);
  },
  schools: (planned, { bedId }) => answer(schoolsView, schoolsOf(planned().context, bedId)),
  ladder: (planned, { bedId }) => answer(ladderView, ladderOf(planned().context, bedId)),
  tryRounds: (planned, tried) => answer(roundsTryView, tryRounds(planned().context, tried)),
  tryPlan: (planned, change) => answer(planTryView, tryPlanChange(planned().context, change)),
  tryOnBed: (planned, { bedId, body }) => answer(tryView, tryOnBed(planned().context, bedId, body)),
  numberWorking: (planned, { bedId, of }) =>
    answer(workingView, { working: numberWorking(planned().context, bedId, of) }),
  dayWorking: (planned, { date }) => answer(workingView, { working: dayWorking(planned().context, date) }),
  trees: (planned) => answer(treesView, treesOf(planned().context, planned().places)),
  pots: (_planned, _asked, _facts, _before, shelf) => answer(potsView, shelf().view),
  potPage: (_planned, { potId }, facts, _before, shelf) => {
    const page = potPageOf(facts, shelf(), potId);
    if (!page) throw new Refusal('not-found', 'This pot is put away, or cannot be planned.', 'pot');
    return answer(potPageView, page);
  },
};

/** Places whose watered ground a tree's roots share. */
const sharesWith = ({ settings }: BedView): readonly number[] =>
  settings.flatMap(({ setting }) => (setting.kind === 'tree' ? (setting.value?.shares ?? []) : []));

/** One garden's facts and its one plan, made when first asked for and kept until a fact changes. */
export class GardenPlanner {
  private facts: Facts;
  private planned: Planned | null = null;
  /** The plan before the last change that somebody has been told of. */
  private before: Planned | null = null;
  private readonly memo: PlanMemo = newMemo();
  /** The beds as the plan took them, as long as their facts stand. */
  private readonly taken = new Map<number, PlanBed>();
  /** Views of the plan that are asked for time and again, as text. */
  private readonly texts = new Map<ViewName, string>();
  /** What went wrong while it planned, until somebody fetches it. */
  private faults: Fault[] = [];
  /** Its pots as they were followed, as long as their facts stand. */
  private shelf: Shelf | null = null;
  /** The shelf as it was made last: what of it is the same need not be made again. */
  private lastShelf: Shelf | null = null;
  private proposed: ProposedRounds | null = null;

  private readonly members: number | undefined;

  /** @param members of the forecast, in the place of as many as the garden's size allows */
  constructor(facts: Facts, members?: number) {
    this.facts = facts;
    this.members = members;
  }

  /** Takes other facts in the place of all. */
  replace(facts: Facts): void {
    // Weather that is the same day for day lets what was followed under it stand.
    const same = JSON.stringify(facts.weather) === JSON.stringify(this.facts.weather);
    this.facts = same ? { ...facts, weather: this.facts.weather } : facts;
    this.shelf = null;
    this.taken.clear();
    this.after();
  }

  /** The plan is made anew when next asked for; what it was is kept to tell what changed. */
  private after(): void {
    this.before = this.planned ?? this.before;
    this.planned = null;
    this.texts.clear();
  }

  /** Takes the place of the pots and of what was seen to: the beds' plans are as they were. */
  changePots(pots: PotsOnRecord, done: DoneTask[]): void {
    this.facts = { ...this.facts, pots, done };
    this.shelf = null;
    if (hasLimits(this.facts)) this.after();
    else if (this.planned) {
      // What there is to do is looked at anew when next asked for.
      const { context, places } = this.planned;
      this.planned = { context: { ...context, done }, places, at: new Date(0) };
      this.texts.clear();
    }
  }

  /** Takes the place of what happened on some beds, which are as they were. */
  changeEvents(beds: readonly number[], entries: readonly EventEntry[]): void {
    const { garden, today } = this.facts;
    const byId = new Map(garden.beds.map((bed) => [bed.id, bed]));
    const events = entries.map((entry) => happened(entry, byId.get(entry.bedId ?? 0) ?? null, today));
    this.change(
      beds.flatMap((id) => byId.get(id) ?? []),
      events,
    );
  }

  /** Takes the place of some beds and of what happened on them; the rest of the garden is as it was. */
  change(beds: readonly BedView[], events: readonly EventView[]): void {
    const ids = new Set(beds.map(({ id }) => id));
    for (const id of ids) this.taken.delete(id);
    const { garden } = this.facts;
    // A tree whose roots share their ground has their water too.
    for (const bed of garden.beds) if (sharesWith(bed).some((id) => ids.has(id))) this.taken.delete(bed.id);
    this.facts = {
      ...this.facts,
      garden: { ...garden, beds: garden.beds.map((bed) => beds.find(({ id }) => id === bed.id) ?? bed) },
      events: [...this.facts.events.filter(({ bedId }) => bedId === null || !ids.has(bedId)), ...events],
    };
    this.after();
  }

  /** A view, as its schema has it, as text. */
  view<K extends ViewName>(
    name: K,
    asked: Asked[K],
    now: Date,
    onProgress?: (done: number, of: number) => void,
  ): string {
    const planned = (): Planned => {
      if (!this.planned) {
        const context = contextOf(this.facts, {
          pots: shelf().view,
          memo: this.memo,
          taken: this.taken,
          members: this.members,
          onProgress,
        });
        this.planned = { context, places: placesOf(context, now, this.before?.places), at: now };
        this.propose(context.plan.rounds.proposal);
      } else if (isPast(this.planned, now)) {
        const { context, places } = this.planned;
        this.planned = { context, places: placesOf(context, now, places), at: now };
        this.texts.clear();
      }
      return this.planned;
    };
    const shelf = (): Shelf => (this.shelf ??= this.lastShelf = shelfOf(this.facts, this.lastShelf));
    try {
      const known = this.madeBefore(name, now);
      if (known !== undefined) return known;
      const text = JSON.stringify(VIEWS[name](planned, asked, this.facts, this.before, shelf));
      if (name === 'changed') this.before = null;
      if (MADE_ONCE.has(name) && this.planned) this.texts.set(name, text);
      return text;
    } finally {
      if (this.planned) this.faults.push(...this.planned.context.faults.splice(0));
    }
  }

  /** A view as it was made before, unless the clock has gone on since. */
  private madeBefore(name: ViewName, now: Date): string | undefined {
    return this.planned && !isPast(this.planned, now) ? this.texts.get(name) : undefined;
  }

  /** What was proposed stands for the plans to come. */
  private propose(proposal: ProposedRounds | null): void {
    if (!proposal || JSON.stringify(proposal) === JSON.stringify(this.facts.proposal)) return;
    this.facts = { ...this.facts, proposal };
    this.proposed = proposal;
  }

  /** Round days proposed since this was last asked for. */
  takeProposal(): ProposedRounds | null {
    const { proposed } = this;
    this.proposed = null;
    return proposed;
  }

  takeFaults(): Fault[] {
    return this.faults.splice(0);
  }
}
