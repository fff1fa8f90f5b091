import { OutOfRange, positive, within } from '../units/guard.ts';

export interface CyclePlan {
  cycles: number;
  /** Minutes of water per cycle, and of rest between two. */
  runMinutes: number;
  soakMinutes: number;
  /** First drop to last, rests between cycles included. */
  totalMinutes: number;
}

/** More cycles than this in one session nobody will do; the depth is then too much for the soil. */
export const MOST_CYCLES = 500;
/** Fastest that water comes anywhere, mm/h: a can emptied in seconds over a small pot. Judgement. */
export const MOST_RATE_MM_PER_HOUR = 100_000;
/** Most that is sent to bring 1,000 mm where only 4 % of it serves (a fifth arrives, and a fifth of that evenly), mm. */
const MOST_SENT_MM = 25_000;

/**
 * Cuts a run so that no cycle pools more than the surface can hold.
 * While the water runs, (rate − infiltration) builds up on top; a rest lets it soak away.
 * @param options depth to apply mm, rate and intake mm/h, what the surface can hold without running off mm
 * @returns equal cycles; one cycle and no soak when the soil takes it as fast as it comes
 * @throws RangeError on a depth or rate of 0 or less
 * Source: mass balance of the pond; common practice.
 */
export function cycleAndSoak(options: {
  netMm: number;
  rateMmPerHour: number;
  infiltrationMmPerHour: number;
  surfaceStorageMm: number;
}): CyclePlan {
  const net = positive('netMm', options.netMm, MOST_SENT_MM, 'mm');
  const rate = positive('rateMmPerHour', options.rateMmPerHour, MOST_RATE_MM_PER_HOUR, 'mm/h');
  const intake = positive('infiltrationMmPerHour', options.infiltrationMmPerHour, 2000, 'mm/h');
  const storage = within('surfaceStorageMm', options.surfaceStorageMm, 0, 500, 'mm');
  const allMinutes = (net / rate) * 60;
  const pooling = rate - intake;
  const pooledMm = (pooling * allMinutes) / 60;
  if (pooling <= 0 || pooledMm <= storage) {
    return { cycles: 1, runMinutes: allMinutes, soakMinutes: 0, totalMinutes: allMinutes };
  }
  if (storage === 0) {
    throw new OutOfRange(
      'surfaceStorageMm',
      `be above 0 mm when water comes faster (${rate} mm/h) than it soaks in (${intake} mm/h)`,
      0,
    );
  }
  const cycles = Math.ceil(pooledMm / storage - 1e-9);
  if (cycles > MOST_CYCLES) {
    throw new OutOfRange(
      'rateMmPerHour',
      `be closer to the soil's intake of ${intake} mm/h: this watering would need ${cycles} cycles, allowed up to ${MOST_CYCLES}`,
      rate,
    );
  }
  const runMinutes = allMinutes / cycles;
  const soakMinutes = ((pooling * runMinutes) / 60 / intake) * 60;
  return {
    cycles,
    runMinutes,
    soakMinutes,
    totalMinutes: allMinutes + soakMinutes * (cycles - 1),
  };
}
