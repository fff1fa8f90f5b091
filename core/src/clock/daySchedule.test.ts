import { describe, expect, test } from '@jest/globals';
import * as Astronomy from 'astronomy-engine';
import fc from 'fast-check';
import { cropById } from '../plants/catalogue/index.ts';
import { dayOfYear } from '../units/dates.ts';
import { sunOnClock } from '../weather/sunOnClock.ts';
import { daySchedule, type DayJob } from './daySchedule.ts';
import { openHours, openSpans } from './openSpans.ts';

describe('the sun on the clock', () => {
  // Against astronomy-engine's own search for sunrise and sunset.
  test.each([
    ['2026-07-14', 46.9, 26.9, 3],
    ['2026-01-10', 46.9, 26.9, 2],
    ['2026-03-21', -34.6, -58.4, -3],
    ['2026-11-23', 47.6, -122.3, -8],
    ['2026-06-21', 59.3, 18.1, 2],
  ])('%s at %p°, %p°: within six minutes', (date, latitudeDeg, longitudeDeg, utcOffsetHours) => {
    const observer = new Astronomy.Observer(latitudeDeg, longitudeDeg, 0);
    const midnight = Astronomy.MakeTime(
      new Date(Date.parse(`${date}T00:00:00Z`) - utcOffsetHours * 3_600_000),
    );
    const found = (direction: number): number => {
      const at = Astronomy.SearchRiseSet(Astronomy.Body.Sun, observer, direction, midnight, 1);
      return ((at?.ut ?? 0) - midnight.ut) * 24;
    };
    const sun = sunOnClock({ latitudeDeg, longitudeDeg, utcOffsetHours, dayOfYear: dayOfYear(date) });
    expect(Math.abs(sun.sunrise - found(1))).toBeLessThan(0.1);
    expect(Math.abs(sun.sunset - found(-1))).toBeLessThan(0.1);
  });
  test('an impossible longitude is refused by name', () =>
    expect(() => sunOnClock({ latitudeDeg: 47, longitudeDeg: 190, utcOffsetHours: 1, dayOfYear: 1 })).toThrow(
      /longitudeDeg .* -180 to 180/,
    ));
});

const sun = { sunrise: 5.5, noon: 13, sunset: 20.5 };
const all = openHours(undefined);
const inside = (spans: readonly { from: number; until: number }[], hour: number): boolean =>
  spans.some((s) => s.from <= hour * 60 && hour * 60 <= s.until);

describe('open hours', () => {
  test('no disease-prone crop, nor any other, is sprayed in the evening or at night', () => {
    for (const cropId of ['tomato', 'potato', 'rose', 'lettuce', 'lawn-cool'])
      for (const method of ['sprinkler', 'micro-spray'] as const)
        for (const spans of openSpans({ method, crop: cropById(cropId), sun, open: all }))
          for (const hour of [19.5, 20.5, 22, 0.5, 3]) expect(inside(spans, hour)).toBe(false);
  });
  // Common practice.
  test('sprays have the morning, drip any hour, succulents the dusk, and by hand never the dark', () => {
    const [morning] = openSpans({ method: 'sprinkler', sun, open: all });
    expect(inside(morning, 6)).toBe(true);
    expect(inside(morning, 13)).toBe(false);
    const drip = { method: 'drip', sun, open: all } as const;
    expect(inside(openSpans({ ...drip, timer: true })[2], 23)).toBe(true);
    expect(inside(openSpans(drip)[2], 23)).toBe(false);
    // What a timer sprays that does not fit into its hours goes on into the morning, not back into the night.
    for (const spans of openSpans({ method: 'sprinkler', sun, open: all, timer: true }))
      for (const hour of [0.5, 2, 3.5, 14]) expect(inside(spans, hour)).toBe(false);
    // Opened by hand, a sprinkler is shut before the heat.
    const [, widened] = openSpans({ method: 'sprinkler', sun, open: all });
    expect(inside(widened, 11)).toBe(true);
    expect(inside(widened, 14)).toBe(false);
    const [dusk] = openSpans({ method: 'watering can', crop: cropById('aloe'), sun, open: all });
    expect(inside(dusk, 21)).toBe(true);
    for (const spans of openSpans({ method: 'hose wand', sun, open: all }))
      expect(inside(spans, 22)).toBe(false);
  });
  test('wilting overrides the ideal hour, but not the hours the rules leave', () => {
    const now = openSpans({ method: 'hose wand', sun, open: all, wilting: true });
    expect(inside(now[0], 13)).toBe(true);
    const ruled = openSpans({
      method: 'hose wand',
      sun,
      open: openHours([{ from: 18 * 60, until: 6 * 60 }]),
      wilting: true,
    });
    expect(inside(ruled[2], 13)).toBe(false);
    expect(inside(ruled[0], 19)).toBe(true);
  });
  test('hours over midnight are two stretches', () =>
    expect(openHours([{ from: 1080, until: 360 }])).toEqual([
      { from: 0, until: 360 },
      { from: 1080, until: 1440 },
    ]));
});

const job = (bedId: number, more: Partial<DayJob> = {}): DayJob => ({
  bedId,
  cycles: 1,
  runMinutes: 20,
  soakMinutes: 0,
  tap: null,
  litresPerMinute: 10,
  byHand: false,
  urgent: false,
  loss: 1,
  spans: [[{ from: 300, until: 600 }]],
  ...more,
});
const finish = (jobs: DayJob[], lines = {}): number =>
  Math.max(...daySchedule(jobs, lines).slots.map((s) => s.until));

