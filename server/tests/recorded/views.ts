import type { GardenView, PotsView } from '@kibble/contract';
import { EXPLAINABLE } from '@kibble/core';
import type { Express } from 'express';
import { ask } from '../ask.ts';

/** Every view of every garden of a file, by its address. What cannot be asked for is recorded as it is refused. */
export async function viewsOf(app: Express): Promise<Record<string, unknown>> {
  const views: Record<string, unknown> = {};
  const look = async (path: string): Promise<unknown> => {
    const { body } = await ask(app).get(`/api${path}`);
    views[path] = body as unknown;
    return body as unknown;
  };
  for (const { id } of (await look('/gardens')) as { id: number }[]) {
    const of = (rest: string): string => `/gardens/${id}${rest}`;
    const garden = (await look(of(''))) as GardenView;
    for (const room of [
      'round',
      'fortnight',
      'sharpen',
      'after-rain',
      'walk?from=390',
      'section',
      'trees',
      'weather',
    ])
      await look(of(`/${room}`));
    for (const room of ['alerts/seen', 'drafts', 'runs', `working/${garden.today}`])
      await look(of(`/${room}`));
    const pots = (await look(of('/pots'))) as PotsView;
    for (const pot of pots.spots.flatMap((spot) => spot.pots)) await look(`/pots/${pot.id}`);
    for (const bed of garden.beds) {
      await look(`/beds/${bed.id}`);
      if (bed.archived) continue;
      await look(`/beds/${bed.id}/ladder`);
      for (const number of EXPLAINABLE) await look(`/beds/${bed.id}/working/${number}`);
    }
  }
  return views;
}
