import { timeFormat, type ScaleTime } from 'd3';

export { area, curveMonotoneX, groups, line, max, scaleLinear, scaleTime, sum } from 'd3';

/** A few dates to stand under a time axis. */
export function axisLabelDates(x: ScaleTime<number, number>, about: number): { x: number; label: string }[] {
  const words = timeFormat('%-d %b');
  return x.ticks(about).map((date) => ({ x: x(date), label: words(date) }));
}
