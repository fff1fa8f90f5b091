import { planGarden, addDays } from '@kibble/core';
import { Garden } from '../../server/src/db/models.ts';
import { gardenFacts } from '../../server/src/planner/gardenFacts.ts';
import { contextOf } from '../../server/src/planner/context.ts';
import { wallClock } from '../../server/src/services/clock.ts';
import { withDemo } from './demoServer.ts';
await withDemo(async () => {
  const garden = await Garden.findOne({ where: { isDemo: true }, rejectOnEmpty: true });
  const facts = await gardenFacts(garden, wallClock);
  for (const [label, change] of [['free', {}], ['well 200', { well: 200 }], ['day 200', { litresPerDay: 200 }], ['week 1400', { litresPerWeek: 1400 }], ['week 3000', { litresPerWeek: 3000 }]] as const) {
    const t0 = performance.now();
    const beds = facts.garden.beds.filter((b) => b.id <= 8);
    const well = 'well' in change ? change.well : null;
    const g = { ...facts.garden, beds, taps: facts.garden.taps.map((t) => (well ? { ...t, source: 'well' as const, litresPerDay: well } : t)), limits: { ...facts.garden.limits, ...change } };
    if (well) g.beds = beds.map((b) => ({ ...b, tapId: g.taps[0]!.id }));
    const c = contextOf({ ...facts, garden: g as never, proposal: null });
    const perDay = new Map<string, number>();
    for (const w of c.plan.waterings) perDay.set(w.date, (perDay.get(w.date) ?? 0) + w.run.litres);
    const short = new Set(c.plan.leftOut.map((l) => l.date));
    const ms = performance.now() - t0;
    console.log(label, 'litres', [...perDay.values()].reduce((a, b) => a + b, 0).toFixed(0), 'lost', c.plan.beds.map((b) => `${b.bedId}:${(100 * b.lostShare).toFixed(0)}`).join(' '), 'all', (100 * c.plan.beds.reduce((s, b) => s + b.lostL, 0) / c.plan.beds.reduce((s, b) => s + b.wantedL, 0)).toFixed(1), 'ms', ms.toFixed(0));
    console.log('   ', Array.from({ length: 14 }, (_, d) => (perDay.get(addDays('2026-07-14', d)) ?? 0).toFixed(0)).join(' '), 'left out', c.plan.leftOut.length);
  }
});
