import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { serialize } from 'node:v8';
import { build } from 'esbuild';
import { Garden } from '../../server/src/db/models.ts';
import { wallClock } from '../../server/src/services/clock.ts';
import { gardenFacts } from '../../server/src/planner/gardenFacts.ts';
import type { DemoPlanMs } from './demoPlanRun.ts';
import { withDemo } from './demoServer.ts';

/** What the demo garden's plan takes, by itself as one file. */
export const demoPlanMs = (): Promise<DemoPlanMs> =>
  withDemo(async () => {
    const garden = await Garden.findOne({ where: { isDemo: true }, rejectOnEmpty: true });
    const facts = await gardenFacts(garden, wallClock);
    const dir = mkdtempSync(join(tmpdir(), 'kibble-bench-plan-'));
    try {
      const [program, stored] = [join(dir, 'plan.mjs'), join(dir, 'facts')];
      writeFileSync(stored, serialize(facts));
      await build({
        entryPoints: [fileURLToPath(new URL('./demoPlanRun.ts', import.meta.url))],
        outfile: program,
        bundle: true,
        platform: 'node',
        format: 'esm',
        target: 'node20',
        logLevel: 'silent',
      });
      return JSON.parse(
        execFileSync(process.execPath, [program, stored], { encoding: 'utf8' }),
      ) as DemoPlanMs;
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  });
