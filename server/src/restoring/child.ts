import { Refusal } from '../errors.ts';
import { prepareRestore } from './prepare.ts';

/** What the process that checks a file says to the one that answers. */
export type FromChild =
  | { rows: number; of: number }
  | { done: true }
  | { refused: { code: Refusal['code']; message: string; field?: string } }
  | { fault: string };

/** Checks one file in a process of its own, which may be ended at any moment: `child.cjs BROUGHT TARGET`. */
const [brought = '', target = ''] = process.argv.slice(2);
const say = (message: FromChild): void => void process.send?.(message);
// Whoever asked is gone: nobody wants to know any more.
process.on('disconnect', () => process.exit(1));

prepareRestore(brought, target, (rows, of) => say({ rows, of })).then(
  () => say({ done: true }),
  (error: unknown) => {
    if (error instanceof Refusal)
      say({ refused: { code: error.code, message: error.message, field: error.facts.field } });
    else say({ fault: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  },
);
