import { givenWater, type EnteredWater, type GivenWater } from '../delivery/givenWater.ts';
import type { EntryBody } from '../entries/bodies.ts';
import type { IsoDate } from '../units/dates.ts';
import { periodOn } from '../readings/bedHistory.ts';
import { givenOf, historyOf, type TriedOnBed } from './history.ts';
import type { BedOnRecord, EventOnRecord } from './place.ts';

/** A watering, a skip or a gauge reading as it was entered. */
export interface EventEntry {
  id: number;
  gardenId: number;
  bedId: number | null;
  kind: EventOnRecord['kind'];
  on: IsoDate;
  /** When it was entered, UTC. */
  at: string;
  /** Null where what it says is not understood any more. */
  body: EntryBody | null;
  note: string | null;
  /** The device it was entered on. */
  by: string | null;
  clockWasAhead: boolean;
}

/** What happened, with what a watering came to as its day is known now. */
export interface Happened extends EventOnRecord {
  id: number;
  gardenId: number;
  at: string;
  /** What of a watering was entered; the rest follows from that. */
  told: 'litres' | 'minutes' | 'depth' | null;
  rainMm: number | null;
  note: string | null;
  by: string | null;
  clockWasAhead: boolean;
}

const enteredOf = ({ litres, minutes, depthMm }: EnteredWater): Happened['told'] =>
  depthMm !== null ? 'depth' : litres !== null ? 'litres' : minutes !== null ? 'minutes' : null;

/** What a watering came to; of a bed that cannot be computed, only what was entered of it. */
function givenSafely(
  bed: BedOnRecord,
  today: IsoDate,
  date: IsoDate,
  entered: EnteredWater,
): Partial<GivenWater> {
  try {
    return givenOf(bed, today, date, entered);
  } catch {
    return { litres: entered.litres ?? undefined, minutes: entered.minutes ?? undefined };
  }
}

/**
 * What happened on a bed, as it would be known if something were kept of it that is only tried: a flow that is measured today tells
 * what earlier minutes were worth. Source: as `givenWater`.
 */
export function happenedIfTried<E extends EventOnRecord & Pick<Happened, 'told'>>(
  bed: BedOnRecord,
  events: readonly E[],
  today: IsoDate,
  tried: TriedOnBed,
): E[] {
  const { periods } = historyOf(bed, today, tried);
  return events.map((event) => {
    const { told, litres, minutes, netMm, date } = event;
    if (event.bedId !== bed.id || event.kind !== 'watering' || told === null) return event;
    const { known } = periodOn(periods, date);
    const entered: EnteredWater = {
      litres: told === 'litres' ? litres : null,
      minutes: told === 'minutes' ? minutes : null,
      depthMm: told === 'depth' ? netMm : null,
    };
    return { ...event, ...givenWater(entered, known.areaM2, known.delivery) };
  });
}

const PLANNED = { yes: 'as planned', no: 'done differently' } as const;

/** What is shown as a watering's or a skip's reason. */
function reasonOf(body: EntryBody | null): string | null {
  if (body?.kind === 'skip') return body.reason ?? null;
  if (body?.kind !== 'watering') return null;
  if (body.asPlanned === undefined) return (body as { reason?: string }).reason ?? null;
  return body.asPlanned ? PLANNED.yes : PLANNED.no;
}

/**
 * What an entry came to on its bed: what was entered stands, what follows from it is worked out as its day is known now.
 * @param bed null where it is of none, or only what was entered is asked for
 * Source: as `givenWater`.
 */
export function happened(entry: EventEntry, bed: BedOnRecord | null, today: IsoDate): Happened {
  const { id, gardenId, bedId, kind, on, at, body, note, by, clockWasAhead } = entry;
  const water = body?.kind === 'watering' ? body : null;
  const entered: EnteredWater | null = water && {
    litres: water.litres ?? null,
    minutes: water.minutes ?? null,
    depthMm: water.depthMm ?? null,
  };
  const given = entered && bed ? givenSafely(bed, today, on, entered) : {};
  return {
    id,
    gardenId,
    bedId,
    kind,
    date: on,
    at,
    litres: given.litres ?? null,
    minutes: given.minutes ?? null,
    netMm: given.netMm ?? null,
    told: entered && enteredOf(entered),
    rainMm: body?.kind === 'rain' ? body.rainMm : null,
    reason: reasonOf(body),
    note,
    by,
    clockWasAhead,
  };
}
