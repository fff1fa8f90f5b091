import type { CropEntry, StageName } from '../../plants/types.ts';
import type { IsoDate } from '../../units/dates.ts';
import { addDays } from '../../units/dates.ts';

/** Where a woody plant stands in its year, by which its water is reasoned. */
export type TreeSeason = 'leafing out' | 'making food' | 'autumn' | 'bare' | 'evergreen winter' | 'frozen';

/** Days past midsummer from which its days are autumn's, and winter's, and how long that lasts. Judgements. */
const AUTUMN_FROM_DAYS = 75;
const WINTER_FROM_DAYS = 135;
const WINTER_DAYS = 130;

/** Season of a woody plant. @param stage where it stands in its year; `frozen` when its ground is. Source: common practice. */
export function treeSeason(
  crop: Pick<CropEntry, 'cycle'>,
  stage: StageName | null,
  date: IsoDate,
  { frozen, latitudeDeg }: { frozen: boolean; latitudeDeg: number },
): TreeSeason {
  if (frozen) return 'frozen';
  if (crop.cycle === 'deciduous') {
    if (stage === 'past' || stage === null) return 'bare';
    if (stage === 'ripening') return 'autumn';
    return stage === 'in full leaf' ? 'making food' : 'leafing out';
  }
  const year = Number(date.slice(0, 4));
  const midsummer = (y: number): IsoDate => `${y}-${latitudeDeg < 0 ? '12' : '06'}-21`;
  const last = date >= midsummer(year) ? midsummer(year) : midsummer(year - 1);
  if (date < addDays(last, AUTUMN_FROM_DAYS)) return 'making food';
  if (date < addDays(last, WINTER_FROM_DAYS)) return 'autumn';
  return date < addDays(last, WINTER_FROM_DAYS + WINTER_DAYS) ? 'evergreen winter' : 'leafing out';
}
