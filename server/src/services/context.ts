import type { BedView, EventView, RoundView } from '@kibble/contract';
import {
  addDays,
  dayOfYear,
  rainClimatology,
  sunOnClock,
  weatherAlerts,
  type GardenPlan,
  type PlanBed,
  type PlanConstraints,
  type SourcedDay,
  type SunOnClock,
  type Unplanned,
  type WeatherAlert,
  unplannedBy,
} from '@kibble/core';
import type { Logger } from 'pino';
import { Op } from 'sequelize';
import { EventRow, type Garden } from '../db/models.ts';
import { planInBackground } from '../jobs/planInBackground.ts';
import { todayOf, utcOffsetHours, type WallClock } from './clock.ts';
import { eventToView } from './events.ts';
import { constraintsOf, planBed } from './planBeds.ts';
import { gardenToView } from './setup.ts';
import { earliestStart, gardenWeather, siteOf } from './weather.ts';

const HORIZON_DAYS = 14;
/** Members of the forecast behind the due windows: enough for a 10 and a 90 % day. */
const MEMBERS = 100;
/** A large garden gets fewer, so that its round stays quick: members times beds, and the fewest that still tell a window. */
const MEMBER_BEDS = 6000;
const LEAST_MEMBERS = 10;
/** A garden of more beds carries no more of each bed's past than the round and the section show. */
const WHOLE_PAST_BEDS = 40;
const SHOWN_PAST_DAYS = 45;
/** Latest measured days from which rain past the forecast is guessed. */
const CLIMATOLOGY_DAYS = 60;

export interface Context {
  garden: RoundView['garden'];
  today: string;
  weather: SourcedDay[];
  plan: GardenPlan;
  constraints: PlanConstraints;
  /** The plan's beds carry all of their past, not only the last weeks. */
  pastIsWhole: boolean;
  /** The beds as the plan took them. */
  planBeds: PlanBed[];
  events: EventView[];
  beds: BedView[];
  /** Beds whose facts cannot be put to the plan at all. */
  unplanned: Unplanned[];
  log: Logger;
  /** What in the past weeks’ and the forecast’s weather asks for action. */
  alerts: WeatherAlert[];
  now: Date;
  /** The sun by the garden's clock today, hours. */
  sun: SunOnClock;
}

function alertsOf(weather: readonly SourcedDay[], today: string): WeatherAlert[] {
  const ahead = weather.filter(
    (day) => day.date >= today && (day.source === 'forecast' || day.source === 'record'),
  );
  const behind = weather.filter((day) => day.date < today && day.source === 'record');
  return [
    ...weatherAlerts(ahead).filter((alert) => alert.code !== 'dry spell'),
    ...weatherAlerts(behind).filter((alert) => alert.code === 'dry spell'),
  ];
}

/** Days of the past that are followed at a glance. */
const GLANCE_DAYS = 2;

/**
 * Loads a garden's facts and lets the core plan it, or one bed of it; at a `glance` from the day before yesterday on,
 * which tells whether a bed can be planned and little else.
 */
export async function contextOf(
  garden: Garden,
  wall: WallClock,
  log: Logger,
  options: { bedId?: number; members?: number; glance?: boolean } = {},
): Promise<Context> {
  const today = todayOf(garden, wall);
  const view = await gardenToView(garden, wall, options.bedId);
  const beds = view.beds.filter(
    (bed) =>
      !bed.archived && bed.startOn <= today && (options.bedId === undefined || bed.id === options.bedId),
  );
  const { glance = false } = options;
  const from = glance ? addDays(today, -GLANCE_DAYS) : await earliestStart(garden, today);
  const weather = await gardenWeather(garden, today, from, HORIZON_DAYS, log, !glance);
  const events = (
    await EventRow.findAll({
      where: { gardenId: garden.id, removedAt: null, ...(glance ? { date: { [Op.gte]: from } } : {}) },
      order: ['date', 'id'],
      raw: true,
    })
  ).map(eventToView);
  const unplanned: Unplanned[] = [];
  const planBeds = beds.flatMap((bed): PlanBed[] => {
    try {
      const planned = planBed(bed, events, today, garden.latitudeDeg);
      return [glance && planned.startOn < from ? { ...planned, startOn: from, startFullness: 1 } : planned];
    } catch (error) {
      unplanned.push(unplannedBy(bed.id, error));
      return [];
    }
  });
  const measured = weather.filter((day) => day.source === 'record').slice(-CLIMATOLOGY_DAYS);
  const constraints = constraintsOf(view, events, today);
  const pastIsWhole = beds.length <= WHOLE_PAST_BEDS;
  const plan = await planInBackground(
    garden.id,
    { site: siteOf(garden), beds: planBeds },
    weather,
    constraints,
    {
      today,
      horizonDays: HORIZON_DAYS,
      pastDays: pastIsWhole ? undefined : SHOWN_PAST_DAYS,
      members:
        options.members ??
        Math.max(LEAST_MEMBERS, Math.min(MEMBERS, Math.floor(MEMBER_BEDS / Math.max(1, beds.length)))),
      climatology: measured.length >= CLIMATOLOGY_DAYS / 2 ? rainClimatology(measured) : undefined,
    },
  );
  return {
    garden: view,
    today,
    weather,
    plan,
    constraints,
    pastIsWhole,
    planBeds,
    unplanned,
    log,
    events,
    beds,
    alerts: alertsOf(weather, today),
    now: wall.now(),
    sun: sunOnClock({
      latitudeDeg: garden.latitudeDeg,
      longitudeDeg: view.longitudeDeg ?? undefined,
      utcOffsetHours: utcOffsetHours(view.timeZone, today),
      dayOfYear: dayOfYear(today),
    }),
  };
}
