/** `npm run demo`: the demo garden, everything included. `-- --reset` starts it afresh. */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';
import { serve } from './serve.mjs';

if (process.argv.includes('--reset')) {
  rmSync(process.env.KIBBLE_DATA ?? join(root, 'data', 'demo'), { recursive: true, force: true });
}
serve(['--demo']);
