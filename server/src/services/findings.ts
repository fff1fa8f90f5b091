import { knownBed, type DraftView, type FindingView } from '@kibble/contract';
import { oddities, type FindingInput, type Oddity } from '@kibble/core';
import type { z } from 'zod';
import type { findingBody } from '@kibble/contract';
import { Draft, FindingRow, type Bed, type Garden, type Tap } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';
import { findingToView } from './findingView.ts';
import { findBed, findBedView, findTap } from './setup.ts';

const round = (value: number): string => String(Math.round(value * 10) / 10);
const oddWords = (odd: Oddity): string =>
  `${odd.code}: ${round(odd.value)} ${odd.unit}, where ${round(odd.usual)} ${odd.unit} is usual`;

/** Asks again about a possible but odd reading unless it was confirmed. */
async function askAgain(input: FindingInput, bedId: number | undefined, wall: WallClock): Promise<void> {
  let context: Parameters<typeof oddities>[1] = {};
  if (bedId !== undefined) {
    const { view, today } = await findBedView(bedId, wall);
    const { areaM2, supplyLitresPerMinute, known, delivery } = knownBed(view, today);
    const flowKnown = known.flow?.kind === 'measured';
    context = {
      areaM2,
      supplyLitresPerMinute,
      litresPerMinute: flowKnown ? delivery.litresPerMinute : undefined,
    };
  }
  const odd = oddities(input, context);
  if (odd.length > 0) {
    throw new Refusal('needs-consent', `Is that right? ${odd.map(oddWords).join('; ')}.`, 'confirmed');
  }
}

/** Writes down what was found on a bed or at a tap. */
export async function logFinding(
  garden: Garden,
  body: z.infer<typeof findingBody>,
  wall: WallClock,
): Promise<FindingView> {
  const today = todayOf(garden, wall);
  const on = body.on ?? today;
  if (on > today) {
    throw new Refusal('invalid', `Date must be ${today} (today at this garden) or earlier; got ${on}`, 'on');
  }
  let bed: Bed | null = null;
  let tap: Tap | null = null;
  if (body.bedId !== undefined) bed = (await findBed(body.bedId)).bed;
  if (body.tapId !== undefined) tap = await findTap(body.tapId);
  if ((bed ?? tap)?.gardenId !== garden.id) {
    throw new Refusal('not-found', `There is no such bed or tap in ${garden.name}.`);
  }
  if (!body.confirmed) await askAgain(body.input, bed?.id, wall);
  const method = bed ? (await findBedView(bed.id, wall)).view.delivery.method : null;
  const row = await FindingRow.create({
    gardenId: garden.id,
    bedId: bed?.id ?? null,
    tapId: tap?.id ?? null,
    kind: body.input.kind,
    date: on,
    at: wall.now(),
    method,
    input: JSON.stringify(body.input),
    note: body.note ?? null,
    removedAt: null,
  });
  return findingToView(row);
}

/** Marks a finding as taken back, or brings it back. */
export async function markFinding(id: number, removedAt: Date | null): Promise<FindingView> {
  const row = await FindingRow.findByPk(id);
  if (!row) throw new Refusal('not-found', `There is no finding ${id}.`);
  await row.update({ removedAt });
  return findingToView(row);
}

const draftToView = (row: Draft): DraftView => ({
  key: row.key,
  body: JSON.parse(row.body) as DraftView['body'],
  updatedAt: row.updatedAt.toISOString(),
});

export const draftsOf = async (gardenId: number): Promise<DraftView[]> =>
  (await Draft.findAll({ where: { gardenId }, order: [['updatedAt', 'DESC']] })).map(draftToView);

/** Keeps what was typed so far of a test; the last writer wins. */
export async function keepDraft(
  gardenId: number,
  key: string,
  body: DraftView['body'],
  wall: WallClock,
): Promise<DraftView> {
  const updatedAt = wall.now();
  await Draft.upsert(
    { gardenId, key, body: JSON.stringify(body), updatedAt },
    { conflictFields: ['gardenId', 'key'] as never },
  );
  return { key, body, updatedAt: updatedAt.toISOString() };
}

export const dropDraft = async (gardenId: number, key: string): Promise<boolean> =>
  (await Draft.destroy({ where: { gardenId, key } })) > 0;
