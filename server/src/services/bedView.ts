import type { BedView, FindingView, PlantingView } from '@kibble/contract';
import { CATALOGUE, cropById, ownCrop, standingOn, type CropEntry, type OwnCropWords } from '@kibble/core';
import type { Bed, EntryRow, Ground, OwnCrop, Planting } from '../db/models.ts';
import type { SetAside } from './entryView.ts';
import { settingNow, settingsToView } from './settings.ts';

/** A plant of the gardener's own as the catalogue would have it. */
export const ownCropEntry = (row: OwnCrop): CropEntry =>
  ownCrop(`own-${row.id}`, cropById(row.likeId), JSON.parse(row.words) as OwnCropWords);

/** The garden's own plants; one that cannot be read is set aside. */
export function ownCropEntries(rows: readonly OwnCrop[], setAside: SetAside[]): CropEntry[] {
  return rows.flatMap((row) => {
    try {
      return [ownCropEntry(row)];
    } catch (error) {
      setAside.push({
        what: 'a plant of your own',
        id: row.id,
        why: error instanceof Error ? error.message : 'its text is not understood',
      });
      return [];
    }
  });
}

/** A plant's name; one that is in no list any more keeps the word it was stored under. */
function cropName(cropId: string, custom: CropEntry | undefined): string {
  return custom?.name ?? CATALOGUE.find((crop) => crop.id === cropId)?.name ?? `unknown plant “${cropId}”`;
}

export function bedToView(of: {
  bed: Bed;
  ground: Ground | undefined;
  plantings: readonly Planting[];
  settings: readonly EntryRow[];
  /** What was found out about it, once it is known from which taps it ever drew. */
  findings: (tapIds: readonly number[]) => FindingView[];
  ownCrops: readonly CropEntry[];
  setAside: SetAside[];
  today: string;
}): BedView {
  const { bed, ground, today } = of;
  const settings = settingsToView(of.settings, bed.startOn, of.setAside);
  const findings = of.findings(
    settings.flatMap(({ setting }) =>
      setting.kind === 'tap' && setting.value !== null ? [setting.value] : [],
    ),
  );
  const plantings = of.plantings.map((p): PlantingView => {
    const custom = of.ownCrops.find((c) => c.id === p.cropId);
    return {
      id: p.id,
      cropId: p.cropId,
      version: p.version,
      cropName: cropName(p.cropId, custom),
      custom,
      plantedOn: p.plantedOn,
      endedOn: p.endedOn,
      method: (p.method ?? undefined) as PlantingView['method'],
      share: p.share,
      school: (p.school ?? null) as PlantingView['school'],
      schoolSince: p.schoolSince ?? null,
      seen: findings.flatMap(({ on, input }) =>
        input.kind === 'stage' && input.plantingId === p.id ? [{ stage: input.stage, on }] : [],
      ),
    };
  });
  const now = <K extends Parameters<typeof settingNow>[1]>(kind: K) => settingNow(settings, kind, today);
  const mulched = now('mulched');
  const laid = settings.findLast(({ setting, from }) => setting.kind === 'mulched' && from <= today);
  return {
    id: bed.id,
    kind: bed.kind,
    version: bed.version,
    gardenId: bed.gardenId,
    name: bed.name,
    areaM2: now('area'),
    textureClass: (ground?.textureClass ?? 'loam') as BedView['textureClass'],
    subsoilClass: (ground?.subsoilClass ?? null) as BedView['subsoilClass'],
    form: now('form'),
    underCover: now('cover'),
    mulchMaterial: mulched?.material ?? null,
    mulchMm: mulched?.depthMm ?? null,
    mulchLaidOn: mulched ? (mulched.laidOn ?? laid?.from ?? bed.startOn) : null,
    startOn: bed.startOn,
    startWetness: bed.startWetness as BedView['startWetness'],
    wetnessOn: bed.wetnessOn ?? null,
    place: bed.place ?? null,
    goal: now('goal'),
    rank: (bed.rank ?? null) as BedView['rank'],
    shadeCloth: now('shade'),
    lengthM: bed.lengthM ?? null,
    widthM: bed.widthM ?? null,
    notes: bed.notes,
    archived: Boolean(bed.archivedAt),
    groundId: bed.groundId,
    tapId: now('tap'),
    settings,
    findings,
    planting: standingOn(plantings, today) ?? plantings.at(-1) ?? null,
    plantings,
    delivery: now('watered'),
  };
}
