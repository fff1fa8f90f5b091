import type { CropEntry } from './types.ts';
import type { IsoDate } from '../units/dates.ts';

/** Months of rest (1–12) in the north, and what is drunk in them of what is drunk in growth. */
interface Rest {
  months: readonly number[];
  drinks: number;
}
const WINTER = [11, 12, 1, 2] as const;
const MIDSUMMER = [6, 7, 8] as const;

/** Common practice: cacti and succulents rest in winter and then want next to nothing; the shares are judgements. */
const BY_GROUP: Partial<Record<CropEntry['group'], Rest>> = {
  'cacti and succulents': { months: WINTER, drinks: 0.08 },
  houseplants: { months: WINTER, drinks: 0.6 },
};
/** Kinds that keep another calendar: those that grow in the cool of the year and idle in its heat. */
const EXCEPTIONS: Readonly<Record<string, Rest>> = {
  aloe: { months: [12, 1], drinks: 0.25 },
  echeveria: { months: MIDSUMMER, drinks: 0.5 },
};

export const restOf = (crop: CropEntry): Rest | undefined => EXCEPTIONS[crop.id] ?? BY_GROUP[crop.group];

/** What a plant drinks at this time of year, of what it drinks in growth, 0–1; 1 for what does not rest. */
export function seasonShare(crop: CropEntry, date: IsoDate, latitudeDeg: number): number {
  return isResting(crop, date, latitudeDeg) ? (restOf(crop)?.drinks ?? 1) : 1;
}

export function isResting(crop: CropEntry, date: IsoDate, latitudeDeg: number): boolean {
  const month = Number(date.slice(5, 7));
  const there = latitudeDeg < 0 ? ((month + 5) % 12) + 1 : month;
  return restOf(crop)?.months.includes(there) ?? false;
}

/** Plants that open their pores at night: their water goes then, and they are watered from dusk. */
export const drinksAtNight = ({ group }: CropEntry): boolean => group === 'cacti and succulents';
