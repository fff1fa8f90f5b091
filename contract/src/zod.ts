import { z } from 'zod';

// Pages forbid what is written at run time (CSP), and to be refused it costs a slow phone a tenth of a second.
if ('document' in globalThis) z.config({ jitless: true });

export { z };
