import { bodyFromStore } from '@kibble/contract';
import { isSameSubject, type DoneTask, type Subject } from '@kibble/core';
import { EntryRow, type Garden } from '../db/models.ts';
import { append, subjectOf } from '../record/log.ts';

/** Every task of a garden that stands as seen to, by its key, with its entry. */
async function standing(gardenId: number): Promise<(DoneTask & { id: number })[]> {
  const rows = await EntryRow.findAll({
    where: { gardenId, sort: 'task', kind: 'task done', removedAt: null },
    order: ['id'],
    raw: true,
  });
  return rows.flatMap((row) => {
    const body = bodyFromStore(row.kind, row.version, row.body);
    return body?.kind === 'task done' && 'key' in body
      ? [{ id: row.id, subject: subjectOf(row), key: body.key }]
      : [];
  });
}

/** Tasks of a garden that were seen to. */
export const doneTasks = async (gardenId: number): Promise<DoneTask[]> =>
  (await standing(gardenId)).map(({ subject, key }) => ({ subject, key }));

/** Notes that a task was seen to, or that it is to be seen to again. @returns the entries made or marked */
export async function seeTo(
  garden: Garden,
  subject: Subject,
  key: string,
  done: boolean,
  today: string,
  at: Date,
): Promise<number[]> {
  if (done) {
    const body = { kind: 'task done', key } as const;
    return [(await append({ gardenId: garden.id, subject, body, on: today, at })).id];
  }
  const ids = (await standing(garden.id))
    .filter((one) => one.key === key && isSameSubject(one.subject, subject))
    .map(({ id }) => id);
  await EntryRow.update({ removedAt: at }, { where: { id: ids } });
  return ids;
}
