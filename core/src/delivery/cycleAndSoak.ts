import { hoursToTakeIn, takenIn } from './greenAmpt.ts';
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
 * While water comes faster than the soil takes it, the rest builds up on top; a pause lets it soak away. A dry soil draws
 * the first water in much faster than the last.
 * @param options depth to apply mm, rate and steady intake mm/h, what the surface can hold without running off mm, and how
 *   hard the dry soil pulls: suction at its wetting front × the room it has, mm (default 0: wet already)
 * @returns equal cycles; one cycle and no soak when the soil takes it as fast as it comes
 * @throws RangeError on a depth or rate of 0 or less
 * Source: mass balance of the pond; intake by Green & Ampt 1911.
 */
export function cycleAndSoak(options: {
  netMm: number;
  rateMmPerHour: number;
  infiltrationMmPerHour: number;
  surfaceStorageMm: number;
  capillaryPullMm?: number;
}): CyclePlan {
  const net = positive('netMm', options.netMm, MOST_SENT_MM, 'mm');
  const rate = positive('rateMmPerHour', options.rateMmPerHour, MOST_RATE_MM_PER_HOUR, 'mm/h');
  const intake = positive('infiltrationMmPerHour', options.infiltrationMmPerHour, 2000, 'mm/h');
  const storage = within('surfaceStorageMm', options.surfaceStorageMm, 0, 500, 'mm');
  const pull = within('capillaryPullMm', options.capillaryPullMm ?? 0, 0, 1000, 'mm');
  const allMinutes = (net / rate) * 60;
  const once = { cycles: 1, runMinutes: allMinutes, soakMinutes: 0, totalMinutes: allMinutes };
  if (rate <= intake) return once;
  /** On top at the end of the last of `n` equal cycles, mm: it meets the wettest ground. */
  const onTop = (n: number): number => {
    const before = net - net / n;
    return net - takenIn(before, net / n / rate, rate, intake, pull);
  };
  if (onTop(1) <= storage) return once;
  if (storage === 0) {
    throw new OutOfRange(
      'surfaceStorageMm',
      `be above 0 mm when water comes faster (${rate} mm/h) than it soaks in (${intake} mm/h)`,
      0,
    );
  }
  // Wet ground needs the most cycles of all.
  let most = Math.ceil((net * (1 - intake / rate)) / storage - 1e-9);
  let few = 1;
  while (most - few > 1) {
    const middle = Math.floor((few + most) / 2);
    if (onTop(middle) <= storage) most = middle;
    else few = middle;
  }
  const cycles = most;
  if (cycles > MOST_CYCLES) {
    throw new OutOfRange(
      'rateMmPerHour',
      `be closer to the soil's intake of ${intake} mm/h: this watering would need ${cycles} cycles, allowed up to ${MOST_CYCLES}`,
      rate,
    );
  }
  const each = net / cycles;
  // The longest pause is the last: all that was sent before it has to be in.
  const sent = net - each;
  const taken = takenIn(sent - each, each / rate, rate, intake, pull);
  const soakMinutes = 60 * hoursToTakeIn(taken, sent, intake, pull);
  const runMinutes = allMinutes / cycles;
  return { cycles, runMinutes, soakMinutes, totalMinutes: allMinutes + soakMinutes * (cycles - 1) };
}
