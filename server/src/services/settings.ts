import { settingFromStore, type BedBody, type SettingView } from '@kibble/contract';
import { SETTING_KINDS, settingOn, type Setting, type SettingKind, type SettingValues } from '@kibble/core';
import { Op } from 'sequelize';
import { EntryRow } from '../db/models.ts';
import { append, appendAll, ofBeds, type NewEntry } from '../record/log.ts';
import { Refusal } from '../errors.ts';
import { sinceOf, todayOf, type WallClock } from './clock.ts';
import type { SetAside } from './entryView.ts';
import { findGarden } from './find.ts';

/** What stands where a stored setting cannot be read. */
const USUAL: Readonly<SettingValues> = {
  area: 1,
  form: 'flat',
  cover: false,
  shade: false,
  mulched: null,
  goal: 'steady',
  watered: { method: 'watering can', litresPerMinute: 1, measured: false },
  tap: null,
  tree: null,
};

/** What a bed's body says of what may change. */
export const settingsOf = (body: Omit<BedBody, 'kind'>): Setting[] => [
  { kind: 'area', value: body.areaM2 },
  { kind: 'form', value: body.form },
  { kind: 'cover', value: body.underCover },
  { kind: 'shade', value: body.shadeCloth },
  {
    kind: 'mulched',
    value:
      body.mulchMm && body.mulchMaterial ? { material: body.mulchMaterial, depthMm: body.mulchMm } : null,
  },
  { kind: 'goal', value: body.goal },
  { kind: 'watered', value: body.delivery },
];

/** A bed's settings as they are shown: each kind from its first day on; one that cannot be read is set aside. */
export function settingsToView(
  rows: readonly EntryRow[],
  startOn: string,
  setAside: SetAside[],
): SettingView[] {
  const views = rows.flatMap((row): SettingView[] => {
    const setting = settingFromStore(row.kind, row.version, row.body);
    if (setting) return [{ id: row.id, from: row.on, setting }];
    setAside.push({
      what: `how a bed was from ${row.on} on (${row.kind})`,
      id: row.id,
      why: 'its text is not understood',
    });
    return [];
  });
  // Most beds never were a tree place, and none need say so.
  const lacking = SETTING_KINDS.filter(
    (kind) => kind !== 'tree' && !views.some(({ setting }) => setting.kind === kind),
  );
  const usual = lacking.map((kind): SettingView => ({
    id: 0,
    from: startOn,
    setting: { kind, value: USUAL[kind] } as Setting,
  }));
  return [...usual, ...views].sort((a, b) => (a.from === b.from ? a.id - b.id : a.from < b.from ? -1 : 1));
}

/** What a bed is now of one kind. */
export function settingNow<K extends SettingKind>(
  settings: readonly SettingView[],
  kind: K,
  today: string,
): SettingValues[K] {
  const now = settingOn(settings, kind, today);
  return now === undefined ? USUAL[kind] : now;
}

/** Whether two settings say the same; when a mulch was laid is no part of what it is. */
function same(a: Setting, b: Setting): boolean {
  const plain = ({ kind, value }: Setting): unknown =>
    kind === 'mulched' && value ? [value.material, value.depthMm, value.cover ?? 1] : value;
  return JSON.stringify(plain(a)) === JSON.stringify(plain(b));
}

const entryOf = (
  bed: { id: number; gardenId: number },
  setting: Setting,
  on: string,
  at: Date,
): NewEntry => ({ gardenId: bed.gardenId, subject: { kind: 'bed', id: bed.id }, body: setting, on, at });

/** Writes down how new beds are, each from its first day on. */
export async function firstSettingsOfAll(
  beds: readonly { id: number; gardenId: number; startOn: string; settings: readonly Setting[] }[],
  at: Date,
): Promise<void> {
  await appendAll(
    beds.flatMap((bed) => bed.settings.map((setting) => entryOf(bed, setting, bed.startOn, at))),
  );
}

/** Writes down how one new bed is. */
export const firstSettings = (
  { id, gardenId }: { id: number; gardenId: number },
  settings: readonly Setting[],
  startOn: string,
  at: Date,
): Promise<void> => firstSettingsOfAll([{ id, gardenId, startOn, settings }], at);

/**
 * Writes down what a bed has been since a day, where that is another thing than it was taken for until now. What was
 * said to hold from a later day is taken back: it has been as told now from that day on.
 * @returns the numbers of what was written down
 */
