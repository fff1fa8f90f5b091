import { withDemo } from './demoServer.ts';

const median = (times: number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;

/** Median milliseconds for the demo garden's round, request to answer, over loopback. */
export const roundMs = (): Promise<number> =>
  withDemo(async (url) => {
    const times: number[] = [];
    for (let i = 0; i < 25; i += 1) {
      const start = performance.now();
      await (await fetch(`${url}/api/gardens/1/round`)).text();
      if (i >= 5) times.push(performance.now() - start);
    }
    return median(times);
  });

/** Milliseconds for the round and for a page of the section of a garden of 500 beds. */
export const largeGardenMs = (): Promise<{ round: number; section: number }> =>
  withDemo(async (url) => {
    for (const [bed, count] of [
      [1, 200],
      [3, 200],
      [6, 88],
    ] as const) {
      await fetch(`${url}/api/beds/${bed}/copies`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ count }),
      });
    }
    const time = async (path: string): Promise<number> => {
      const times: number[] = [];
      for (let i = 0; i < 4; i += 1) {
        const start = performance.now();
        await (await fetch(`${url}/api/gardens/1/${path}`)).text();
        if (i > 0) times.push(performance.now() - start);
      }
      return median(times);
    };
    return { round: await time('round'), section: await time('section') };
  });
