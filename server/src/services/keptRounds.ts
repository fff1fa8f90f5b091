import type { KeptRounds } from '@kibble/core';
import { KeptRoundsRow } from '../db/models.ts';

/** Round days proposed to a garden before; null where there are none, or they cannot be read. */
export async function keptRoundsOf(gardenId: number): Promise<KeptRounds | null> {
  const row = await KeptRoundsRow.findByPk(gardenId);
  if (!row) return null;
  try {
    const kept = JSON.parse(row.body) as Partial<KeptRounds> | null;
    return Array.isArray(kept?.places) && typeof kept.madeOn === 'string' ? (kept as KeptRounds) : null;
  } catch {
    return null;
  }
}

/** Keeps the days that were proposed, so that they stand until Monday however often Kibble is started. */
export async function keepRounds(gardenId: number, kept: KeptRounds): Promise<void> {
  await KeptRoundsRow.upsert({ gardenId, body: JSON.stringify(kept) });
}
