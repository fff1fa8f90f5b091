import type { GroundInput } from '../../soil/soilProfile.ts';

export const BED_FORMS = ['flat', 'raised', 'basin'] as const;
export type BedForm = (typeof BED_FORMS)[number];

interface FormFacts {
  /**
   * Water that stands on it before any runs off, mm: rough soil holds a little in its hollows, the boards of a raised bed a
   * little more, a basin all that falls on it. Judgement; hollows of 2–10 mm are common practice.
   */
  standsMm: number;
  /** Times the demand of level ground: what stands up into the wind and sun dries by its sides too. Judgement. */
  demandFactor: number;
  /** Top of it that was filled in loose and is never trodden on, mm: it holds more air and lets water go faster. Judgement. */
  looseMm: number;
}

export const FORM_FACTS: Readonly<Record<BedForm, FormFacts>> = {
  flat: { standsMm: 5, demandFactor: 1, looseMm: 0 },
  raised: { standsMm: 10, demandFactor: 1.1, looseMm: 300 },
  basin: { standsMm: Number.POSITIVE_INFINITY, demandFactor: 1, looseMm: 0 },
};

/** The loosest that the equations for density know. Source: Saxton & Rawls 2006, density factor 0.9–1.3. */
const LOOSE = 0.9;

/** The ground of a bed of a form: the top of a raised one lies loose, unless it was told how it lies. */
export function groundOfForm(ground: GroundInput, form: BedForm): GroundInput {
  const { looseMm } = FORM_FACTS[form];
  if (looseMm === 0) return ground;
  const horizons: GroundInput['horizons'] = [];
  let top = 0;
  ground.horizons.forEach((horizon, h) => {
    const last = h === ground.horizons.length - 1;
    const bottom = last ? Number.POSITIVE_INFINITY : top + (horizon.thicknessMm ?? Number.POSITIVE_INFINITY);
    const loose = Math.min(looseMm, bottom) - top;
    if (loose > 0) horizons.push({ densityFactor: LOOSE, ...horizon, thicknessMm: loose });
    if (bottom > looseMm) {
      const left = bottom - Math.max(top, looseMm);
      horizons.push({ ...horizon, thicknessMm: Number.isFinite(left) ? left : undefined });
    }
    top = bottom;
  });
  return { ...ground, horizons };
}

/** A day's rain falls within so many hours: what the ground cannot take in them stands on it. Judgement. */
export const RAIN_HOURS = 6;
/** More than it brings in those hours falls over a longer time, mm an hour: days of great rain are long ones. Judgement. */
export const LONG_RAIN_MM_PER_HOUR = 6;
