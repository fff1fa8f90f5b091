import { Bed, Garden, Tap } from '../db/models.ts';
import { Refusal } from '../errors.ts';

export async function findGarden(id: number): Promise<Garden> {
  const garden = await Garden.findByPk(id);
  if (!garden) throw new Refusal('not-found', `There is no garden ${id}.`, 'garden');
  return garden;
}

export async function findBed(id: number): Promise<{ bed: Bed; garden: Garden }> {
  const bed = await Bed.findByPk(id);
  if (!bed) throw new Refusal('not-found', `There is no bed ${id}.`, 'bed');
  return { bed, garden: await findGarden(bed.gardenId) };
}

export async function findTap(id: number): Promise<Tap> {
  const tap = await Tap.findByPk(id);
  if (!tap) throw new Refusal('not-found', `There is no tap ${id}.`, 'tap');
  return tap;
}
