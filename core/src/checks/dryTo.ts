/** Dryness down to here means water, where roots are deeper, mm. Common practice: dry in the top 75–100 mm. */
export const DRY_TO_MM = 75;
