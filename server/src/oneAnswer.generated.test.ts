import { beforeAll, describe, expect, test } from '@jest/globals';
import { addDays, completeWeather, METHODS, minutesText, type Goal } from '@kibble/core';
import { weatherOn } from '@kibble/simulators';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { contextOf, HORIZON_DAYS } from './planner/context.ts';
import { DEMO_CLIMATE, demoFacts } from '../tests/demoFacts.ts';
import type { Facts } from './planner/facts.ts';
import { placesOf } from './planner/places.ts';
import { bedPageOf } from './planner/views/bedPage.ts';
import { fortnightOf } from './planner/views/fortnight.ts';
import { roundOf } from './planner/views/round.ts';
import { sectionOf } from './planner/views/section.ts';
import { treesOf } from './planner/views/trees.ts';
import { calendarOf } from './services/calendarOf.ts';

/** Thirty gardens: the demo's places on another day, watered another way, under other goals and limits. */
const GARDENS = Array.from({ length: 30 }, (_, i) => i + 1);
/** Of the beds of a garden one in so many has its page looked at. */
const PAGES = 5;
let facts: Facts;

beforeAll(async () => {
  facts = await demoFacts();
});

const GOALS: readonly Goal[] = ['show', 'steady', 'thrifty', 'alive'];

/** The demo's garden so many days on, with what a seed makes of its ways of watering, goals and limits. */
function another(seed: number): Facts {
  const dice = xoroshiro128plus(seed * 7919);
  const upTo = (most: number): number => uniformInt(dice, 0, most);
  const today = addDays(facts.today, upTo(40));
  const from = facts.weather[0]?.date ?? today;
  const record = facts.weather.filter(({ date, source }) => source === 'record' && date < facts.today);
  for (let date = facts.today; date < today; date = addDays(date, 1))
    record.push({ ...record[0], ...weatherOn(DEMO_CLIMATE, date), source: 'record', rainChance: 0 });
  const weather = completeWeather({
    record,
    forecast: [],
    site: facts.site,
    from,
    to: addDays(today, HORIZON_DAYS - 1),
    today,
  });
  const beds = facts.garden.beds.map((bed) => {
    const method = METHODS[upTo(METHODS.length - 1)] ?? 'hose wand';
    const isOther =
      upTo(2) === 0 && !bed.settings.some(({ setting }) => setting.kind === 'tree' && setting.value);
    const goal = GOALS[upTo(GOALS.length - 1)] ?? 'steady';
    const litresPerMinute = 2 + upTo(20);
    return {
      ...bed,
      goal,
      settings: bed.settings.map((one) =>
        one.setting.kind === 'goal'
          ? { ...one, setting: { kind: 'goal' as const, value: goal } }
          : isOther && one.setting.kind === 'watered'
            ? {
                ...one,
                setting: { kind: 'watered' as const, value: { method, litresPerMinute, measured: true } },
              }
            : one,
      ),
      delivery: isOther ? { method, litresPerMinute, measured: true } : bed.delivery,
    };
  });
  const limits = {
    ...facts.garden.limits,
    litresPerWeek: upTo(3) === 0 ? 1000 + upTo(4000) : null,
    minutesPerDay: upTo(3) === 0 ? 30 + upTo(60) : null,
  };
  return { ...facts, today, weather, proposal: null, garden: { ...facts.garden, today, beds, limits } };
}

/** A calendar's text without what the format adds to it: folded lines, and signs set before commas and line ends (RFC 5545, 3.1 and 3.3.11). */
const readable = (calendar: string): string =>
  calendar
    .replaceAll('\r\n ', '')
    .replaceAll('\\n', '\n')
    .replaceAll(/\\([,;\\])/g, '$1');

/** Litres as the calendar tells them. */
const litresText = (litres: number): string =>
  `${new Intl.NumberFormat('en', { maximumFractionDigits: litres < 10 ? 1 : 0 }).format(litres)} L`;

