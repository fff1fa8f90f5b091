import type { SaidBody } from '@kibble/contract';
import { addDays } from '@kibble/core';
import { EntryRow, type Garden } from '../db/models.ts';
import { append } from '../record/log.ts';
import { Refusal } from '../errors.ts';

/** Days behind and ahead of which the weather can be said. */
const BEHIND_DAYS = 30;
const AHEAD_DAYS = 13;

/** Writes down what somebody said of days' weather. @returns the entries, by which it can be taken back */
export async function enterForecasts(
  garden: Garden,
  today: string,
  { days }: SaidBody,
  at: Date,
): Promise<number[]> {
  const [from, to] = [addDays(today, -BEHIND_DAYS), addDays(today, AHEAD_DAYS)];
  const ids: number[] = [];
  for (const [i, { date, said }] of days.entries()) {
    if (date < from || date > to)
      throw new Refusal('invalid', `Day must lie from ${from} to ${to}; got ${date}`, `days.${i}.date`);
    const row = await append({
      gardenId: garden.id,
      subject: { kind: 'garden', id: garden.id },
      body: { kind: 'manual forecast', forecast: said },
      on: date,
      at,
    });
    ids.push(row.id);
  }
  return ids;
}

/** Takes what was said back. */
export async function undoForecasts(garden: Garden, ids: readonly number[], at: Date): Promise<void> {
  const [count] = await EntryRow.update(
    { removedAt: at },
    { where: { id: [...ids], gardenId: garden.id, kind: 'manual forecast', removedAt: null } },
  );
  if (count === 0) throw new Refusal('not-found', `Nothing of ${garden.name} was said under these.`, 'ids');
}
