import { OutOfRange } from '../units/guard.ts';
import { soilFromFractions, type SoilFromFractions } from './soilFromFractions.ts';
import type { TextureClass } from './textureClass.ts';

/** What a texture class stands for when only its name is known. */
export interface TextureFacts {
  /** Typical shares, % by weight. Source: Saxton & Rawls 2006 table 3 (from memory). */
  sandPct: number;
  clayPct: number;
  /** Water the top 100 mm loses at the full rate, mm. Source: FAO-56 table 19, middle of the range. */
  readilyEvaporableMm: number;
  /** The table's ranges for field capacity and wilting point, m³/m³: the sanity band. FAO-56 table 19. */
  fieldCapacityBand: readonly [number, number];
  wiltingPointBand: readonly [number, number];
  /** Steady intake of bare, level, uncompacted ground, mm/h. Common practice, middle of the usual range. */
  basicInfiltrationMmPerHour: number;
  /** How the moist soil feels: one sentence a gardener can test in the hand. Common practice. */
  feel: string;
}

/** FAO-56 table 19 has no rows for three classes; they borrow the nearest row, which the comment names. */
export const TEXTURES: Readonly<Record<TextureClass, TextureFacts>> = {
  sand: {
    sandPct: 88,
    clayPct: 5,
    readilyEvaporableMm: 4.5,
    fieldCapacityBand: [0.07, 0.17],
    wiltingPointBand: [0.02, 0.07],
    basicInfiltrationMmPerHour: 30,
    feel: 'Gritty, runs through the fingers, will not hold a shape.',
  },
  'loamy sand': {
    sandPct: 80,
    clayPct: 5,
    readilyEvaporableMm: 6,
    fieldCapacityBand: [0.11, 0.19],
    wiltingPointBand: [0.03, 0.1],
    basicInfiltrationMmPerHour: 25,
    feel: 'Gritty, makes a ball that falls apart at a touch.',
  },
  'sandy loam': {
    sandPct: 65,
    clayPct: 10,
    readilyEvaporableMm: 8,
    fieldCapacityBand: [0.18, 0.28],
    wiltingPointBand: [0.06, 0.16],
    basicInfiltrationMmPerHour: 20,
    feel: 'Gritty but holds a ball; a ribbon breaks at once.',
  },
  loam: {
    sandPct: 40,
    clayPct: 20,
    readilyEvaporableMm: 9,
    fieldCapacityBand: [0.2, 0.3],
    wiltingPointBand: [0.07, 0.17],
    basicInfiltrationMmPerHour: 13,
    feel: 'Neither gritty nor sticky; the ball holds, the ribbon stays short.',
  },
  'silt loam': {
    sandPct: 20,
    clayPct: 15,
    readilyEvaporableMm: 9.5,
    fieldCapacityBand: [0.22, 0.36],
    wiltingPointBand: [0.09, 0.21],
    basicInfiltrationMmPerHour: 10,
    feel: 'Smooth as flour; a short ribbon with a torn edge.',
  },
  silt: {
    sandPct: 10,
    clayPct: 5,
    readilyEvaporableMm: 9.5,
    fieldCapacityBand: [0.28, 0.36],
    wiltingPointBand: [0.12, 0.22],
    basicInfiltrationMmPerHour: 10,
    feel: 'Silky all through, hardly any grit, no stick.',
  },
  // Borrowed from the loam row.
  'sandy clay loam': {
    sandPct: 60,
    clayPct: 25,
    readilyEvaporableMm: 9,
    fieldCapacityBand: [0.2, 0.3],
    wiltingPointBand: [0.07, 0.17],
    basicInfiltrationMmPerHour: 10,
    feel: 'Gritty and sticky together; a ribbon of 25–50 mm.',
  },
  // Borrowed from the silt clay loam row.
  'clay loam': {
    sandPct: 30,
    clayPct: 35,
    readilyEvaporableMm: 9.5,
    fieldCapacityBand: [0.3, 0.37],
    wiltingPointBand: [0.17, 0.24],
    basicInfiltrationMmPerHour: 8,
    feel: 'Sticky, a little gritty; a ribbon of 25–50 mm.',
  },
  'silty clay loam': {
    sandPct: 10,
    clayPct: 35,
    readilyEvaporableMm: 9.5,
    fieldCapacityBand: [0.3, 0.37],
    wiltingPointBand: [0.17, 0.24],
    basicInfiltrationMmPerHour: 7,
    feel: 'Smooth and sticky; a ribbon of 25–50 mm.',
  },
  // Borrowed from the clay row.
  'sandy clay': {
    sandPct: 50,
    clayPct: 40,
    readilyEvaporableMm: 10,
    fieldCapacityBand: [0.32, 0.4],
    wiltingPointBand: [0.2, 0.24],
    basicInfiltrationMmPerHour: 5,
    feel: 'Very sticky with grit in it; a ribbon over 50 mm.',
  },
  'silty clay': {
    sandPct: 10,
    clayPct: 45,
    readilyEvaporableMm: 10,
    fieldCapacityBand: [0.3, 0.42],
    wiltingPointBand: [0.17, 0.29],
    basicInfiltrationMmPerHour: 4,
    feel: 'Very sticky and smooth; a ribbon over 50 mm.',
  },
  clay: {
    sandPct: 25,
    clayPct: 50,
    readilyEvaporableMm: 10,
    fieldCapacityBand: [0.32, 0.4],
    wiltingPointBand: [0.2, 0.24],
    basicInfiltrationMmPerHour: 3,
    feel: 'Heavy and sticky; a long shiny ribbon that bends without breaking.',
  },
};

/** Soil water of a texture class at its typical shares. Source: as `soilFromFractions`. */
export function soilOfClass(
  textureClass: TextureClass,
  organicMatterPct?: number,
  more: { fieldCapacityKPa?: number; densityFactor?: number } = {},
): SoilFromFractions {
  const facts = TEXTURES[textureClass];
  if (!facts) {
    throw new OutOfRange('textureClass', `be one of ${Object.keys(TEXTURES).join(', ')}`, textureClass);
  }
  return {
    ...soilFromFractions({ sandPct: facts.sandPct, clayPct: facts.clayPct, organicMatterPct, ...more }),
    textureClass,
  };
}
