import type { DraftView } from '@kibble/contract';
import { Op } from 'sequelize';
import { Draft } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import type { WallClock } from './clock.ts';

/** A draft as it was typed; one whose text is not understood is no draft any more. */
function draftToView(row: Draft): DraftView[] {
  try {
    const body = JSON.parse(row.body) as DraftView['body'];
    return [{ key: row.key, body, updatedAt: row.updatedAt.toISOString() }];
  } catch {
    return [];
  }
}

export const draftsOf = async (gardenId: number): Promise<DraftView[]> =>
  (await Draft.findAll({ where: { gardenId }, order: [['updatedAt', 'DESC']] })).flatMap(draftToView);

/** Tests under way in one garden at once: every bed and tap of a large one may have several. Judgement. */
const MOST_DRAFTS = 300;

/** Keeps what was typed so far of a test; the last writer wins. */
export async function keepDraft(
  gardenId: number,
  key: string,
  body: DraftView['body'],
  wall: WallClock,
): Promise<DraftView> {
  const others = await Draft.count({ where: { gardenId, key: { [Op.ne]: key } } });
  if (others >= MOST_DRAFTS)
    throw new Refusal(
      'conflict',
      `At most ${MOST_DRAFTS} tests can be under way in a garden at once. Finish one, or discard it under Ground & taps.`,
      'key',
    );
  const updatedAt = wall.now();
  await Draft.upsert(
    { gardenId, key, body: JSON.stringify(body), updatedAt },
    { conflictFields: ['gardenId', 'key'] as never },
  );
  return { key, body, updatedAt: updatedAt.toISOString() };
}

export const dropDraft = async (gardenId: number, key: string): Promise<boolean> =>
  (await Draft.destroy({ where: { gardenId, key } })) > 0;
