import type { PotsView, sequenceBody, sequenceStepBody } from '@kibble/contract';
import { acidBatch, sequenceMl } from '@kibble/core';
import type { z } from 'zod';
import { SequenceRow, type Garden } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import type { WallClock } from './clock.ts';
import { logEntries } from './pots.ts';

/** Begins something; a tray or pot stands in one bath at a time. */
export async function begin(
  garden: Garden,
  body: z.infer<typeof sequenceBody>,
  view: PotsView,
  wall: WallClock,
): Promise<number> {
  if (body.kind === 'acid batch') refusing(() => acidBatch(body));
  else {
    const known = new Map(view.spots.flatMap(({ pots }) => pots.map((pot) => [pot.id, pot.name] as const)));
    const busy = new Set(view.sequences.flatMap(({ potIds }) => potIds));
    for (const id of body.potIds) {
      const name = known.get(id);
      if (name === undefined)
        throw new Refusal('not-found', `There is no pot or tray ${id} in this garden.`, 'potIds');
      if (busy.has(id)) throw new Refusal('conflict', `${name} stands in water already.`, 'potIds');
    }
  }
  const now = wall.now();
  const row = await SequenceRow.create({
    gardenId: garden.id,
    kind: body.kind,
    input: JSON.stringify({ ...body, coldC: view.coldC }),
    startedAt: now,
    stepAt: now,
  });
  return row.id;
}

/** What has gone through all its steps bears this in the place of a count. */
const DONE = -1;
const isDone = ({ kind, step, count }: SequenceRow): boolean =>
  kind === 'acid batch' ? step > 0 : count === DONE;

/** On with it; what took up water is written down when it stands in its place again. */
export async function stepOn(
  row: SequenceRow,
  garden: Garden,
  body: z.infer<typeof sequenceStepBody>,
  view: PotsView,
  wall: WallClock,
): Promise<{ entries: number[]; ended: boolean }> {
  if (body.act === 'take up') {
    if (isDone(row)) throw new Refusal('conflict', 'This is over already.', 'act');
    await row.update({ endedAt: null });
    return { entries: [], ended: false };
  }
  if (row.endedAt) throw new Refusal('conflict', 'This is over already.', 'sequence');
  if (body.act === 'give up') {
    await row.update({ endedAt: wall.now() });
    // What stood in water to its end took up what it could, whatever comes of it.
    const shown = view.sequences.find(({ id }) => id === row.id);
    const hasSoaked = shown?.steps.slice(0, row.step).some(({ id }) => id === 'soak');
    if (!hasSoaked) return { entries: [], ended: true };
    await row.update({ count: DONE });
    return { entries: await writeDown(row, garden, view, wall, 'not recovered'), ended: true };
  }
  if (body.act === 'count') {
    await row.update({ count: body.count });
    return { entries: [], ended: false };
  }
  const shown = view.sequences.find(({ id }) => id === row.id);
  if (!shown) throw new Refusal('not-found', 'This cannot be read any more.', 'sequence');
  // Two taps on the same step are one.
  if (body.from !== row.step) return { entries: [], ended: false };
  const next = row.step + 1;
  if (next < shown.steps.length) {
    await row.update({ step: next, stepAt: wall.now() });
    return { entries: [], ended: false };
  }
  await row.update({ step: next, count: row.kind === 'acid batch' ? row.count : DONE, endedAt: wall.now() });
  return { entries: await writeDown(row, garden, view, wall, 'recovered'), ended: true };
}

/** Writes down what pots took up, and of a rescue what came of it. */
async function writeDown(
  row: SequenceRow,
  garden: Garden,
  view: PotsView,
  wall: WallClock,
  sign: 'recovered' | 'not recovered',
): Promise<number[]> {
  const potIds = view.sequences.find(({ id }) => id === row.id)?.potIds ?? [];
  const pots = view.spots.flatMap((spot) => spot.pots).filter(({ id }) => potIds.includes(id));
  const how = row.kind === 'drench twice' ? ('twice' as const) : ('from below' as const);
  const given = pots.flatMap((pot) => {
    const millilitres = Math.round(sequenceMl(row.kind, pot));
    return millilitres >= 1 ? [{ potId: pot.id, entry: { kind: 'given' as const, millilitres, how } }] : [];
  });
  const seen =
    row.kind === 'rescue'
      ? pots.map(({ id }) => ({ potId: id, entry: { kind: 'seen' as const, sign } }))
      : [];
  const told = [...given, ...seen];
  return told.length > 0 ? logEntries(garden, { entries: told, sure: true }, wall) : [];
}
