import { weatherOn } from '@kibble/simulators';
import { Garden } from '../../server/src/db/models.ts';
import { gardenFacts } from '../../server/src/planner/gardenFacts.ts';
import { wallClock } from '../../server/src/services/clock.ts';
import { live } from '../../server/tests/lived.ts';
import { withDemo } from './demoServer.ts';

/** The demo's fortnight as it is lived under forecasts that err: waterings of each day, growth lost, and days that changed. */
const SEEDS = [1, 2, 3, 4, 5];
const DAYS = 14;
const climate = { seed: 46, latitudeDeg: 46.9 };

await withDemo(async () => {
  const garden = await Garden.findOne({ where: { isDemo: true }, rejectOnEmpty: true });
  const facts = await gardenFacts(garden, wallClock);
  const timers = new Set(facts.garden.beds.filter(({ delivery }) => delivery.timer).map(({ id }) => id));
  for (const seed of SEEDS) {
    const { days, lostShare } = live(facts, (date) => weatherOn(climate, date), { days: DAYS, seed });
    const byHand = days.map(
      ({ done }) =>
        done.filter(({ bedId, reason }) => !timers.has(bedId) && reason.code !== 'seedbed').length,
    );
    const changes = days.filter((day, i) => i > 0 && String(day.weekdays) !== String(days[i - 1]?.weekdays));
    const moved = days.reduce((sum, { promised }, i) => {
      const next = days[i + 1];
      const came = new Set(next?.done.map(({ bedId }) => bedId));
      return (
        sum + (next ? [...promised].filter(([id, on]) => came.has(id) !== (on === next.date)).length : 0)
      );
    }, 0);
    const waterings = byHand.reduce((a, b) => a + b, 0);
    const worked = byHand.filter((count) => count > 0).length;
    process.stdout.write(
      `forecast ${seed}: ${waterings} waterings on ${worked} days (${byHand.join(' ')}), ${(100 * lostShare).toFixed(2)} % of the growth lost, days changed ${changes.length} times, ${moved} waterings moved overnight\n`,
    );
  }
});
