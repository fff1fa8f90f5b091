import { item } from '../units/at.ts';
import type { Delivery } from '../delivery/runPlan.ts';
import { treeGround, type TreeGround } from '../places/treeRing/treeGround.ts';
import type { TreeFacts } from '../places/treeRing/treeFacts.ts';
import type { BedInput } from '../places/ground/bedModel.ts';
import type { CropEntry } from '../plants/types.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { entryOn, valueOn, type Dated } from '../units/dated.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { isLater, type Found, type SettingKind, type SettingValues } from './entries.ts';
import { FINDING_FACTS } from './facts.ts';
import { whatIsKnown, type KnownBed } from './whatIsKnown.ts';
import type { Tellable } from '../working/tellable.ts';

/** What of a bed may change, each since when. A soil that was declared wrong is put right for all time, so it has no date. */
export type DeclaredHistory = { [K in SettingKind]: Dated<SettingValues[K]> } & {
  textureClass: TextureClass;
  subsoilClass: TextureClass | null;
  /** When what stands there was planted: a tree's phases go by it. */
  plantedOn: IsoDate;
  crop?: CropEntry;
};

/** Days over which a bed stayed as it was, as it is known now. */
export interface BedPeriod {
  from: IsoDate;
  known: KnownBed;
  /** The bed without its plants. */
  bed: Omit<BedInput, 'plantings'>;
  delivery: Delivery;
  /** Where it is a tree place: the tree, its ground as it was laid out, and what its tap or hose gives. */
  tree: { facts: TreeFacts; ground: TreeGround; litresPerMinute: number } | null;
}

/** What a reading is of: a change of that thing ends what it tells of the days before. */
type ChangeSubject = 'ground' | 'water' | 'area' | 'other';
/** Told figures that are not of the water. */
const TOLD_OF: Partial<Record<Tellable, ChangeSubject>> = {
  area: 'area',
  organicMatter: 'ground',
  drainedAt: 'ground',
};
function subjectOfChange(found: Found): ChangeSubject {
  if (found.kind === 'told') return TOLD_OF[found.field] ?? 'water';
  const facts = FINDING_FACTS[found.kind];
  if (facts.sort !== 'reading') return 'other';
  return facts.about === 'water' ? 'water' : facts.spoiledByAmendment || facts.ofGround ? 'ground' : 'other';
}

/** A day on which a thing became another; with its entry, where one says so. */
interface ChangePoint {
  thing: ChangeSubject;
  on: IsoDate;
  by: Found | null;
}

/** Days on which something became another, from the dated values and the entries that say so. */
function changePoints(declared: DeclaredHistory, found: readonly Found[]): ChangePoint[] {
  const edges = (thing: ChangeSubject, dated: Dated<unknown>): ChangePoint[] =>
    dated.slice(1).map(({ from }) => ({ thing, on: from, by: null }));
  return [
    ...edges('area', declared.area),
    ...edges('water', declared.watered),
    ...edges('water', declared.tap),
    ...[
      declared.form,
      declared.cover,
      declared.shade,
      declared.mulched,
      declared.goal,
      declared.tree,
    ].flatMap((d) => edges('other', d as Dated<unknown>)),
    ...found.flatMap((entry): ChangePoint[] =>
      entry.kind === 'amended'
        ? [{ thing: 'ground', on: entry.on, by: entry }]
        : entry.kind === 'changed'
          ? [{ thing: 'water', on: entry.on, by: entry }]
          : [],
    ),
  ];
}

/** Whether an entry was made after a thing had become another. On the day itself it was, unless the change was written down later. */
const after = (found: Found, edge: ChangePoint): boolean =>
  edge.by ? isLater(found, edge.by) || found === edge.by : found.on >= edge.on;

/**
 * What of a figure declared by hand the bed's own form has taken the place of since: the form says how it is from a day on,
 * and what was declared before that day no longer counts from there.
 */
