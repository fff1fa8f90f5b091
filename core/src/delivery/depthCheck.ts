import { atLeast, positive, within } from '../units/guard.ts';

export interface DepthCheck {
  meanMm: number;
  shallowestMm: number;
  verdict: 'deep enough' | 'short' | 'patchy' | 'far past';
  /** More minutes at this watering's own ratio of depth to minutes; 0 unless short. */
  extraMinutes: number;
  /** Places, by their order, that want a watering of their own. */
  dryPoints: number[];
}

/** A point shallower than this share of the mean is dry ground the water went round. Judgement. */
const PATCHY = 0.5;
/** Depth beyond the target from which water went where no root is. Judgement. */
const FAR = 1.5;

/**
 * Judges how deep a watering went from where a probe stopped.
 * @param options depths at which it stopped mm (0–2000, one or more), the depth wanted mm, minutes watered
 * @throws RangeError on no point, a negative depth or no minutes
 * Source: common practice; the extra minutes follow from this run's own minutes per millimetre.
 */
export function depthCheck(options: {
  pointsMm: readonly number[];
  targetMm: number;
  minutes: number;
}): DepthCheck {
  const points = atLeast('pointsMm', options.pointsMm, 1).map((p, i) =>
    within(`pointsMm[${i}]`, p, 0, 2000, 'mm'),
  );
  const target = positive('targetMm', options.targetMm, 2000, 'mm');
  const minutes = positive('minutes', options.minutes, 10_080, 'min');
  const meanMm = points.reduce((a, b) => a + b, 0) / points.length;
  const shallowestMm = Math.min(...points);
  const dryPoints = points.flatMap((p, i) => (p < PATCHY * meanMm && p < target ? [i] : []));
  const patchy = points.length > 1 && dryPoints.length > 0 && dryPoints.length < points.length;
  const short = meanMm < target;
  const extraMinutes = short && meanMm > 0 ? minutes * (target / meanMm - 1) : short ? minutes : 0;
  const verdict = patchy ? 'patchy' : short ? 'short' : meanMm > FAR * target ? 'far past' : 'deep enough';
  return {
    meanMm,
    shallowestMm,
    verdict,
    extraMinutes: patchy ? 0 : extraMinutes,
    dryPoints: patchy ? dryPoints : [],
  };
}

/** Minutes that may differ and still be the same run. Judgement. */
const SAME_RUN = 0.1;

/** Minutes that two passes have settled as enough, latest first; null while none has. Common practice: test until it holds twice. */
export function settledMinutes(
  tries: readonly { minutes: number; verdict: DepthCheck['verdict'] }[],
): number | null {
  const good = tries.filter((t) => t.verdict === 'deep enough');
  const [last, before] = [good.at(-1), good.at(-2)];
  if (!last || !before) return null;
  return Math.abs(last.minutes - before.minutes) <= SAME_RUN * last.minutes ? last.minutes : null;
}
