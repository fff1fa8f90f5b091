import type { SchemaSteps } from '../schemaSteps.ts';

/** Two ways of watering got plainer names. */
export async function up(steps: SchemaSteps): Promise<void> {
  for (const [before, after] of [
    ['two inches a fortnight', 'every second week'],
    ['three inches a month', 'once a month'],
  ] as const)
    await steps.sql(`UPDATE plantings SET school = '${after}' WHERE school = '${before}'`);
}