function overtaken(found: Found, declared: DeclaredHistory, date: IsoDate): boolean {
  const before = (dated: Dated<unknown>): boolean => {
    const entry = entryOn(dated, date);
    return entry !== dated[0] && found.on < entry.from;
  };
  if (found.kind === 'told') return before(found.field === 'area' ? declared.area : declared.watered);
  // A flow that the form gives anew outdates a bucket timed before; one at the tap is the tap's.
  return found.kind === 'bucket' && found.tap === undefined && before(declared.watered);
}

/**
 * A bed from its first day to today, cut where something about it changed. A change holds from its day; a reading puts
 * right what followed from the figure it replaces, back to the last change of that thing, and no further.
 * @param declared what may change, each since when; `found` entries in any order, those after `today` left out
 * @param startOn its first day
 * @returns the periods, oldest first; the last one is how it is now
 * @throws RangeError when a reading is impossible
 */
export function bedHistory(
  declared: DeclaredHistory,
  found: readonly Found[],
  startOn: IsoDate,
  today: IsoDate,
): BedPeriod[] {
  const until = found.filter((f) => f.on <= today);
  const edges = changePoints(declared, until).filter((edge) => edge.on <= today);
  const starts = [startOn, ...edges.map((edge) => edge.on).filter((on) => on > startOn)];
  const days = [...new Set(starts)].sort();
  const periods: BedPeriod[] = [];
  for (const [i, from] of days.entries()) {
    const next = days[i + 1] ?? null;
    const watering = valueOn(declared.watered, from);
    const tap = valueOn(declared.tap, from);
    const seen = until.filter((f) => {
      if (f.tap !== undefined && f.tap !== tap) return false;
      if (overtaken(f, declared, from)) return false;
      const thing = subjectOfChange(f);
      // An entry that itself says a thing became another tells nothing of the days before.
      const own = edges.some((edge) => edge.by === f && next !== null && edge.on >= next);
      return (
        !own &&
        !edges.some((edge) => edge.thing === thing && next !== null && edge.on >= next && after(f, edge))
      );
    });
    const known = whatIsKnown(
      {
        areaM2: valueOn(declared.area, from),
        textureClass: declared.textureClass,
        subsoilClass: declared.subsoilClass,
        underCover: valueOn(declared.cover, from),
        shadeCloth: valueOn(declared.shade, from),
        method: watering.method,
        litresPerMinute: watering.litresPerMinute,
        timer: watering.timer,
        fillLitres: watering.fillLitres,
        flowMeasured: watering.measured,
      },
      seen,
      today,
    );
    const facts = valueOn(declared.tree, from);
    // A tree is as old as it was when that ended.
    const on = next === null ? today : addDays(next, -1);
    const ground =
      facts &&
      treeGround(
        facts,
        { plantedOn: declared.plantedOn, crop: declared.crop, on },
        known.ground,
        known.delivery,
      );
    const { litresPerMinute } = known.delivery;
    // What is known of a tree place is of the ground its roots have.
    if (ground) {
      known.areaM2 = ground.areaM2;
      known.delivery = ground.delivery;
    }
    const period: BedPeriod = {
      from,
      known,
      delivery: known.delivery,
      tree: facts && ground && { facts, ground, litresPerMinute },
      bed: {
        areaM2: known.areaM2,
        ground: known.ground,
        place: known.place,
        form: valueOn(declared.form, from),
        mulch: valueOn(declared.mulched, from) ?? undefined,
        goal: valueOn(declared.goal, from),
      },
    };
    periods.push(period);
  }
  return joined(periods);
}

/** Periods that differ in nothing the engine reads are one; what is known of it is what is known last. */
function joined(periods: readonly BedPeriod[]): BedPeriod[] {
  const out: BedPeriod[] = [];
  for (const period of periods) {
    const before = out.at(-1);
    const same =
      before &&
      JSON.stringify([before.bed, before.delivery]) === JSON.stringify([period.bed, period.delivery]);
    if (same) out[out.length - 1] = { ...period, from: before.from };
    else out.push(period);
  }
  return out;
}

/** How a bed was on a day. */
export const periodOn = (periods: readonly BedPeriod[], date: IsoDate): BedPeriod =>
  periods.findLast(({ from }) => from <= date) ?? item(periods, 0);
