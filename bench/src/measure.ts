/** Median milliseconds of `runs` calls, after a few to warm up. */
export function medianMs(work: () => void, runs = 9): number {
  for (let i = 0; i < 3; i += 1) work();
  const times: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const start = performance.now();
    work();
    times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? 0;
}
