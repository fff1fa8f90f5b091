import { bodyFromStore, tickView, type TickBody, type TickView } from '@kibble/contract';
import { addDays, isSeenTo } from '@kibble/core';
import { EntryRow, type Garden } from '../db/models.ts';
import { append } from '../record/log.ts';

/** Ticks of weather that ended so long ago say nothing of what is ahead, days. Judgement. */
const REMEMBERED_DAYS = 30;

/** Every tick that stands, with its entry; one that cannot be read is none. */
async function standing(garden: Garden): Promise<{ id: number; tick: TickView }[]> {
  const rows = await EntryRow.findAll({
    where: { gardenId: garden.id, sort: 'task', kind: 'task done', removedAt: null },
    order: ['id'],
    raw: true,
  });
  return rows.flatMap(({ id, kind, version, body }) => {
    const read = tickView.safeParse(bodyFromStore(kind, version, body));
    return read.success ? [{ id, tick: read.data }] : [];
  });
}

/** What was ticked of alerts of late and stands. */
export async function ticksOf(garden: Garden, today: string): Promise<TickView[]> {
  const since = addDays(today, -REMEMBERED_DAYS);
  return (await standing(garden)).flatMap(({ tick }) => (tick.until >= since ? [tick] : []));
}

/** Ticks an act of an alert, or takes back every tick by which it counts as seen to. @returns the entries made or marked */
export async function tick(garden: Garden, body: TickBody, at: Date): Promise<number[]> {
  const { done, ...what } = body;
  if (done) {
    const { id } = await append({
      gardenId: garden.id,
      subject: { kind: 'garden', id: garden.id },
      body: { kind: 'task done', ...what },
      on: what.from,
      at,
    });
    return [id];
  }
  const holding = (await standing(garden)).filter(({ tick: other }) => isSeenTo([other], what, what.act));
  const ids = holding.map(({ id }) => id);
  await EntryRow.update({ removedAt: at }, { where: { id: ids } });
  return ids;
}
