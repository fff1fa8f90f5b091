import { type bedBody, type NewTreeBody, type TreeBody, type treeChange } from '@kibble/contract';
import {
  bandM2,
  CATALOGUE,
  cropById,
  intakeRate,
  isWoody,
  LAYOUT_FACTS,
  layOut,
  treeAsDeclared,
  type Setting,
  type StartMethod,
  type TreeFacts,
  historyOf,
} from '@kibble/core';
import type { z } from 'zod';
import { EntryRow, type Bed } from '../db/models.ts';
import { ofBeds } from '../record/log.ts';
import { Refusal, refusing } from '../errors.ts';
import { createBed, findBedView } from './beds.ts';
import { sinceOf, type WallClock } from './clock.ts';
import { checkVersion } from './edited.ts';
import { firstSettings, setSince } from './settings.ts';

const STARTS: Readonly<Record<TreeBody['cameAs'], StartMethod>> = {
  'bare-root': 'bare-root',
  potted: 'pot',
  balled: 'pot',
  'not known': 'pot',
};

/** Why a day on which a tree was planted cannot be; null when it can. */
function checkPlanted(plantedOn: string, today: string): void {
  if (plantedOn > today)
    throw new Refusal('invalid', `Planted on must be ${today} or earlier; got ${plantedOn}`, 'plantedOn');
}

/** What was entered with its ring and depth filled in; what cannot be is refused by its field. */
const factsOf = (declared: TreeBody, plantedOn: string, on: string): TreeFacts =>
  refusing(() => treeAsDeclared(declared, plantedOn, on), 'tree.');

/** A tree that is laid out once on its soil, so that what cannot be laid is refused before it is kept. */
function checkLaid(
  facts: TreeFacts,
  textureClass: Parameters<typeof layOut>[2]['textureClass'],
  litresPerMinute: number,
): void {
  const infiltrationMmPerHour = intakeRate({ horizons: [{ textureClass }] });
  refusing(
    () =>
      layOut(facts, facts.part, { textureClass, infiltrationMmPerHour }, litresPerMinute, facts.litresEach),
    'tree.',
  );
}

/** What a tree's way of watering is as a bed's. */
const wateredBy = (
  { layout }: TreeFacts,
  delivery: NewTreeBody['delivery'],
): z.infer<typeof bedBody>['delivery'] => ({ ...delivery, method: LAYOUT_FACTS[layout.by].method });

/** Adds a tree place: its ground, its plant, its ring. */
export async function addTree(gardenId: number, body: NewTreeBody, today: string, at: Date): Promise<Bed> {
  checkPlanted(body.plantedOn, today);
  const crop = CATALOGUE.find(({ id }) => id === body.cropId);
  if (crop && !isWoody(crop))
    throw new Refusal('invalid', `Crop must be a tree, shrub or hedge; got ${crop.name}`, 'cropId');
  const facts = factsOf(body.tree, body.plantedOn, today);
  checkLaid(facts, body.textureClass, body.delivery.litresPerMinute);
  const bed = await createBed(
    gardenId,
    {
      kind: 'ground',
      name: body.name,
      place: body.place,
      areaM2: Math.max(0.1, facts.count * bandM2(facts, facts.ring.innerM, facts.ring.outerM)),
      textureClass: body.textureClass,
      subsoilClass: body.subsoilClass,
      form: facts.layout.by === 'basin' ? 'basin' : 'flat',
      underCover: false,
      shadeCloth: false,
      mulchMaterial: body.mulchMaterial,
      mulchMm: body.mulchMm,
      startWetness: body.startWetness,
      wetnessOn: body.wetnessOn ?? (body.plantedOn < today ? today : undefined),
      goal: body.goal,
      notes: '',
      planting: {
        cropId: body.cropId,
        plantedOn: body.plantedOn,
        method: STARTS[body.tree.cameAs],
        share: 1,
      },
      delivery: wateredBy(facts, body.delivery),
    },
    today,
    at,
  );
  await firstSettings(bed, [{ kind: 'tree', value: facts }], bed.startOn, at);
  return bed;
}

/** Tells a tree anew since a day, or makes a tree place of a bed, or a bed of a tree place. Gives what was written down. */
export async function changeTree(
  bed: Bed,
  body: z.infer<typeof treeChange>,
  today: string,
  wall: WallClock,
): Promise<number[]> {
  const { view } = await findBedView(bed.id, wall);
  const since = sinceOf(body.since, today);
  const { plantedOn } = view.planting ?? {};
  const crop = view.planting && (view.planting.custom ?? cropById(view.planting.cropId));
  if (body.tree && !(crop && isWoody(crop)))
    throw new Refusal(
      'invalid',
      `${bed.name} must have something woody planted on it to be a tree place; got ${crop?.name ?? 'nothing'}`,
      'tree',
    );
  const now = historyOf(view, today).periods.at(-1)?.tree?.facts ?? null;
  const { version, since: _since, ...yours } = body;
  checkVersion(bed.name, version, bed.version, yours, { tree: now });
  const facts = body.tree && factsOf(body.tree, plantedOn ?? today, since > today ? today : since);
  const delivery = body.delivery ?? view.delivery;
  if (facts) checkLaid(facts, view.textureClass, delivery.litresPerMinute);
  // What it was before that day stays what it was.
  const entries = await EntryRow.count({
    where: { ...ofBeds(bed.id), kind: 'tree', sort: 'setting', removedAt: null },
  });
  if (entries === 0 && since > bed.startOn)
    await firstSettings(bed, [{ kind: 'tree', value: null }], bed.startOn, wall.now());
  const settings: Setting[] = [
    { kind: 'tree', value: facts },
    ...(facts ? [{ kind: 'watered' as const, value: wateredBy(facts, delivery) }] : []),
  ];
  const made = await setSince(
    bed,
    settings,
    (await findBedView(bed.id, wall)).view.settings,
    since,
    wall.now(),
    today,
  );
  await bed.update({ version: bed.version + 1 });
  return made;
}
