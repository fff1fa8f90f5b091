import { isShared, type BedView, type FindingView } from '@kibble/contract';
import {
  addDays,
  cropById,
  FINDING_SORTS,
  mayToughen,
  oddities,
  toughenWindow,
  type CropEntry,
  type Finding,
  type Oddity,
  type PlantingInput,
  type Subject,
  knownBed,
} from '@kibble/core';
import type { z } from 'zod';
import type { findingBody } from '@kibble/contract';
import { append } from '../record/log.ts';
import { EntryRow, Planting, type Bed, type Garden, type Tap } from '../db/models.ts';
import { Refusal, refusing } from '../errors.ts';
import { todayOf, type WallClock } from './clock.ts';
import { bedsOnGround, findBedView } from './beds.ts';
import { entriesToView, entryToView } from './entryView.ts';
import { findBed, findTap } from './find.ts';
import { settingNow } from './settings.ts';
import { bedsOnTap } from './taps.ts';

const round = (value: number): string => String(Math.round(value * 10) / 10);
const oddWords = (odd: Oddity): string =>
  `${odd.code}: ${round(odd.value)} ${odd.unit}, where ${round(odd.usual)} ${odd.unit} is usual`;

/** What a reading is held against; nothing where what stands on record cannot be computed. */
function oddContext(view: BedView, today: string): Parameters<typeof oddities>[1] {
  try {
    const { areaM2, supplyLitresPerMinute, known, delivery } = knownBed(view, today);
    const flowKnown = known.flow?.kind === 'measured';
    return {
      areaM2,
      supplyLitresPerMinute,
      litresPerMinute: flowKnown ? delivery.litresPerMinute : undefined,
    };
  } catch {
    return {};
  }
}

/** Asks again about a possible but odd reading unless it was confirmed. */
async function askAgain(input: Finding, bedId: number | undefined, wall: WallClock): Promise<void> {
  let context: Parameters<typeof oddities>[1] = {};
  if (bedId !== undefined) {
    const { view, today } = await findBedView(bedId, wall);
    context = oddContext(view, today);
  }
  const odd = refusing(() => oddities(input, context), 'input.');
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
    throw new Refusal('not-found', `There is no such bed or tap in ${garden.name}.`, bed ? 'bedId' : 'tapId');
  }
  await checkAgainst(body.input, bed, today, wall);
  if (!body.confirmed) await askAgain(body.input, bed?.id, wall);
  // How the bed was watered on that day, not how it is now.
  const watered = bed ? settingNow((await findBedView(bed.id, wall)).view.settings, 'watered', on) : null;
  const row = await append({
    gardenId: garden.id,
    subject: subjectOfFinding(body.input, bed, tap),
    bedId: bed && isShared(body.input.kind) ? bed.id : null,
    body: body.input,
    on,
    at: wall.now(),
    method: watered?.method ?? null,
    note: body.note ?? null,
  });
  return entryToView(row);
}

/** What a finding is of: the ground where it holds for every bed on that, else the bed or the tap it was made at. */
function subjectOfFinding({ kind }: Finding, bed: Bed | null, tap: Tap | null): Subject {
  if (bed) return isShared(kind) ? { kind: 'ground', id: bed.groundId } : { kind: 'bed', id: bed.id };
  if (tap) return { kind: 'tap', id: tap.id };
  throw new Error('a finding is of a bed or of a tap');
}

/** Days ahead to which the plan can be changed by hand. */
const PLAN_DAYS = 28;

/** What is said of a plan or a planting must be of one that is there. */
async function checkAgainst(input: Finding, bed: Bed | null, today: string, wall: WallClock): Promise<void> {
  if (input.kind === 'plan') {
    const last = addDays(today, PLAN_DAYS);
    for (const field of ['date', 'to'] as const) {
      const date = input[field];
      if (date !== undefined && (date < today || date > last))
        throw new Refusal('invalid', `Day must lie from ${today} to ${last}; got ${date}`, `input.${field}`);
    }
  }
  if (input.kind === 'toughen' && input.what === 'start' && bed) await checkDrySpell(input, bed, wall);
  if ('plantingId' in input) {
    const planting = await Planting.findByPk(input.plantingId);
    if (!bed || planting?.bedId !== bed.id)
      throw new Refusal(
        'invalid',
        `Planting must be one of ${bed?.name ?? 'a bed'}; got ${input.plantingId}`,
        'input.plantingId',
      );
  }
}

/** Why a crop is not held dry, in words. */
const NOT_DRY: Partial<Record<CropEntry['toughening'], string>> = {
  never: 'it runs to seed or turns tough when it goes dry',
  legume: 'it must be over before the first flower',
  'potted potato': 'set deep in open ground it sits in moist soil already',
};

/** A dry spell is begun only where its crop bears it, and within its window. */
async function checkDrySpell(
  input: Extract<Finding, { kind: 'toughen' }>,
  bed: Bed,
  wall: WallClock,
): Promise<void> {
  const { view, today } = await findBedView(bed.id, wall);
  const planting = view.plantings.find(({ id }) => id === input.plantingId);
  if (!planting) return;
  const entered: PlantingInput = { ...planting, endedOn: planting.endedOn ?? undefined };
  if (mayToughen(entered, today)) return;
  const { toughening } = planting.custom ?? cropById(planting.cropId);
  const window = toughenWindow(entered, today);
  const why = window
    ? `its time is from ${window.from} to ${window.until}`
    : (NOT_DRY[toughening] ?? 'it gains nothing by it where it stands');
  throw new Refusal('invalid', `${planting.cropName} may not be held dry today: ${why}.`, 'input.what');
}

/** Beds on which a finding tells: its own, those on the same ground, those on its tap. */
export async function bedsOfFinding(row: Pick<FindingView, 'bedId' | 'tapId' | 'input'>): Promise<number[]> {
  if (row.tapId !== null) return bedsOnTap(await findTap(row.tapId));
  if (row.bedId === null) return [];
  const { bed } = await findBed(row.bedId);
  return isShared(row.input.kind) ? bedsOnGround(bed) : [bed.id];
}

/** Marks a finding as taken back, or brings it back. */
export async function markFinding(id: number, removedAt: Date | null): Promise<FindingView | { id: number }> {
  const row = await EntryRow.findByPk(id);
  if (!row || !(FINDING_SORTS as readonly string[]).includes(row.sort))
    throw new Refusal('not-found', `There is no finding ${id}.`, 'finding');
  await row.update({ removedAt });
  // One that cannot be read can be taken back all the same.
  const [view] = entriesToView([row], []);
  return view ?? { id };
}
