import { METHOD_FACTS } from '../delivery/methods.ts';
import type { Delivery } from '../delivery/runPlan.ts';
import { isGerminating } from '../plants/emergence.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { stands } from '../plants/standing.ts';
import type { PlantingInput } from '../plants/types.ts';
import type { Earlier } from '../places/place.ts';
import type { BedInput } from '../places/ground/bedModel.ts';
import type { IsoDate } from '../units/dates.ts';

/** Strip of ground that is sprinkled along a row of seed, mm, and rows that lie so far apart that the ground between them is left dry. Judgements; that only the rows are watered until seed is up is common practice. */
export const SEED_STRIP_MM = 150;
const LEAST_APART_MM = 250;

/** Share of a bed that is watered by hand while its seed comes up in rows, and since when; null where all of it is. */
export function seedRows(
  plantings: readonly PlantingInput[],
  { method, wettedFraction }: Delivery,
  today: IsoDate,
): { from: IsoDate; share: number } | null {
  if (!METHOD_FACTS[method].byHand || wettedFraction !== undefined) return null;
  const standing = plantings.filter((planting) => stands(planting, today));
  const [sown] = standing;
  if (!sown || standing.length > 1 || !isGerminating(sown, today)) return null;
  const { betweenRowsMm } = cropOf(sown).spacing;
  return betweenRowsMm < LEAST_APART_MM
    ? null
    : { from: sown.plantedOn, share: SEED_STRIP_MM / betweenRowsMm };
}

/** One stretch of a bed as the plan takes it, from a day on. */
interface Span {
  from: IsoDate;
  bed: BedInput;
  delivery: Delivery;
}

/** Stretches of a bed with only its rows watered since its sowing: litres that were given to the rows count where they fell. */
export function rowsWatered(spans: readonly Span[], rows: ReturnType<typeof seedRows>): Span[] {
  if (!rows) return [...spans];
  const { from, share } = rows;
  return spans.flatMap((span, i) => {
    const until = spans[i + 1]?.from;
    if (until !== undefined && until <= from) return [span];
    const onRows = { ...span, delivery: { ...span.delivery, wettedFraction: share } };
    return span.from >= from ? [onRows] : [span, { ...onRows, from }];
  });
}

/** The stretches before the last one, each up to and without the day on which the next began. */
export const earlierOf = (spans: readonly Span[]): Earlier<BedInput>[] =>
  spans.slice(1).flatMap(({ from }, i) => {
    const was = spans[i];
    return was ? [{ until: from, bed: was.bed, delivery: was.delivery }] : [];
  });
