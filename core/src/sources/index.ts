import { mains } from './mains.ts';
import { well } from './well.ts';

/** Every kind of source. A new one is its own file and a line here. */
export const SOURCE_KINDS = { mains, well } as const;
export type SourceKindId = keyof typeof SOURCE_KINDS;