export async function setSince(
  bed: { id: number; gardenId: number; startOn: string },
  settings: readonly Setting[],
  standing: readonly SettingView[],
  since: string,
  at: Date,
  today: string,
): Promise<number[]> {
  const made: number[] = [];
  for (const setting of settings) {
    const { kind } = setting;
    const now = { kind, value: settingNow(standing, kind, today) } as Setting;
    if (same(now, setting)) continue;
    const always = since <= bed.startOn;
    const of = standing.filter((s) => s.setting.kind === kind && s.id > 0);
    const gone = of.filter(({ from }) => always || from >= since).map(({ id }) => id);
    if (gone.length > 0) await EntryRow.update({ removedAt: at }, { where: { id: gone } });
    const before = of.filter(({ id }) => !gone.includes(id)).at(-1);
    // What takes the place of something stands as an entry of its own, so that it can be taken back.
    if (gone.length === 0 && before && same(before.setting, setting)) continue;
    const row = await append(entryOf(bed, setting, always ? bed.startOn : since, at));
    if (gone.length > 0) await EntryRow.update({ supersededBy: row.id }, { where: { id: gone } });
    made.push(row.id);
  }
  return made;
}

/** How a bed was said to be since a day. */
async function findSetting(id: number, field: string): Promise<EntryRow> {
  const row = await EntryRow.findByPk(id);
  if (row?.sort === 'setting') return row;
  throw new Refusal('not-found', `There is no such entry of a bed; got ${id}.`, field);
}

/**
 * Puts right the day from which a bed has been something, between the change before it and the one after. The entry
 * that was wrong by some days is replaced, so that the new one can be taken back.
 */
export async function moveSetting(id: number, on: string, wall: WallClock): Promise<EntryRow> {
  const row = await findSetting(id, 'id');
  const { subjectId: bedId, kind } = row;
  const standing = await EntryRow.findAll({
    where: { ...ofBeds(bedId), kind, sort: 'setting', removedAt: null },
    order: ['on', 'id'],
  });
  const place = standing.findIndex((other) => other.id === id);
  const before = standing[place - 1];
  const after = standing[place + 1];
  if (!before)
    throw new Refusal('conflict', 'How a bed began holds from its first day on; change it instead.', 'id');
  const since = sinceOf(on, todayOf(await findGarden(row.gardenId), wall), { field: 'on' });
  if (since <= before.on)
    throw new Refusal(
      'invalid',
      `Since when must be after ${before.on}, the change before; got ${since}`,
      'on',
    );
  if (after && since >= after.on)
    throw new Refusal(
      'invalid',
      `Since when must be before ${after.on}, the change after; got ${since}`,
      'on',
    );
  const { gardenId, subjectKind, subjectId, sort, version, body } = row;
  const at = wall.now();
  const made = await EntryRow.create({
    gardenId,
    subjectKind,
    subjectId,
    sort,
    kind,
    on: since,
    at,
    version,
    body,
  });
  await row.update({ removedAt: at, supersededBy: made.id });
  return made;
}

/** Takes back what a bed was said to be since a day, and brings back what that had taken the place of. Gives the garden. */
export async function takeBackSettings(ids: readonly number[], at: Date): Promise<number> {
  let gardenId = 0;
  for (const id of ids) {
    const row = await findSetting(id, 'ids');
    gardenId = row.gardenId;
    if (row.removedAt) continue;
    const { subjectKind, subjectId, kind } = row;
    await row.update({ removedAt: at });
    await EntryRow.update({ removedAt: null, supersededBy: null }, { where: { supersededBy: id } });
    if (
      (await EntryRow.count({
        where: { subjectKind, subjectId, kind, sort: 'setting', removedAt: null },
      })) === 0
    )
      throw new Refusal(
        'conflict',
        `This is how the ${subjectKind} was first described, so it cannot be undone; change it instead.`,
        'ids',
      );
  }
  return gardenId;
}

/** Brings back what a bed was said to be since a day: what was said to hold from that day on makes room for it again. */
export async function restoreSetting(row: EntryRow, at: Date): Promise<void> {
  const { id, subjectKind, subjectId, kind, on, removedAt, supersededBy = null } = row;
  if (!removedAt) return;
  if (supersededBy !== null)
    throw new Refusal('conflict', 'Something else was said to hold in its place. Undo that first.', 'ids');
  await EntryRow.update(
    { removedAt: at, supersededBy: id },
    { where: { subjectKind, subjectId, kind, sort: 'setting', removedAt: null, on: { [Op.gte]: on } } },
  );
  await row.update({ removedAt: null });
}
