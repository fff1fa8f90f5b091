import type { BedBody } from '@kibble/contract';
import {
  fillHorizon,
  addDays,
  completeWeather,
  groundByLately,
  LOOKED_BACK_DAYS,
  USUAL_TOPSOIL_MM,
  type CropEntry,
  type PlanBed,
  type Site,
  type SourcedDay,
} from '@kibble/core';
import type { Garden } from '../db/models.ts';
import { ownCropOf } from './ownCrops.ts';
import { gardenWeather, siteOf } from './weather.ts';

/** A bed that is told in full, as the core takes it. */
export function bedInputOf(bed: BedBody, latitudeDeg: number, custom?: CropEntry): PlanBed['bed'] {
  const { planting, mulchMaterial, mulchMm, underCover } = bed;
  const horizons = [
    ...(bed.fill ? [fillHorizon(bed.fill)] : []),
    { textureClass: bed.textureClass, ...(bed.subsoilClass ? { thicknessMm: USUAL_TOPSOIL_MM } : {}) },
    ...(bed.subsoilClass ? [{ textureClass: bed.subsoilClass }] : []),
  ];
  return {
    areaM2: bed.areaM2,
    ground: { horizons },
    form: bed.form,
    place: { underCover },
    mulch: mulchMaterial && mulchMm ? { material: mulchMaterial, depthMm: mulchMm } : undefined,
    plantings: planting
      ? [{ cropId: planting.cropId, plantedOn: planting.plantedOn, latitudeDeg, custom }]
      : [],
  };
}

const asksForIt = ({ lately, startWetness }: BedBody): boolean =>
  Boolean(lately) && startWetness === 'not known';

/** A bed whose ground nobody looked at, as what is remembered of the last month makes it most likely. */
function likely(
  bed: BedBody,
  weather: readonly SourcedDay[],
  site: Site,
  today: string,
  own?: CropEntry,
): BedBody {
  if (!bed.lately || !asksForIt(bed)) return bed;
  const input = bedInputOf(bed, site.latitudeDeg, own);
  // What is to come there draws no water yet.
  const plantings = input.plantings.filter(({ plantedOn }) => plantedOn <= today);
  const { word } = groundByLately({ ...input, plantings }, weather, bed.lately, { site, today });
  return { ...bed, startWetness: word, wetnessOn: today };
}

/** The same for a garden that has no record yet: the days were as they usually are there. */
export function wetnessByLately(bed: BedBody, site: Site, today: string): BedBody {
  if (!asksForIt(bed)) return bed;
  const from = addDays(today, -LOOKED_BACK_DAYS);
  return likely(
    bed,
    completeWeather({ record: [], forecast: [], site, from, to: today, today }),
    site,
    today,
  );
}

/** The same for beds of a garden that may have measured some of these days.. */
export async function wetnessByRecord(
  garden: Garden,
  beds: readonly BedBody[],
  today: string,
): Promise<BedBody[]> {
  if (!beds.some(asksForIt)) return [...beds];
  const weather = await gardenWeather(garden, today, addDays(today, -LOOKED_BACK_DAYS), 1);
  const site = siteOf(garden);
  // Beds that differ in nothing but their name, place and size are alike.
  const alike = new Map<string, BedBody>();
  const told: BedBody[] = [];
  for (const bed of beds) {
    const own = bed.planting ? await ownCropOf(garden.id, bed.planting.cropId) : undefined;
    const key = JSON.stringify({
      ...bedInputOf(bed, site.latitudeDeg, own),
      areaM2: 1,
      asked: asksForIt(bed),
    });
    const made = alike.get(key) ?? likely(bed, weather, site, today, own);
    alike.set(key, made);
    told.push({ ...bed, startWetness: made.startWetness, wetnessOn: made.wetnessOn });
  }
  return told;
}
