/**
 * Pulls the plug on a running Kibble in every phase, again and again: nothing acknowledged may be lost, nothing half
 * there, and it always opens again; then once in every kind of writing. Then fills its disk.
 * node --import tsx server/tests/torture/run.ts [--kills 100] [--seed 1]
 */
import { everyWriteKilled } from './everyWrite.ts';
import { fullDisk } from './full.ts';
import {
  firstStartKilled,
  gaugeKilled,
  importKilled,
  migrationKilled,
  restoreKilled,
  wateringsKilled,
  type Kill,
} from './kills.ts';
import { archiveKilled, outboxKilled, potsKilled, sharingKilled, treesKilled } from './moreKills.ts';

const argument = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};

/** Which phases, and the share of the kills each takes. */
const PHASES: readonly [string, () => Promise<Kill>, number][] = [
  ['waterings', wateringsKilled, 0.14],
  ['gauge', gaugeKilled, 0.08],
  ['outbox', outboxKilled, 0.12],
  ['pots', potsKilled, 0.1],
  ['trees', treesKilled, 0.1],
  ['sharing', sharingKilled, 0.1],
  ['import', importKilled, 0.08],
  ['archive', archiveKilled, 0.08],
  ['migration', migrationKilled, 0.06],
  ['first start', firstStartKilled, 0.06],
  ['restore', restoreKilled, 0.08],
];

const kills = argument('kills', 100);
/** Moments spread evenly over the phase, in an order that jumps about: no chance, so a failure comes again. */
const moment = (i: number): number => (i * 0.618_033_988_75 + argument('seed', 1) * 0.137) % 1;

let pulled = 0;
try {
  for (const [name, phase, share] of PHASES) {
    const kill = await phase();
    const times = Math.max(1, Math.round(kills * share));
    for (let i = 0; i < times; i += 1) {
      try {
        await kill(moment(i));
      } catch (error) {
        throw new Error(`${name}, kill ${i + 1} at ${moment(i).toFixed(3)}: ${(error as Error).message}`, {
          cause: error,
        });
      }
    }
    pulled += times;
    console.log(`${name}: plug pulled ${times} times, everything whole`);
  }
  const kinds = await everyWriteKilled(moment);
  pulled += kinds;
  console.log(
    `every kind of writing: plug pulled in ${kinds}, each whole or not at all, and once when sent again`,
  );
  console.log(await fullDisk());
  console.log(`${pulled} kills: nothing acknowledged lost, nothing half there, always opened again`);
  process.exit(0);
} catch (error) {
  console.error((error as Error).message);
  process.exit(1);
}
