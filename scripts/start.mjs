/** `npm start`: your own garden. `-- --share` lets the devices of the home's network in that are given a code. */
import { serve } from './serve.mjs';

await serve(process.argv.slice(2));
