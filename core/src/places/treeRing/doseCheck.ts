import { secondsPerPlant } from '../../delivery/fills.ts';
import { positive } from '../../units/guard.ts';

/** Whether seconds counted at a plant and the volume it is meant to get say the same at this tap. */
export interface DoseCheck {
  /** Seconds that the volume takes, and litres that the seconds give. */
  seconds: number;
  litres: number;
  agrees: boolean;
}
/** So far apart two figures still say the same. Judgement. */
const ALIKE = 0.15;

/**
 * @param dose litres meant for a plant, seconds counted there, flow L/min
 * @throws RangeError on 0 or less
 * Source: arithmetic.
 */
export function doseCheck(dose: { litres: number; seconds: number; litresPerMinute: number }): DoseCheck {
  const seconds = secondsPerPlant(dose);
  const litres = (positive('seconds', dose.seconds, 86_400, 's') * dose.litresPerMinute) / 60;
  return { seconds, litres, agrees: Math.abs(litres / dose.litres - 1) <= ALIKE };
}
