import { toStore, type FindingView, type TapBody, type TapChange, type TapView } from '@kibble/contract';
import { EntryRow, Tap, type Garden } from '../db/models.ts';
import { sinceOf, todayOf, type WallClock } from './clock.ts';
import { checkVersion } from './edited.ts';
import { findGarden } from './find.ts';

export const tapToView = (tap: Tap, findings: FindingView[]): TapView => ({
  id: tap.id,
  version: tap.version,
  gardenId: tap.gardenId,
  name: tap.name,
  nozzle: tap.nozzle,
  source: tap.source as TapView['source'],
  litresPerDay: tap.litresPerDay ?? null,
  archived: Boolean(tap.archivedAt),
  findings,
});

const tapColumns = ({ name, nozzle, source, litresPerDay }: TapBody) => ({
  name,
  nozzle,
  source,
  litresPerDay: litresPerDay ?? null,
});

export const addTap = async (garden: Garden, body: TapBody): Promise<Tap> =>
  Tap.create({ gardenId: garden.id, ...tapColumns(body) });

/** Changes a tap's entry. Another nozzle spoils the flow measured with the old one, and that is written down with its day. */
export async function changeTap(tap: Tap, body: TapChange, wall: WallClock): Promise<void> {
  const { version, since: told, sameNozzle, ...yours } = body;
  checkVersion(tap.name, version, tap.version, yours, tap.get({ plain: true }));
  const since = sinceOf(told, todayOf(await findGarden(tap.gardenId), wall), { words: 'On it since' });
  if (body.nozzle !== tap.nozzle && !sameNozzle) {
    await EntryRow.create({
      gardenId: tap.gardenId,
      bedId: null,
      tapId: tap.id,
      sort: 'change',
      kind: 'changed',
      date: since,
      at: wall.now(),
      ...toStore({ kind: 'changed', what: 'nozzle' }),
    });
  }
  await tap.update({ ...tapColumns(body), version: tap.version + 1 });
}

/** Beds that draw from a tap, or once did: what is read at it is read for them. */
export async function bedsOnTap(tapId: number): Promise<number[]> {
  const rows = await EntryRow.findAll({
    where: { tapId, sort: 'setting', removedAt: null },
    attributes: ['bedId'],
    raw: true,
  });
  return [...new Set(rows.flatMap(({ bedId }) => bedId ?? []))];
}
