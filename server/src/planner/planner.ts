import type { BedView, EventView } from '@kibble/contract';
import type { DoneTask, EventEntry, ProposedRounds } from '@kibble/core';
import type { PotsOnRecord } from '../services/potsOnRecord.ts';
import type { Fault } from './context.ts';
import type { Facts } from './facts.ts';
import { GardenPlanner, type Asked, type ViewName } from './gardenPlanner.ts';

/** A view as text, ready to be sent, and what went wrong inside while it was made. */
export interface Viewed {
  text: string;
  faults: Fault[];
  /** Round days that were proposed anew, to be kept. */
  proposal: ProposedRounds | null;
}

/** Where plans are made and kept: in this thread, or beside it. Gardens are named by number. */
export interface Planner {
  /** Takes a garden's facts in the place of those it had. */
  put(gardenId: number, facts: Facts): Promise<void>;
  /** Takes some beds and what happened on them in the place of what they were. */
  change(gardenId: number, beds: BedView[], events: EventView[]): Promise<void>;
  /** Takes what happened on some beds in the place of what had; the beds are as they were. */
  changeEvents(gardenId: number, beds: number[], entries: EventEntry[]): Promise<void>;
  /** Takes the garden's pots, and the tasks that were seen to, in the place of those it had. */
  changePots(gardenId: number, pots: PotsOnRecord, done: DoneTask[]): Promise<void>;
  /** @throws Refusal on what cannot be shown; `NotThere` when the garden's facts are not there (any more) */
  view<K extends ViewName>(gardenId: number, name: K, asked: Asked[K], now: Date): Promise<Viewed>;
  /** How far a plan under way is. */
  progress(gardenId: number): { done: number; of: number } | null;
  stop(): Promise<void>;
}

/** The facts are not there: the thread that held them has ended. They must be put again. */
export class NotThere extends Error {}

interface HereOptions {
  /** Members of the forecast, in the place of as many as a garden's size allows. */
  members?: number;
  onProgress?: (gardenId: number, done: number, of: number) => void;
}

/** Gardens' planners, one after another in the thread that asks. */
export class InProcessPlanner implements Planner {
  private readonly gardens = new Map<number, GardenPlanner>();
  private readonly options: HereOptions;

  constructor(options: HereOptions = {}) {
    this.options = options;
  }

  put(gardenId: number, facts: Facts): Promise<void> {
    const known = this.gardens.get(gardenId);
    if (known) known.replace(facts);
    else this.gardens.set(gardenId, new GardenPlanner(facts, this.options.members));
    return Promise.resolve();
  }

  change(gardenId: number, beds: BedView[], events: EventView[]): Promise<void> {
    this.of(gardenId).change(beds, events);
    return Promise.resolve();
  }

  changeEvents(gardenId: number, beds: number[], entries: EventEntry[]): Promise<void> {
    this.of(gardenId).changeEvents(beds, entries);
    return Promise.resolve();
  }

  changePots(gardenId: number, pots: PotsOnRecord, done: DoneTask[]): Promise<void> {
    this.of(gardenId).changePots(pots, done);
    return Promise.resolve();
  }

  view<K extends ViewName>(gardenId: number, name: K, asked: Asked[K], now: Date): Promise<Viewed> {
    const planner = this.of(gardenId);
    const told = (done: number, of: number): void => this.options.onProgress?.(gardenId, done, of);
    const text = planner.view(name, asked, now, told);
    return Promise.resolve({ text, faults: planner.takeFaults(), proposal: planner.takeProposal() });
  }

  progress(): null {
    return null;
  }

  stop(): Promise<void> {
    this.gardens.clear();
    return Promise.resolve();
  }

  private of(gardenId: number): GardenPlanner {
    const planner = this.gardens.get(gardenId);
    if (!planner) throw new NotThere();
    return planner;
  }
}