describe('a day’s runs on the clock', () => {
  test('the turns of one watering stay together: what no longer fits before the hours end begins in the next ones', () => {
    const spans = [
      [
        { from: 330, until: 480 },
        { from: 1200, until: 1320 },
      ],
    ];
    const made = daySchedule([
      job(1, { runMinutes: 140, byHand: true, spans }),
      job(2, { cycles: 2, runMinutes: 10, soakMinutes: 10, byHand: true, spans }),
    ]);
    const turns = made.slots.filter(({ bedId }) => bedId === 2);
    expect(turns.map(({ from }) => from)).toEqual([1200, 1220]);
    // Fills of the morning and of the evening fit no stretch together, and are apart on purpose.
    const fills = daySchedule([job(3, { cycles: 2, runMinutes: 20, soakMinutes: 540, spans })]).slots;
    expect(fills.map(({ from }) => from)).toEqual([330, 1200]);
  });
  test('the soak of one bed is used for another', () => {
    const cycling = { cycles: 3, runMinutes: 10, soakMinutes: 20 };
    const one = finish([job(1, cycling)]) - 300;
    const two = finish([job(1, cycling), job(2, cycling)]) - 300;
    expect(one).toBe(70);
    // One after the other with its own soaks would be 140.
    expect(two).toBe(80);
  });
  test('by hand on dry ground: the whole circuit once, then the whole circuit again', () => {
    const twice = { cycles: 2, runMinutes: 5, soakMinutes: 5, byHand: true };
    const { slots } = daySchedule([job(1, twice), job(2, twice), job(3, twice)]);
    expect(slots.map((s) => s.bedId)).toEqual([1, 2, 3, 1, 2, 3]);
  });
  test('two taps run side by side, one tap never twice unless it feeds both', () => {
    expect(finish([job(1, { tap: 1 }), job(2, { tap: 2 })])).toBe(320);
    expect(finish([job(1, { tap: 1 }), job(2, { tap: 1 })])).toBe(340);
    expect(finish([job(1, { tap: 1 }), job(2, { tap: 1 })], { tapLitresPerMinute: { 1: 20 } })).toBe(320);
    expect(finish([job(1, { tap: 1 }), job(2, { tap: 2 })], { lines: 1 })).toBe(340);
  });
  test('plants that hang go first; the least loss is given up when the hours are too short', () => {
    const spans = [[{ from: 300, until: 340 }]];
    const made = daySchedule([
      job(1, { spans, loss: 5 }),
      job(2, { spans, loss: 1 }),
      job(3, { spans, urgent: true }),
    ]);
    expect(made.unfit).toEqual([2]);
    expect(made.slots[0]?.bedId).toBe(3);
  });
  test('second-best hours are used only when the best are full', () => {
    const spans = [
      [{ from: 300, until: 325 }],
      [
        { from: 300, until: 325 },
        { from: 1000, until: 1100 },
      ],
    ];
    const { slots, unfit } = daySchedule([job(1, { spans }), job(2, { spans })]);
    expect(unfit).toEqual([]);
    expect(slots.map((s) => s.from)).toEqual([300, 1000]);
  });

  const anyJob = fc.record({
    cycles: fc.integer({ min: 1, max: 4 }),
    runMinutes: fc.integer({ min: 1, max: 40 }),
    soakMinutes: fc.integer({ min: 0, max: 30 }),
    tap: fc.constantFrom(1, 2, null),
    byHand: fc.boolean(),
    urgent: fc.boolean(),
    loss: fc.integer({ min: 0, max: 9 }),
    spans: fc.constantFrom(
      [[{ from: 300, until: 420 }]],
      [
        [{ from: 300, until: 420 }],
        [
          { from: 300, until: 420 },
          { from: 900, until: 1000 },
        ],
      ],
      [[{ from: 0, until: 1440 }]],
    ),
  });
  test('never two runs on one line, one tap or one pair of hands, never outside the hours, never short of its soak', () => {
    fc.assert(
      fc.property(fc.array(anyJob, { maxLength: 9 }), fc.constantFrom(undefined, 1, 2), (drawn, lines) => {
        const jobs = drawn.map((d, i) => job(i, d));
        const { slots, unfit } = daySchedule(jobs, { lines });
        const of = (bedId: number): DayJob => jobs[bedId] as DayJob;
        // Faults are gathered and expected once: a thousand expectations a case would cost more than the schedule.
        const faults: string[] = [];
        for (const j of jobs) {
          const mine = slots.filter((s) => s.bedId === j.bedId);
          if (mine.length !== (unfit.includes(j.bedId) ? 0 : j.cycles)) faults.push(`runs of ${j.bedId}`);
          mine.forEach((s, k) => {
            const before = mine[k - 1];
            if (before && !(s.from - before.until >= j.soakMinutes - 1e-6)) faults.push(`soak of ${j.bedId}`);
            const widest = j.spans[j.spans.length - 1] ?? [];
            if (!widest.some((w) => s.from >= w.from && s.until <= w.until))
              faults.push(`hours of ${j.bedId}`);
          });
        }
        for (const a of slots) {
          const together = slots.filter((b) => b.from <= a.from + 1e-9 && b.until > a.from + 1e-6);
          if (!(together.length <= (lines ?? Number.POSITIVE_INFINITY))) faults.push(`lines at ${a.from}`);
          for (const tap of [1, 2, null])
            if (together.filter((b) => of(b.bedId).tap === tap).length > 1) faults.push(`tap ${tap}`);
          if (together.filter((b) => of(b.bedId).byHand).length > 1) faults.push(`hands at ${a.from}`);
        }
        expect(faults).toEqual([]);
      }),
      { numRuns: 300, seed: 3 },
    );
  });
});
