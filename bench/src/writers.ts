import type { GardenView } from '@kibble/contract';
import { withDemo } from './demoServer.ts';

const AT_ONCE = 20;

/** Milliseconds of a change of a bed alone (median), and of the slowest of twenty sent at once, on the demo garden. */
export const writersMs = (): Promise<{ alone: number; slowest: number }> =>
  withDemo(async (url) => {
    const garden = (await (await fetch(`${url}/api/gardens/1`)).json()) as GardenView;
    const change = async (i: number): Promise<number> => {
      const bed = garden.beds[i % garden.beds.length];
      if (!bed?.planting) throw new Error('the demo has no such bed');
      const { cropId, plantedOn, share } = bed.planting;
      const start = performance.now();
      const answer = await fetch(`${url}/api/beds/${bed.id}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          name: `${bed.name} ${i}`,
          areaM2: bed.areaM2,
          textureClass: bed.textureClass,
          planting: { cropId, plantedOn, share },
          delivery: bed.delivery,
        }),
      });
      if (!answer.ok) throw new Error(`a change was answered ${answer.status}`);
      return performance.now() - start;
    };
    const alone: number[] = [];
    for (let i = 0; i < 15; i += 1) alone.push(await change(i));
    const together = await Promise.all(Array.from({ length: AT_ONCE }, (_, i) => change(i)));
    return {
      alone: [...alone].sort((a, b) => a - b)[Math.floor(alone.length / 2)] ?? 0,
      slowest: Math.max(...together),
    };
  });
