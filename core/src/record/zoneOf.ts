import { canHaveTimer } from '../delivery/handsOn.ts';
import type { PlanBed } from '../follow/types.ts';
import type { BedOnRecord, GardenOnRecord } from './place.ts';

type Tap = GardenOnRecord['taps'][number];

/** The zone that a bed is watered in; null where it has none, or is watered by hand beside it. @param taps the garden's. Source: none needed, a matter of record. */
export function zoneOf<T extends Pick<Tap, 'id' | 'together'>>(
  bed: Pick<BedOnRecord, 'tapId' | 'delivery'> | undefined,
  taps: readonly T[],
): T | null {
  const zone = taps.find(({ id, together }) => together && id === bed?.tapId);
  return zone && bed && canHaveTimer(bed.delivery.method) ? zone : null;
}

/** Numbers of the beds that one watering of a bed waters: those of its zone, or it alone. @param beds the garden's, `taps` as well. Source: none needed, a matter of record. */
export function wateredWith(
  bedId: number,
  beds: readonly Pick<BedOnRecord, 'id' | 'tapId' | 'delivery' | 'archived'>[],
  taps: readonly Pick<Tap, 'id' | 'together'>[],
): number[] {
  const own = beds.find(({ id }) => id === bedId);
  const zone = zoneOf(own, taps);
  if (!zone) return [bedId];
  return beds.filter((bed) => !bed.archived && zoneOf(bed, taps) === zone).map(({ id }) => id);
}

/** The tap that water comes through: a zone's beds draw from the tap that it hangs on. */
export const rootTap = (tapId: number | null, taps: readonly Tap[]): number | null =>
  taps.find(({ id }) => id === tapId)?.fromTapId ?? tapId;

/** A bed of the plan in its zone: it draws from the tap that the zone hangs on, and a zone with a station is opened by its timer. */
export function inItsZone(planned: PlanBed, bed: BedOnRecord, taps: readonly Tap[]): PlanBed {
  const tap = rootTap(bed.tapId, taps) ?? undefined;
  const zone = zoneOf(bed, taps);
  if (!zone) return tap === planned.tap ? planned : { ...planned, tap };
  const timer = (zone.station ?? null) !== null || planned.delivery.timer;
  return {
    ...planned,
    tap,
    zone: zone.id,
    delivery: timer ? { ...planned.delivery, timer } : planned.delivery,
  };
}
