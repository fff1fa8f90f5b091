import { monitorEventLoopDelay, performance } from 'node:perf_hooks';
import type { RoundView } from '@kibble/contract';
import { withDemo } from './demoServer.ts';

const median = (times: number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;

const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const start = performance.now();
  await work();
  return performance.now() - start;
};
const post = (url: string, body: object): Promise<Response> =>
  fetch(url, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });

/** Longest stretch for which whoever answers could not, ms, while work goes on. */
async function stallDuring(work: () => Promise<void>): Promise<number> {
  const delay = monitorEventLoopDelay({ resolution: 5 });
  delay.enable();
  await work();
  delay.disable();
  return delay.max / 1e6;
}

export interface RoundFigures {
  /** The round first asked for, and asked for again with nothing changed. */
  first: number;
  again: number;
  /** From one Done to the answer that holds what changed, and to the whole round fetched anew. */
  done: number;
  doneThenRound: number;
  section: number;
  stallMs: number;
}

async function figures(url: string): Promise<RoundFigures> {
  const get = async (path: string): Promise<string> => (await fetch(`${url}/api/gardens/1/${path}`)).text();
  let first = 0;
  const again: number[] = [];
  const done: number[] = [];
  const doneThenRound: number[] = [];
  const section: number[] = [];
  let text = '';
  const stalls = [
    await stallDuring(async () => {
      first = await timed(async () => {
        text = await get('round');
      });
    }),
  ];
  // Who asks runs in this process too: what it makes of the answer is no stall of whoever answers.
  const beds = (JSON.parse(text) as RoundView).stops.map(({ bedId }) => bedId);
  stalls.push(
    await stallDuring(async () => {
      for (let i = 0; i < 5; i += 1) again.push(await timed(() => get('round')));
      for (const bedId of beds.slice(0, 5)) {
        const ms = await timed(async () => {
          const answer = await post(`${url}/api/beds/${bedId}/waterings`, { minutes: 5, asPlanned: true });
          await answer.text();
        });
        done.push(ms);
        doneThenRound.push(ms + (await timed(() => get('round'))));
      }
      for (let i = 0; i < 3; i += 1) section.push(await timed(() => get('section')));
    }),
  );
  return {
    first,
    again: median(again),
    done: median(done),
    doneThenRound: median(doneThenRound),
    section: median(section),
    stallMs: Math.max(...stalls),
  };
}

/** Figures of the demo garden's rooms over loopback. */
export const roundFigures = (): Promise<RoundFigures> => withDemo(figures);

/** The same of a garden of 500 beds. */
export const largeFigures = (): Promise<RoundFigures> =>
  withDemo(async (url) => {
    for (const [bed, count] of [
      [1, 200],
      [3, 200],
      [6, 88],
    ] as const)
      await (await post(`${url}/api/beds/${bed}/copies`, { count })).text();
    return figures(url);
  });
