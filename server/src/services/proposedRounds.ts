import type { ProposedRounds } from '@kibble/core';
import { ProposedRoundsRow } from '../db/models.ts';

/** Round days proposed to a garden before; null where there are none, or they cannot be read. */
export async function proposedRoundsOf(gardenId: number): Promise<ProposedRounds | null> {
  const row = await ProposedRoundsRow.findByPk(gardenId);
  if (!row) return null;
  try {
    const proposal = JSON.parse(row.body) as Partial<ProposedRounds> | null;
    return Array.isArray(proposal?.places) && typeof proposal.madeOn === 'string'
      ? (proposal as ProposedRounds)
      : null;
  } catch {
    return null;
  }
}

/** Keeps the days that were proposed, so that they stand until Monday however often Kibble is started. */
export async function saveProposedRounds(gardenId: number, proposal: ProposedRounds): Promise<void> {
  await ProposedRoundsRow.upsert({ gardenId, body: JSON.stringify(proposal) });
}
