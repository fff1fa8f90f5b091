import { givenWater, type GivenWater, type EnteredWater } from '../delivery/givenWater.ts';
import { cropById } from '../plants/catalogue/index.ts';
import type { Finding, Found, Setting, SettingKind } from '../readings/entries.ts';
import { bedHistory, periodOn, type BedPeriod, type DeclaredHistory } from '../readings/bedHistory.ts';
import type { KnownBed } from '../readings/whatIsKnown.ts';
import type { BedOnRecord, FindingOnRecord } from './place.ts';

/** A stored entry as the core reads it. */
export const foundOf = (view: FindingOnRecord): Found => ({
  ...view.input,
  id: view.id,
  on: view.on,
  method: view.method ?? undefined,
  ...(view.tapId === null ? {} : { tap: view.tapId }),
});

/** What of a bed may change, each since when. */
function declaredHistory(bed: BedOnRecord): DeclaredHistory {
  const of = <K extends SettingKind>(kind: K): DeclaredHistory[K] =>
    bed.settings.flatMap(({ from, setting }) =>
      setting.kind === kind ? [{ from, value: setting.value }] : [],
    ) as unknown as DeclaredHistory[K];
  const trees = of('tree');
  const isTree = trees.some(({ value }) => value !== null);
  const standing = isTree ? (bed.planting ?? bed.plantings.at(-1)) : undefined;
  return {
    textureClass: bed.textureClass,
    subsoilClass: bed.subsoilClass,
    area: of('area'),
    form: of('form'),
    cover: of('cover'),
    shade: of('shade'),
    mulched: of('mulched'),
    goal: of('goal'),
    watered: of('watered'),
    tap: of('tap'),
    tree: isTree ? trees : [{ from: bed.startOn, value: null }],
    plantedOn: standing?.plantedOn ?? bed.startOn,
    crop: standing && (standing.custom ?? cropById(standing.cropId)),
  };
}

/** A bed from its first day to today, cut where it changed, and the readings on record that cannot be computed and were left out. */
export interface HistoryOfBed {
  periods: BedPeriod[];
  unread: Found[];
}

/** What is known of a bed now, and the readings on record that cannot be computed and were left out. */
export type KnownOfBed = KnownBed & { unread: Found[] };

/** What is tried on a bed before it is kept: readings taken as of today, and settings from today on. */
export interface TriedOnBed {
  inputs?: readonly Finding[];
  settings?: readonly Setting[];
}

/** Views are asked for what is known of them over and over; it follows from the view and the day alone. */
const known = new WeakMap<BedOnRecord, { today: string; history: HistoryOfBed }>();

/**
 * A bed's history as it is known on a day. A reading on record that cannot be computed is left out and named: it must
 * not take the bed with it.
 * @throws RangeError when what was tried is impossible
 */
export function historyOf(bed: BedOnRecord, today: string, tried?: TriedOnBed): HistoryOfBed {
  if (tried) return made(bed, today, tried);
  const before = known.get(bed);
  if (before?.today === today) return before.history;
  const history = made(bed, today, {});
  known.set(bed, { today, history });
  return history;
}

function made(bed: BedOnRecord, today: string, { inputs = [], settings = [] }: TriedOnBed): HistoryOfBed {
  const declared = declaredHistory(bed);
  for (const { kind, value } of settings)
    (declared as Record<string, unknown>)[kind] = [...declared[kind], { from: today, value }];
  const kept = bed.findings.map(foundOf);
  const trial = inputs.map((input, i): Found => ({
    ...input,
    id: Number.MAX_SAFE_INTEGER - inputs.length + i,
    on: today,
    method: bed.delivery.method,
  }));
  const history = (found: readonly Found[]): BedPeriod[] => bedHistory(declared, found, bed.startOn, today);
  try {
    return { periods: history([...kept, ...trial]), unread: [] };
  } catch (error) {
    const unread = kept.filter((found) => !computes(() => history([found])));
    if (unread.length === 0) throw error;
    const sound = kept.filter((found) => !unread.includes(found));
    return { periods: history([...sound, ...trial]), unread };
  }
}

/** How a bed is now: a history holds one period at least. */
export function nowOf(periods: readonly BedPeriod[]): BedPeriod {
  const now = periods.at(-1);
  if (!now) throw new Error('a bed without a period');
  return now;
}

/** What is known of a bed now; `tried` are readings not yet kept, taken as of today. */
export function knownBed(bed: BedOnRecord, today: string, tried?: readonly Finding[]): KnownOfBed {
  const { periods, unread } = historyOf(bed, today, tried && { inputs: tried });
  return { ...nowOf(periods).known, unread };
}

/** What a watering came to, as its day is known now: litres, minutes and mm over the bed. Source: as `givenWater`. */
export function givenOf(bed: BedOnRecord, today: string, date: string, entered: EnteredWater): GivenWater {
  const { known: then } = periodOn(historyOf(bed, today).periods, date);
  return givenWater(entered, then.areaM2, then.delivery);
}

function computes(work: () => unknown): boolean {
  try {
    work();
    return true;
  } catch {
    return false;
  }
}