describe.each(GARDENS)('garden %i: a watering has the same figures in every room', (seed) => {
  test('round, fortnight, garden, bed page, trees and clock', () => {
    const context = contextOf(another(seed), { members: 8 });
    const places = placesOf(context, new Date(`${context.today}T05:00:00Z`));
    const { today } = context;
    const round = roundOf(context, places);
    const fortnight = fortnightOf(context, places);
    const section = sectionOf(context, places, {});
    const trees = treesOf(context, places);
    const calendar = readable(
      calendarOf({ id: 1, name: 'Garden', timeZone: 'UTC', units: 'metric' }, fortnight),
    );
    const runsOn = new Map(fortnight.schedule.map(({ date, slots }) => [date, slots]));
    expect(fortnight.beds.length).toBeGreaterThan(8);
    for (const { bedId, bedName, carried, timer, waterings } of fortnight.beds) {
      const now = waterings.find(({ date }) => date === today);
      const [next] = waterings;
      const stop = round.stops.find((one) => one.bedId === bedId);
      const leave = round.leaveAlone.find((one) => one.bedId === bedId);
      expect([bedName, stop !== undefined]).toEqual([bedName, now !== undefined]);
      expect(stop === undefined && leave === undefined).toBe(false);
      if (stop && now) {
        expect([bedName, stop.run.litres, stop.run.minutes, stop.handsOnMinutes]).toEqual([
          bedName,
          now.litres,
          now.minutes,
          now.handsOnMinutes,
        ]);
        // On the clock its runs are as long as its minutes and as many as its turns.
        if (stop.runs.length > 0 && !stop.byHand)
          expect(stop.runs.reduce((sum, { from, until }) => sum + until - from, 0)).toBeCloseTo(
            now.minutes,
            6,
          );
      }
      // The calendar tells each day's minutes and litres of the round; a timer is set by the runs on the clock.
      for (const watering of waterings) {
        const slots = runsOn.get(watering.date)?.filter((slot) => slot.bedId === bedId) ?? [];
        if (slots.length === 0) continue;
        const minutes = minutesText(carried ? watering.handsOnMinutes : watering.minutes);
        expect(calendar).toContain(`${bedName}: ${minutes}, ${litresText(watering.litres)}`);
        if (timer)
          expect(slots.reduce((sum, { from, until }) => sum + until - from, 0)).toBeCloseTo(
            watering.minutes,
            6,
          );
      }
      if (leave) expect([bedName, leave.nextDate]).toEqual([bedName, next?.date ?? null]);
      const inSection = section.beds.find((one) => one.bedId === bedId);
      if (stop) expect(inSection?.minutes).toBe(stop.run.minutes);
      // Pages take their time: over the gardens each bed's is asked for several times.
      const page = (bedId + seed) % PAGES === 0 ? bedPageOf(context, places, bedId) : null;
      if (page && !('unplanned' in page)) {
        expect([bedName, page.next?.date, page.next?.litres, page.next?.minutes]).toEqual([
          bedName,
          next?.date,
          next?.litres,
          next?.minutes,
        ]);
        expect(page.stop?.run).toEqual(stop?.run);
      }
      const tree = trees.trees.find((one) => one.bedId === bedId);
      if (tree) {
        expect([tree.nextDate, tree.litres, tree.minutes]).toEqual([
          next?.date ?? null,
          next?.litres ?? null,
          next?.minutes ?? null,
        ]);
        expect(tree.fortnightL).toBeCloseTo(
          waterings.reduce((sum, { litres }) => sum + litres, 0),
          6,
        );
      }
    }
    expect(round.totals.litres).toBeCloseTo(fortnight.perDay[0]?.litres ?? 0, 6);
    expect(round.totals.handsOnMinutes).toBeCloseTo(fortnight.perDay[0]?.handsOnMinutes ?? 0, 6);
  });
});
