import type { BedView, PotsView } from '@kibble/contract';
import {
  addDays,
  alertsAhead,
  dayOfYear,
  latestClimatology,
  newMemo,
  triedOn,
  planGarden,
  sunOnClock,
  unplannedBy,
  type AlertAhead,
  type GardenPlan,
  type PlanBed,
  type PlanConstraints,
  type PlanMemo,
  type SourcedDay,
  type SunOnClock,
  type Unplanned,
  borrowedBy,
  constraintsOf,
  inItsZone,
  planBed,
} from '@kibble/core';
import { utcOffsetHours } from '../services/clock.ts';
import { grouped } from '../services/grouped.ts';
import type { Facts } from './facts.ts';

export const HORIZON_DAYS = 14;
/** Ways the weather and the roots may go, by which today is decided and the windows are told. */
const MEMBERS = 64;
/** A large garden gets fewer, so that its round stays quick: members times beds, and the fewest that still tell a window. */
const MEMBER_BEDS = 6000;
const LEAST_MEMBERS = 10;
/** A garden of more beds carries no more of each bed's past than the round and the section show. */
const WHOLE_PAST_BEDS = 40;
const SHOWN_PAST_DAYS = 45;

/** What went wrong inside, told to whoever keeps the log. */
export interface Fault {
  words: string;
  facts: Record<string, unknown>;
}

/** A garden's facts with its one plan: what every room is a view of. */
export interface Context extends Facts {
  plan: GardenPlan;
  constraints: PlanConstraints;
  /** The plan's beds carry all of their past, not only the last weeks. */
  pastIsWhole: boolean;
  /** The beds that stand in the plan, and as the plan took them. */
  beds: BedView[];
  planBeds: PlanBed[];
  /** Beds whose facts cannot be put to the plan at all. */
  unplanned: Unplanned[];
  /** What in the past weeks’ and the forecast’s weather asks for action. */
  alerts: AlertAhead[];
  /** The sun by the garden's clock today, hours. */
  sun: SunOnClock;
  /** The plan as it would be with one of its beds another. */
  planWith: (changed: PlanBed) => GardenPlan;
  /** The plan as it would be under other limits. */
  planUnder: (change: Partial<PlanConstraints>) => GardenPlan;
  /** The plan as it would be under other weather, of the same days. */
  planInWeather: (weather: SourcedDay[]) => GardenPlan;
  faults: Fault[];
}

/** Days of the past that are followed at a glance. */
export const GLANCE_DAYS = 2;

/**
 * Plans a garden from its facts; at a `glance` from the day before yesterday on, which tells whether a bed can be
 * planned and little else.
 * @param options what was followed before, and the beds as the plan took them then, as far as their facts are the same;
 *   members of the forecast; told of progress bed by bed
 */
export function contextOf(
  facts: Facts,
  options: {
    memo?: PlanMemo;
    taken?: Map<number, PlanBed>;
    members?: number;
    glance?: boolean;
    /** The pots as they are planned: what they take of the day's limits comes first. */
    pots?: PotsView;
    onProgress?: (done: number, of: number) => void;
  } = {},
): Context {
  const { garden, events, today, weather, site } = facts;
  const { glance = false, memo = newMemo(), taken = new Map<number, PlanBed>() } = options;
  const from = addDays(today, -GLANCE_DAYS);
  const beds = garden.beds.filter((bed) => !bed.archived && bed.startOn <= today);
  const unplanned: Unplanned[] = [];
  const happened = grouped(events, ({ bedId }) => bedId);
  const planBeds = beds.flatMap((bed): PlanBed[] => {
    try {
      const planned =
        taken.get(bed.id) ??
        inItsZone(
          planBed(bed, happened.get(bed.id) ?? [], {
            today,
            latitudeDeg: site.latitudeDeg,
            borrowed: borrowedBy(bed, beds, happened, today),
          }),
          bed,
          garden,
        );
      taken.set(bed.id, planned);
      return [glance && planned.startOn < from ? { ...planned, startOn: from, startFullness: 1 } : planned];
    } catch (error) {
      unplanned.push(unplannedBy(bed.id, error));
      return [];
    }
  });
  const measured = weather.filter((day) => day.source === 'record');
  const constraints = constraintsOf(
    { ...facts, utcOffsetHours: utcOffsetHours(garden.timeZone, today) },
    options.pots?.spots.flatMap(({ perDay }) => perDay) ?? [],
  );
  const pastIsWhole = beds.length <= WHOLE_PAST_BEDS;
  const plan = (
    those: readonly PlanBed[],
    with_: PlanMemo,
    limits: PlanConstraints = constraints,
    days: SourcedDay[] = weather,
  ): GardenPlan =>
    planGarden({ site, beds: those }, days, limits, {
      today,
      horizonDays: HORIZON_DAYS,
      pastDays: pastIsWhole ? undefined : SHOWN_PAST_DAYS,
      members:
        options.members ??
        Math.max(LEAST_MEMBERS, Math.min(MEMBERS, Math.floor(MEMBER_BEDS / Math.max(1, beds.length)))),
      climatology: latestClimatology(measured),
      memo: with_,
      onProgress: options.onProgress,
    });
  const made = plan(planBeds, memo);
  /** What is tried of a bed is tried in the zone that it is in. */
  const asItIs = (changed: PlanBed): PlanBed => {
    const bed = beds.find(({ id }) => id === changed.id);
    return bed ? inItsZone(changed, bed, garden) : changed;
  };
  // What is tried is tried on the days that stand.
  const standing = {
    ...constraints,
    rounds: { ...constraints.rounds, proposal: made.rounds.proposal ?? undefined },
  };
  return {
    ...facts,
    plan: made,
    constraints: standing,
    pastIsWhole,
    beds,
    planBeds,
    unplanned,
    faults: [],
    alerts: alertsAhead(weather, today, site),
    // What was followed of the others stands; what is tried of this one is not remembered.
    planWith: (changed) =>
      plan(
        planBeds.map((bed) => (bed.id === changed.id ? asItIs(changed) : bed)),
        triedOn(memo),
        standing,
      ),
    planUnder: (change) => plan(planBeds, newMemo(), { ...standing, ...change }),
    planInWeather: (days) => plan(planBeds, newMemo(), standing, days),
    sun: sunOnClock({
      latitudeDeg: site.latitudeDeg,
      longitudeDeg: garden.longitudeDeg ?? undefined,
      utcOffsetHours: utcOffsetHours(garden.timeZone, today),
      dayOfYear: dayOfYear(today),
    }),
  };
}
