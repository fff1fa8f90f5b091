import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import type { PlantingInput, StageName } from '../plants/types.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { schoolOf, type SchoolId } from './schools.ts';

/** Ways of watering that let plants go thirsty. */
const THIRSTY: ReadonlySet<SchoolId> = new Set(['hold to the first wilt', 'dry-grown']);
/** Legumes lose flowers and pods from here on. */
const FLOWERING: ReadonlySet<StageName> = new Set(['in full leaf', 'ripening']);
const YEAR = 365;

/**
 * Why a planting may not be watered by a way today, in words; null where it may.
 * Source: common practice: leafy crops, legumes in flower and fresh bare-root plants are never held to wilting.
 */
export function mayNotTake(id: SchoolId, planting: PlantingInput, today: IsoDate): string | null {
  const crop = cropOf(planting);
  if (!schoolOf(id).suits(crop))
    return THIRSTY.has(id)
      ? `${crop.name} runs to seed or turns tough when it goes dry`
      : `it does not suit ${crop.name}`;
  if (!THIRSTY.has(id)) return null;
  const stage = plantOnDay(planting, today)?.stage;
  if (crop.toughening === 'legume' && stage && FLOWERING.has(stage))
    return `${crop.name} drops its flowers and pods when it goes dry`;
  if (planting.method === 'bare-root' && daysBetween(planting.plantedOn, today) < YEAR)
    return `${crop.name} came with bare roots and has none to spare in its first year`;
  return null;
}
