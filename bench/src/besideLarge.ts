import { performance } from 'node:perf_hooks';
import type { GardenView, RoundView } from '@kibble/contract';
import { GARDEN } from '../../server/tests/oneBed.ts';
import { withDemo } from './demoServer.ts';

const TREES = 400;
const TREE = {
  name: 'Walnut',
  cropId: 'walnut',
  plantedOn: '1985-03-01',
  textureClass: 'clay loam',
  delivery: { litresPerMinute: 8 },
  tree: { sort: 'tree', canopyM: 9, cameAs: 'not known', beneath: 'mulch', layout: { by: 'bubbler stops' } },
};
export interface BesideFigures {
  /** What planning the large garden takes by itself. */
  largeMs: number;
  /** The longest that the small garden's saved round, and its Done to what changed, took meanwhile. */
  roundMs: number;
  doneMs: number;
  asked: number;
  /** Memory of the whole process with both, MB. */
  rssMb: number;
}

/** A garden of 400 trees is planned while somebody walks the round of another. */
export const besideLarge = (): Promise<BesideFigures> =>
  withDemo(async (url) => {
    const send = async <T>(method: string, path: string, body?: object): Promise<T> => {
      const answer = await fetch(`${url}/api${path}`, {
        method,
        headers: { 'Content-Type': 'application/json' },
        body: body && JSON.stringify(body),
      });
      if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
      return (await answer.json()) as T;
    };
    const timed = async (work: () => Promise<unknown>): Promise<number> => {
      const start = performance.now();
      await work();
      return performance.now() - start;
    };
    const large = await send<GardenView>('POST', '/gardens', GARDEN);
    const tree = await send<{ id: number }>('POST', `/gardens/${large.id}/trees`, TREE);
    for (let i = 0; i < TREES; i += 200) await send('POST', `/beds/${tree.id}/copies`, { count: 200 });
    // The small garden's round has been looked at.
    const { stops, leaveAlone } = await send<RoundView>('GET', '/gardens/1/round');
    const beds = [...stops, ...leaveAlone].map(({ bedId }) => bedId);
    let planned = false;
    const planning = timed(async () => {
      await send('GET', `/gardens/${large.id}/round`);
      planned = true;
    });
    const rounds: number[] = [];
    const dones: number[] = [];
    while (!planned) {
      rounds.push(await timed(() => send('GET', '/gardens/1/round')));
      const bedId = beds[dones.length % beds.length] ?? 1;
      dones.push(await timed(() => send('POST', `/beds/${bedId}/waterings`, { litres: 5 })));
      await send('GET', '/gardens/1/round');
    }
    return {
      largeMs: await planning,
      roundMs: Math.max(...rounds),
      doneMs: Math.max(...dones),
      asked: rounds.length,
      rssMb: process.memoryUsage().rss / 1e6,
    };
  });
