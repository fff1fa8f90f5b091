import { CATALOGUE } from '../../plants/catalogue/index.ts';
import type { CropEntry } from '../../plants/types.ts';
import { OutOfRange, positive, within } from '../../units/guard.ts';
import { referenceEt } from '../../weather/referenceEt.ts';
import type { Site, WeatherDay } from '../../weather/types.ts';

/**
 * What a woody plant uses in full leaf as a share of reference demand, by the standard's classes of moist and of dry places.
 * Source: ANSI/ASABE S623 (from memory); the middle of the two for a kind that nobody can name (judgement).
 */
const MOIST = 0.7;
const UNKNOWN = 0.6;
const DRY = 0.5;
/** Words people have where they do not know the kind. */
const BROAD: Readonly<Record<string, number>> = {
  unknown: UNKNOWN,
  tree: UNKNOWN,
  shrub: UNKNOWN,
  hedge: UNKNOWN,
  deciduous: UNKNOWN,
  evergreen: UNKNOWN,
  'fruit tree': MOIST,
  'dry-summer': DRY,
};
const SOIL_SHARE = 0.05;

/** Kinds at home where summers are dry. Common practice; fruit trees by name. */
const DRY_SUMMER: ReadonlySet<string> = new Set(['olive', 'fig', 'almond', 'pomegranate']);

/**
 * The landscape plant factor of a plant of the catalogue, 0.2–1. Fruit trees stand in the standard's moist class, those of dry summers
 * in its dry one: FAO-56's coefficients are of an orchard's whole floor, not of one crown.
 */
export function plantFactorOf(crop: CropEntry): number {
  if (crop.kc.source === 'ANSI/ASABE S623') return crop.kcb.mid + SOIL_SHARE;
  if (DRY_SUMMER.has(crop.id)) return DRY;
  return Math.min(MOIST, crop.kc.mid);
}

/**
 * What a tree may lose on a day, in full leaf: for urgency, never a dose.
 * @param tree spread of the branches m, 0–40; its plant factor 0.1–1.2, or its kind (a plant of the catalogue, or `unknown`)
 * @param day its weather; `site` where it stands
 * @returns litres, the plant factor taken, and reference demand mm
 * @throws RangeError on an impossible spread, factor, kind or weather
 * Source: ANSI/ASABE S623 (ET0 × plant factor × ground under the leaves); reference demand by FAO-56.
 */
export function treeDemand(
  tree: { canopyDiameterM: number; plantFactor?: number; kind?: string },
  day: WeatherDay,
  site: Site,
): { litres: number; plantFactor: number; et0Mm: number } {
  const across = positive('canopyDiameterM', tree.canopyDiameterM, 40, 'm');
  const plantFactor = within(
    'plantFactor',
    tree.plantFactor ?? factorOfKind(tree.kind ?? 'unknown'),
    0.1,
    1.2,
  );
  const et0Mm = referenceEt(day, site).mm;
  return { litres: et0Mm * plantFactor * (Math.PI / 4) * across ** 2, plantFactor, et0Mm };
}

/** Kinds at home where summers are dry: their base expects to be dry in the hottest season. Common practice; ornamental trees by the standard's dry class. */
export const isDrySummer = (crop: CropEntry): boolean =>
  DRY_SUMMER.has(crop.id) || (crop.group === 'ornamental trees' && plantFactorOf(crop) <= DRY);

function factorOfKind(kind: string): number {
  const broad = Object.hasOwn(BROAD, kind) ? BROAD[kind] : undefined;
  if (broad !== undefined) return broad;
  const crop = CATALOGUE.find(({ id, name }) => id === kind || name.toLowerCase() === kind.toLowerCase());
  if (!crop)
    throw new OutOfRange('kind', `be a plant of the catalogue, or ${Object.keys(BROAD).join(', ')}`, kind);
  return plantFactorOf(crop);
}
