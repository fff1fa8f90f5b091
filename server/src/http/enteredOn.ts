import type { Request } from 'express';
import type { Acting } from '../db/acting.ts';
import { Refusal } from '../errors.ts';
import type { Sharing } from '../sharing/sharing.ts';

/** What could not be sent at once is taken for so many days. Judgement. */
const KEPT_DAYS = 30;
/** No clock is off by more than this, ms: what says so is no clock. */
const MOST_OFFSET_MS = 50 * 366 * 86_400_000;

/** How far the server's clock is ahead of the device's, as the device found it when both last met, ms. */
function offsetOf(req: Request): number {
  const header = req.get('Kibble-Offset');
  if (header === undefined) return 0;
  const offset = Number(header);
  if (!/^-?\d{1,15}$/.test(header) || Math.abs(offset) > MOST_OFFSET_MS)
    throw new Refusal(
      'invalid',
      `Kibble-Offset must be whole milliseconds; got "${header.slice(0, 40)}"`,
      'Kibble-Offset',
    );
  return offset;
}

/** Who is entering something and when it was done, where that was before it arrived. */
export function enteredOn(req: Request, now: Date, sharing: Sharing | undefined): Acting {
  const device = sharing && !sharing.isHere(req) ? sharing.deviceOf(req) : null;
  const who = { by: device?.name ?? null, deviceId: device?.id ?? null };
  const header = req.get('Kibble-Moment');
  if (header === undefined) return { ...who, moment: null, clock: null };
  const at = Date.parse(header);
  if (!/^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(header) || Number.isNaN(at))
    throw new Refusal(
      'invalid',
      `Kibble-Moment must be a moment, as 2026-07-14T06:30:00Z; got "${header.slice(0, 40)}"`,
      'Kibble-Moment',
    );
  const offsetMs = offsetOf(req);
  const corrected = at + offsetMs;
  if (corrected < now.getTime() - KEPT_DAYS * 86_400_000)
    throw new Refusal(
      'conflict',
      `This was done more than ${KEPT_DAYS} days ago. Enter it by hand, with its day.`,
      'Kibble-Moment',
    );
  return {
    ...who,
    // A moment still to come is a clock that is wrong: the entry counts as made now, and both clocks are saved with it.
    moment: corrected > now.getTime() ? null : new Date(corrected),
    clock: { at: new Date(at), offsetMs },
  };
}
