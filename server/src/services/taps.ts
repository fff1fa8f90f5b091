import {
  settingFromStore,
  type FindingView,
  type TapBody,
  type TapChange,
  type TapView,
} from '@kibble/contract';
import { EntryRow, Tap, type Garden } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { append } from '../record/log.ts';
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
  together: Boolean(tap.together),
  station: tap.station ?? null,
  fromTapId: tap.fromTapId ?? null,
  archived: Boolean(tap.archivedAt),
  findings,
});

/** What a body says of a zone; what it leaves out stays. */
const zoneColumns = ({ together, station, fromTapId }: Partial<TapBody>) => ({
  ...(together === undefined ? {} : { together }),
  ...(station === undefined ? {} : { station }),
  ...(fromTapId === undefined ? {} : { fromTapId }),
});
const tapColumns = ({ name, nozzle, source, litresPerDay, ...more }: TapBody) => ({
  name,
  nozzle,
  source,
  litresPerDay: litresPerDay ?? null,
  ...zoneColumns(more),
});

/** A zone is fed by a tap of its own garden that no other tap feeds: water comes through one tap. */
async function checkFrom(gardenId: number, id: number | null, { fromTapId }: TapBody): Promise<void> {
  if (fromTapId === undefined || fromTapId === null) return;
  const from = await Tap.findByPk(fromTapId);
  if (from?.gardenId !== gardenId || from.id === id)
    throw new Refusal(
      'invalid',
      `The tap that feeds it must be another tap of this garden; got ${fromTapId}`,
      'fromTapId',
    );
  const fed = id === null ? null : await Tap.findOne({ where: { gardenId, fromTapId: id } });
  if (fed)
    throw new Refusal(
      'invalid',
      `It must be fed by no other tap while it feeds ${fed.name}; got ${from.name}`,
      'fromTapId',
    );
  if (from.fromTapId)
    throw new Refusal(
      'invalid',
      `The tap that feeds it must be one that no other tap feeds; got ${from.name}`,
      'fromTapId',
    );
}

export async function addTap(garden: Garden, body: TapBody): Promise<Tap> {
  await checkFrom(garden.id, null, body);
  return Tap.create({ gardenId: garden.id, ...tapColumns(body) });
}

/** Puts taps of a garden away at once. */
export async function archiveTaps(
  gardenId: number,
  ids: readonly number[],
  archivedAt: Date | null,
): Promise<void> {
  await Tap.update({ archivedAt }, { where: { gardenId, id: [...ids] } });
  await Tap.increment('version', { where: { gardenId, id: [...ids] } });
}

/** Changes a tap's entry. Another nozzle spoils the flow measured with the old one, and that is written down with its day. */
export async function changeTap(tap: Tap, body: TapChange, wall: WallClock): Promise<void> {
  const { version, since: told, sameNozzle, ...yours } = body;
  checkVersion(tap.name, version, tap.version, yours, tap.get({ plain: true }));
  await checkFrom(tap.gardenId, tap.id, body);
  const since = sinceOf(told, todayOf(await findGarden(tap.gardenId), wall), { words: 'On it since' });
  if (body.nozzle !== tap.nozzle && !sameNozzle) {
    await append({
      gardenId: tap.gardenId,
      subject: { kind: 'tap', id: tap.id },
      body: { kind: 'changed', what: 'nozzle' },
      on: since,
      at: wall.now(),
    });
  }
  await tap.update({ ...tapColumns(body), version: tap.version + 1 });
}

/** Beds that draw from a tap, or once did: what is read at it is read for them. */
export async function bedsOnTap({ id: tapId, gardenId }: Pick<Tap, 'id' | 'gardenId'>): Promise<number[]> {
  const rows = await EntryRow.findAll({
    where: { gardenId, sort: 'setting', kind: 'tap', removedAt: null },
    raw: true,
  });
  const drew = rows.filter(
    ({ kind, version, body }) => settingFromStore(kind, version, body)?.value === tapId,
  );
  return [...new Set(drew.map(({ subjectId }) => subjectId))];
}
