import { tickView, type TickBody, type TickView } from '@kibble/contract';
import { addDays, isSeenTo } from '@kibble/core';
import { Op } from 'sequelize';
import { TickRow, type Garden } from '../db/models.ts';

/** Ticks of weather that ended so long ago say nothing of what is ahead, days. Judgement. */
const REMEMBERED_DAYS = 30;

/** What was ticked of alerts of late and stands. */
export async function ticksOf(garden: Garden, today: string): Promise<TickView[]> {
  const rows = await TickRow.findAll({
    where: {
      gardenId: garden.id,
      removedAt: null,
      until: { [Op.gte]: addDays(today, -REMEMBERED_DAYS) },
    },
    order: ['id'],
    raw: true,
  });
  return rows.flatMap((row) => {
    const read = tickView.safeParse(row);
    return read.success ? [read.data] : [];
  });
}

/** Ticks an act of an alert, or takes back every tick by which it counts as seen to. */
export async function tick(garden: Garden, body: TickBody, at: Date): Promise<void> {
  const { done, ...what } = body;
  if (done) {
    await TickRow.create({ gardenId: garden.id, ...what, at });
    return;
  }
  const rows = await TickRow.findAll({
    where: { gardenId: garden.id, code: what.code, act: what.act, removedAt: null },
    raw: true,
  });
  const holding = rows.filter((row) => isSeenTo([row], what, what.act));
  await TickRow.update({ removedAt: at }, { where: { id: holding.map(({ id }) => id) } });
}
