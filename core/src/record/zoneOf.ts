import { canHaveTimer } from '../delivery/handsOn.ts';
import type { Delivery } from '../delivery/runPlan.ts';
import type { PlanBed } from '../follow/types.ts';
import type { BedOnRecord, GardenOnRecord } from './place.ts';

type Tap = GardenOnRecord['taps'][number];

/** The zone that a bed is watered in; null where it has none, its tap was put away, or it is watered by hand beside it. @param taps the garden's. Source: none needed, a matter of record. */
export function zoneOf<T extends Pick<Tap, 'id' | 'together' | 'archived'>>(
  bed: Pick<BedOnRecord, 'tapId' | 'delivery'> | undefined,
  taps: readonly T[],
): T | null {
  const zone = taps.find(({ id, together, archived }) => together && !archived && id === bed?.tapId);
  return zone && bed && canHaveTimer(bed.delivery.method) ? zone : null;
}

type Beds = readonly Pick<BedOnRecord, 'id' | 'tapId' | 'delivery' | 'archived'>[];

const bedsIn = <B extends Beds[number]>(zone: Pick<Tap, 'id'>, beds: readonly B[]): B[] =>
  beds.filter(
    ({ archived, tapId, delivery }) => !archived && tapId === zone.id && canHaveTimer(delivery.method),
  );

/** Numbers of the beds that one watering of a bed waters: those of its zone, or it alone. @param beds the garden's, `taps` as well. Source: none needed, a matter of record. */
export function wateredWith(
  bedId: number,
  beds: Beds,
  taps: readonly Pick<Tap, 'id' | 'together' | 'archived'>[],
): number[] {
  const zone = zoneOf(
    beds.find(({ id }) => id === bedId),
    taps,
  );
  return zone ? bedsIn(zone, beds).map(({ id }) => id) : [bedId];
}

/** The tap that water comes through: that which feeds a zone, else a bed's own. @param taps the garden's. Source: none needed, a matter of record. */
export const rootTap = (tapId: number | null, taps: readonly Tap[]): number | null =>
  taps.find(({ id }) => id === tapId)?.fromTapId ?? tapId;

/** Whether a timer opens the valve of a zone: it has a station, or one of its beds is told to be on a timer. */
const isOnTimer = (zone: Tap, beds: Beds): boolean =>
  (zone.station ?? null) !== null || bedsIn(zone, beds).some(({ delivery }) => delivery.timer);

/** What carries water to a bed of a zone: one valve is opened for all, by a timer or by hand. @param garden its beds and taps. Source: none needed, a matter of record. */
export const deliveryInZone = <D extends Pick<Delivery, 'timer'>>(
  delivery: D,
  zone: Tap,
  { beds }: Pick<GardenOnRecord, 'beds'>,
): D => (isOnTimer(zone, beds) ? { ...delivery, timer: true } : delivery);

/** A bed of the plan in its zone: it draws from the tap that feeds the zone. @param garden its beds and taps. Source: none needed, a matter of record. */
export function inItsZone(
  planned: PlanBed,
  bed: BedOnRecord,
  garden: Pick<GardenOnRecord, 'beds' | 'taps'>,
): PlanBed {
  const tap = rootTap(bed.tapId, garden.taps) ?? undefined;
  const zone = zoneOf(bed, garden.taps);
  if (!zone) return tap === planned.tap ? planned : { ...planned, tap };
  return { ...planned, tap, zone: zone.id, delivery: deliveryInZone(planned.delivery, zone, garden) };
}
