import { addDays, type IsoDate } from '../units/dates.ts';
import { plantOnDay, stageDates } from './plantOnDay.ts';
import type { PlantingInput, StageName } from './types.ts';

/** A stage of a planting as its calendar stands today, and what it changes. */
export interface StageStep {
  stage: StageName;
  from: IsoDate;
  /** Basal coefficient when the stage begins: what the plants drink as a share of short grass. */
  kcb: number;
  rootDepthMm: number;
  heightM: number;
  /** Where the date comes from. */
  by: 'calendar' | 'seen';
}

/** The stages of a planting with their dates and figures. Source: as `plantOnDay` and `stageDates`. */
export function stageStrip(planting: PlantingInput, today: IsoDate): StageStep[] {
  return stageDates(planting, today).map(({ stage, from }) => {
    // A stage begun before planting (a transplant's first weeks) is read on the day of planting.
    const on = from < planting.plantedOn ? planting.plantedOn : from;
    const plant = plantOnDay({ ...planting, endedOn: undefined }, on) ?? plantOnDay(planting, addDays(on, 1));
    return {
      stage,
      from,
      kcb: plant?.kcb ?? 0,
      rootDepthMm: plant?.rootDepthMm ?? 0,
      heightM: plant?.heightM ?? 0,
      by: planting.seen?.some((s) => s.stage === stage && s.on === from) ? 'seen' : 'calendar',
    };
  });
}
