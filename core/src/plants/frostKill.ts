import type { IsoDate } from '../units/dates.ts';
import { cropOf } from './plantOnDay.ts';
import type { CropEntry, FrostClass, PlantingInput } from './types.ts';

/** Night minimum at which an annual dies, °C at the height of a weather station. Judgement; the order is common practice. */
const KILLS_C: Readonly<Record<FrostClass, number>> = {
  tender: -1,
  'half-hardy': -4,
  hardy: Number.NEGATIVE_INFINITY,
};
/** What glass or plastic keeps off, °C. Judgement. */
export const COVER_C = 3;

/** A tender evergreen in a pot, citrus or a houseplant, stands more than an annual and then dies too, °C. Judgement. */
const KILLS_EVERGREEN_C = -5;
const killsC = ({ cycle, frost }: CropEntry): number | null => {
  if (cycle === 'annual') return KILLS_C[frost];
  return cycle === 'evergreen' && frost === 'tender' ? KILLS_EVERGREEN_C : null;
};

/** A night as it was. */
export interface Night {
  date: IsoDate;
  tMinC: number;
}

/** Frosty nights alone, oldest first: what plantings are held against. */
export const frostyNights = (nights: readonly Night[]): Night[] =>
  nights.filter(({ tMinC }) => tMinC <= KILLS_C.tender);

/**
 * Plantings with the day on which frost killed them. What lives on for years comes again, but for tender evergreens in pots; what
 * the gardener saw alive afterwards lives.
 * @param frosts as `frostyNights` gives them
 */
export function withFrostKills(
  plantings: readonly PlantingInput[],
  frosts: readonly Night[],
  { underCover = false, inPotSince }: { underCover?: boolean; inPotSince?: IsoDate },
): PlantingInput[] {
  return plantings.map((planting) => {
    const crop = cropOf(planting);
    const kills = killsC(crop);
    if (kills === null) return planting;
    // In the ground an evergreen is not given up, nor one that stood in its pot when that was put on record.
    const from = crop.cycle === 'annual' ? planting.plantedOn : inPotSince;
    if (from === undefined) return planting;
    const limit = kills - (underCover ? COVER_C : 0);
    const seen = planting.seen?.reduce((last, { on }) => (on > last ? on : last), '') ?? '';
    const killed = frosts.find(
      ({ date, tMinC }) => tMinC <= limit && date > from && date > planting.plantedOn && date >= seen,
    );
    return killed ? { ...planting, killedOn: killed.date } : planting;
  });
}
