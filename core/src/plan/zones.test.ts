import { describe, expect, test } from '@jest/globals';
import { seattle } from '../../tests/seattle.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { beyondNeedL, zoneTotals } from '../follow/zoneAsk.ts';
import type { PlanBed } from '../follow/types.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';
import type { GardenPlan } from './types.ts';

const site = { latitudeDeg: 47.6, elevationM: 50 };
const today = '2015-07-08';
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-05-01',
  to: '2015-09-30',
  today: '2015-09-30',
});
const bed = (id: number, cropId = 'tomato', more: Partial<PlanBed> = {}): PlanBed => ({
  id,
  bed: {
    areaM2: 12,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId, plantedOn: '2015-05-15' }],
  },
  delivery: { method: 'drip', litresPerMinute: 6 },
  irrigations: [{ date: '2015-06-28', netMm: 40 }],
  startOn: '2015-05-15',
  startFullness: 0.9,
  ...more,
});
const planned = (beds: PlanBed[], constraints: PlanConstraints = {}): GardenPlan =>
  planGarden({ site, beds }, weather, constraints, { today, members: 0, reasons: 'all' });
const of = ({ waterings }: GardenPlan, bedId: number) => waterings.filter((w) => w.bedId === bedId);
const days = (plan: GardenPlan, bedId: number): string[] => of(plan, bedId).map(({ date }) => date);
const inZone = (beds: PlanBed[]): PlanBed[] => beds.map((b) => ({ ...b, zone: 1, tap: 7 }));
const sum = (values: number[]): number => values.reduce((a, b) => a + b, 0);

describe('beds of one zone', () => {
  test('a valve with a single bed is that bed', () => {
    const alone = planned([bed(1)]);
    const zoned = planned(inZone([bed(1)]));
    expect(alone.waterings.length).toBeGreaterThan(0);
    expect(days(zoned, 1)).toEqual(days(alone, 1));
    for (const [i, w] of of(zoned, 1).entries())
      expect(w.run.litres).toBeCloseTo(of(alone, 1)[i]?.run.litres ?? 0, 1);
  });

  test('beds that are alike are watered as each would be, at the same time, for the work of one valve', () => {
    const alone = planned([bed(1)]);
    const clock = { longitudeDeg: -122.3, utcOffsetHours: -7 };
    const zoned = planned(inZone([bed(1), bed(2), bed(3)]), { clock });
    for (const id of [1, 2, 3]) expect(days(zoned, id)).toEqual(days(alone, 1));
    const [first] = of(zoned, 1);
    const sameDay = zoned.waterings.filter(({ date }) => date === first?.date);
    expect(sum(sameDay.map((w) => w.handsOnMinutes))).toBeCloseTo(of(alone, 1)[0]?.handsOnMinutes ?? 0, 6);
    const slots = zoned.schedule.find(({ date }) => date === first?.date)?.slots ?? [];
    expect(slots.length).toBeGreaterThanOrEqual(3);
    const times = (id: number): unknown =>
      slots.filter(({ bedId }) => bedId === id).map(({ from, until }) => [from, until]);
    expect(times(2)).toEqual(times(1));
    expect(times(3)).toEqual(times(1));
  });

  // A zone is open for one time: what each bed gets is that time at its own flow.
  test('each bed gets the minutes of the zone at its own flow, in the same turns', () => {
    const beds = [bed(1), bed(2, 'lettuce'), bed(3, 'sweetcorn')];
    beds[1] = { ...(beds[1] as PlanBed), delivery: { method: 'drip', litresPerMinute: 2.5 } };
    const plan = planned(inZone(beds));
    expect(plan.waterings.length).toBeGreaterThan(0);
    for (const date of new Set(plan.waterings.map((w) => w.date))) {
      const run = plan.waterings.filter((w) => w.date === date);
      expect(run.map((w) => w.bedId)).toEqual([1, 2, 3]);
      const [{ minutes, cycles } = { minutes: 0, cycles: 0 }] = run.map((w) => w.run);
      for (const w of run) {
        expect(w.run.minutes).toBeCloseTo(minutes, 2);
        expect(w.run.cycles).toBe(cycles);
        expect(w.run.litres).toBeCloseTo(minutes * (w.bedId === 2 ? 2.5 : 6), 1);
      }
    }
  });

  test('the thirsty one decides for all; what the others get beyond their need is counted and sinks', () => {
    const lettuce = bed(1, 'lettuce', { irrigations: [] });
    const full = bed(2, 'tomato', { irrigations: [{ date: '2015-07-07', netMm: 90 }] });
    const alone = planned([full]);
    const plan = planned(inZone([lettuce, full]));
    const [first] = of(plan, 1);
    const [beside] = of(plan, 2);
    expect(beside?.date).toBe(first?.date);
    expect(first?.reason.code).not.toBe('its zone');
    expect(beside?.reason.code).toBe('its zone');
    expect(beside?.reason.zone?.lead).toBe(1);
    expect(beyondNeedL(first as NonNullable<typeof first>)).toBeLessThan(1);
    const beyond = beyondNeedL(beside as NonNullable<typeof beside>);
    expect(beyond).toBeGreaterThan(0);
    expect(beyond).toBeLessThanOrEqual(beside?.run.litres ?? 0);
    const run = plan.waterings.filter(({ date }) => date === first?.date);
    expect(zoneTotals(run).litres).toBeCloseTo(sum(run.map((w) => w.run.litres)), 9);
    expect(zoneTotals(run).beyondL).toBeCloseTo(beyond + beyondNeedL(first as NonNullable<typeof first>), 9);
    const sunk = (p: GardenPlan): number =>
      sum((p.beds.find((b) => b.bedId === 2)?.ahead ?? []).map((d) => d.lostBelowRootsMm));
    expect(sunk(plan)).toBeGreaterThan(sunk(alone));
  });

  test('one small bed does not send water to large ones while together they can wait', () => {
    const sized = (
      id: number,
      cropId: string,
      areaM2: number,
      litresPerMinute: number,
      wet: string,
    ): PlanBed => {
      const made = bed(id, cropId, { irrigations: [{ date: wet, netMm: 60 }] });
      return { ...made, bed: { ...made.bed, areaM2 }, delivery: { method: 'drip', litresPerMinute } };
    };
    const small = sized(1, 'carrot', 1, 0.5, '2015-07-03');
    const rounds = { rounds: { weekdays: [3, 6] } };
    const alone = planned([small], rounds);
    const beds = inZone([
      small,
      sized(2, 'tomato', 60, 30, '2015-07-06'),
      sized(3, 'tomato', 60, 30, '2015-07-06'),
    ]);
    const plan = planned(beds, rounds);
    expect(days(alone, 1)[0]).toBe(today);
    expect(days(plan, 1)[0]).toBe('2015-07-11');
    expect(plan.beds[0]?.leave).toEqual({ code: 'its zone waits', on: '2015-07-11' });
    // Together they stay within what their goals allow them together.
    expect(sum(plan.beds.map((b) => b.lostL))).toBeLessThanOrEqual(
      sum(plan.beds.map((b) => b.allowedShare * b.wantedL)),
    );
  });

  test('a thirsty bed is not outvoted for long: one that would lose twice what its goal allows makes its zone run', () => {
    const parched = bed(1, 'lettuce', { irrigations: [] });
    const full = [2, 3, 4].map((id) =>
      bed(id, 'tomato', { irrigations: [{ date: '2015-07-07', netMm: 90 }] }),
    );
    expect(days(planned(inZone([parched, ...full])), 1)[0]).toBe(today);
  });
});

