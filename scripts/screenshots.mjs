/** `npm run screenshots`: one picture of each main view of the demo garden, into docs/screenshots. */
import { buildServer } from './buildServer.mjs';
import { buildWeb, prepare, run } from './prepare.mjs';

prepare();
buildWeb();
await buildServer();
process.exit(run('npx', ['playwright', 'test', '-c', 'e2e/screenshots.config.ts']) ? 0 : 1);
