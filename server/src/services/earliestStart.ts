import { addDays, BALANCE_DAYS } from '@kibble/core';
import { Bed, PotRow, type Garden } from '../db/models.ts';

/** First day a garden's balance needs: its earliest bed's, or a month back when it has none. */
export async function earliestStart(garden: Garden, today: string): Promise<string> {
  const where = { gardenId: garden.id, archivedAt: null };
  const starts = [
    await Bed.min<string | null, Bed>('startOn', { where }),
    await PotRow.min<string | null, PotRow>('startOn', { where }),
  ];
  const [first] = starts.filter((on): on is string => on !== null).sort();
  const fallback = addDays(today, -30);
  const earliest = addDays(today, -BALANCE_DAYS);
  return first && first < fallback ? (first < earliest ? earliest : first) : fallback;
}
