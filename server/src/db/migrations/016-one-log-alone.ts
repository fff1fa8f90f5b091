import type { SchemaSteps } from '../schemaSteps.ts';

/** What was written down lies in the one log; the tables it came from go. A dated copy of the file was laid aside before. */
export async function up(steps: SchemaSteps): Promise<void> {
  for (const table of ['log_before', 'events', 'pot_entries', 'said_days', 'alert_ticks'])
    await steps.sql(`DROP TABLE IF EXISTS ${table}`);
}
