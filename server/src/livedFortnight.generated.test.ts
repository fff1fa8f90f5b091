import { beforeAll, describe, expect, test } from '@jest/globals';
import { weatherOn } from '@kibble/simulators';
import { live, type Lived } from '../tests/lived.ts';
import { DEMO_CLIMATE, demoFacts } from '../tests/demoFacts.ts';
import type { Facts } from './planner/facts.ts';

/**
 * The hot fortnight of the demo, lived by somebody who does what the round says and nothing else, under forecasts as wrong as real
 * ones are. The bounds are those of a week that a person can live with.
 */
const DAYS = 14;
const SEEDS = [1, 2, 3, 4, 5];
let facts: Facts;

beforeAll(async () => {
  facts = await demoFacts();
});

describe.each(SEEDS)('lived under forecast errors of seed %i', (seed) => {
  let lived: Lived;
  /** Waterings that take somebody there; seed that is not up yet and timers are counted apart. */
  let byHand: number[];
  beforeAll(() => {
    lived = live(facts, (date) => weatherOn(DEMO_CLIMATE, date), { days: DAYS, seed });
    const timers = new Set(facts.garden.beds.filter(({ delivery }) => delivery.timer).map(({ id }) => id));
    byHand = lived.days.map(
      ({ done }) =>
        done.filter(({ bedId, reason }) => !timers.has(bedId) && reason.code !== 'seedbed').length,
    );
  });
  test('at most 45 waterings of beds and trees, on at most eight days', () => {
    expect(byHand.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(45);
    expect(byHand.filter((count) => count > 0).length).toBeLessThanOrEqual(8);
  });
  test('at most 1.5 per cent of the growth is lost, read off the balance behind', () => {
    expect(lived.lostShare).toBeLessThanOrEqual(0.015);
  });
  test('the days of the week change at most once', () => {
    const changes = lived.days.filter(
      ({ weekdays }, i) => i > 0 && String(weekdays) !== String(lived.days[i - 1]?.weekdays),
    );
    expect(changes.length).toBeLessThanOrEqual(1);
  });
});