describe('limits of a garden with zones', () => {
  const zones = (): PlanBed[] => [
    ...[1, 2, 3].map((id) => ({ ...bed(id, 'sweetcorn'), zone: 1, tap: 7 })),
    ...[4, 5].map((id) => ({ ...bed(id, 'tomato'), zone: 2, tap: 7 })),
  ];
  const daysOf = (plan: GardenPlan) => [1, 2, 3, 4, 5].map((id) => days(plan, id).join());
  const together = (plan: GardenPlan): void => {
    const on = daysOf(plan);
    expect(on[1]).toBe(on[0]);
    expect(on[2]).toBe(on[0]);
    expect(on[4]).toBe(on[3]);
  };

  test.each([
    ['litres a day', { litresPerDay: 400 }],
    ['litres a week', { litresPerWeek: 1500 }],
    ['minutes a day', { minutesPerDay: 6 }],
    ['turns', { turnsPerDay: 0 }],
    ['a source', { sources: { 7: { kind: 'well' as const, litresPerDay: 150 } } }],
  ])('%s: a zone is watered, cut or put off as a whole, within the limit', (_name, constraints) => {
    const free = planned(zones());
    const plan = planned(zones(), constraints);
    together(free);
    together(plan);
    for (const date of new Set(plan.waterings.map((w) => w.date))) {
      const now = plan.waterings.filter((w) => w.date === date);
      const { litresPerDay, minutesPerDay } = constraints as PlanConstraints;
      if (litresPerDay) expect(sum(now.map((w) => w.run.litres))).toBeLessThanOrEqual(litresPerDay + 0.5);
      if (minutesPerDay)
        expect(sum(now.map((w) => w.handsOnMinutes))).toBeLessThanOrEqual(minutesPerDay + 1e-6);
      for (const zone of [1, 2]) {
        const run = now.filter((w) => (w.bedId > 3 ? 2 : 1) === zone).map((w) => w.run.minutes);
        for (const minutes of run) expect(minutes).toBeCloseTo(run[0] as number, 2);
      }
    }
  });

  // Common practice: two lines run at once as long as the tap feeds both, else one after the other.
  test('a tap is shared by its zones: two run at once only where it feeds both', () => {
    const clock = { longitudeDeg: -122.3, utcOffsetHours: -7 };
    const overlap = (tapLitresPerMinute: number): boolean => {
      const plan = planned(zones(), { clock, lines: { tapLitresPerMinute: { 7: tapLitresPerMinute } } });
      return plan.schedule.some(({ slots }) =>
        slots.some(
          (a) =>
            a.bedId <= 3 &&
            slots.some((b) => b.bedId > 3 && a.from < b.until - 1e-6 && b.from < a.until - 1e-6),
        ),
      );
    };
    // Three beds of 6 L/min and two: 18 and 12.
    expect(overlap(31)).toBe(true);
    expect(overlap(29)).toBe(false);
  });
});
