import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** What is thought of a value: its mean, and the standard deviation of what may be wrong with it. */
export interface Estimate {
  mean: number;
  sd: number;
}

/** How points are compared. */
export interface Likeness<Point> {
  /** How alike two points are, 0–1. */
  alike: (a: Point, b: Point) => number;
  /** Numbers of a point that a value may follow in a straight line. */
  trend: (point: Point) => readonly number[];
  /** What a point has for itself alone, as a share of the variance. */
  ownShare: number;
}

/**
 * Values at a point, from those at other points: kriging with a trend, as regression of Gaussian processes. Points that are near
 * and alike weigh most; far from all of them the trend speaks, and the further away, the wider the doubt.
 * @param known points where values are known; `rows` their values, a row for each quantity
 * @returns an estimate for each row
 * Source: Rasmussen & Williams 2006, eqs. 2.25–2.26, with the trend under a broad prior (2.39); variance of largest likelihood.
 */
export function krige<Point>(
  point: Point,
  known: readonly Point[],
  rows: readonly (readonly number[])[],
  { alike, trend, ownShare }: Likeness<Point>,
): Estimate[] {
  const trends = known.map(trend);
  const dot = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, value, k) => sum + value * (b[k] ?? 0), 0);
  const covariance = new Matrix(
    known.map((a, i) =>
      known.map((b, j) => alike(a, b) + dot(trends[i] ?? [], trends[j] ?? []) + (i === j ? ownShare : 0)),
    ),
  );
  const own = trend(point);
  const shared = known.map((other, i) => alike(point, other) + dot(own, trends[i] ?? []));
  const solved = new CholeskyDecomposition(covariance)
    .solve(new Matrix([shared, ...rows.map((row) => [...row])]).transpose())
    .transpose()
    .to2DArray();
  const [explained = [], ...weights] = solved;
  const left = Math.max(0, 1 + ownShare + dot(own, own) - dot(explained, shared));
  return rows.map((row, r) => ({
    mean: dot(weights[r] ?? [], shared),
    sd: Math.sqrt((Math.max(0, dot(weights[r] ?? [], row)) / known.length) * left),
  }));
}
