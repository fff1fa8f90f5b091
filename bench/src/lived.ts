import { weatherOn } from '@kibble/simulators';
import { Garden } from '../../server/src/db/models.ts';
import { gardenFacts } from '../../server/src/planner/gardenFacts.ts';
import { wallClock } from '../../server/src/services/clock.ts';
import { live } from '../../server/tests/lived.ts';
import { withDemo } from './demoServer.ts';

/** The demo's fortnight as lived, under forecasts that err, on five seeds. */
const SEEDS = [1, 2, 3, 4, 5];
const DAYS = 14;
const climate = { seed: 46, latitudeDeg: 46.9 };

await withDemo(async () => {
  const garden = await Garden.findOne({ where: { isDemo: true }, rejectOnEmpty: true });
  const facts = await gardenFacts(garden, wallClock);
  for (const seed of SEEDS) {
    const { days, lostShare } = live(facts, (date) => weatherOn(climate, date), { days: DAYS, seed });
    const timers = new Set(facts.garden.beds.filter((b) => b.delivery.timer).map(({ id }) => id));
    const byHand = days.map(({ date, done }) => ({
      date,
      done: done.filter(({ bedId, reason }) => !timers.has(bedId) && reason.code !== 'seedbed'),
    }));
    const changes = days.filter((day, i) => i > 0 && String(day.weekdays) !== String(days[i - 1]?.weekdays));
    const moved = days.flatMap(({ promised, date }, i) => {
      const next = days[i + 1];
      if (!next) return [];
      return [...promised]
        .filter(([bedId, on]) => {
          const came = next.done.some((w) => w.bedId === bedId);
          return came ? on !== next.date : on === next.date;
        })
        .map(([bedId, on]) => `${date}: ${bedId} promised ${on}`);
    });
    process.stdout.write(
      `seed ${seed}: ${byHand.reduce((n, { done }) => n + done.length, 0)} waterings, ${byHand.filter(({ done }) => done.length > 0).length} days, ${(100 * lostShare).toFixed(2)} % lost, ${changes.length} changes of days (${changes.map((d) => `${d.date} ${d.weekdays.join('')}`).join(', ')}), ${moved.length} moved the evening before\n`,
    );
    for (const { date, done } of byHand)
      if (done.length > 0 && done.length < 5)
        process.stdout.write(
          `     ${date} ${done.map((w) => `${facts.garden.beds.find((b) => b.id === w.bedId)?.name} ${w.reason.code} ${w.run.localMm.toFixed(0)}mm`).join('; ')}\n`,
        );
    process.stdout.write(`   ${days[0]?.between}\n   ${moved.join('; ')}\n`);
    process.stdout.write(
      `   ${byHand.map(({ date, done }) => `${date.slice(8)}:${done.length}`).join(' ')}  first ${days[0]?.weekdays.join('')}\n`,
    );
  }
});
