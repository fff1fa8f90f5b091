import { createHash } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import { literal, Op } from 'sequelize';
import { Act, type Garden } from '../db/models.ts';
import { writerOf } from '../db/writer.ts';
import { asDone } from '../db/acting.ts';
import { Refusal } from '../errors.ts';
import { enteredOn } from './enteredOn.ts';
import { KEY } from './signature.ts';
import { sendJson } from './sendView.ts';
import type { Touched } from '../planner/planStore.ts';
import { Unplannable, isPlannable } from '../planner/dryRun.ts';
import type { Services } from './services.ts';

/** What a change answers; 200 when nothing else is said. */
export interface Answer {
  status?: number;
  body: unknown;
  /** What of the plans it touched; left out, everything is taken to be. */
  touched?: Touched;
  /** Called once it is written. */
  after?: () => void;
  /** The garden of whose round the answer tells what became another. */
  roundOf?: Garden;
}

/** How long an act is remembered: longer than any page or outbox tries again, days. Judgement. */
const REMEMBERED_DAYS = 60;
/** A long answer (a whole garden after a step of its clock) is remembered for an hour only, so that the file stays small. */
const LONG_LETTERS = 5000;
const LONG_REMEMBERED_MS = 3_600_000;

function keyOf(req: Request): string | null {
  const key = req.get('Idempotency-Key');
  if (key === undefined) return null;
  if (!KEY.test(key))
    throw new Refusal(
      'invalid',
      `Idempotency-Key must be 8 to 80 letters, figures, - or _; got "${key.slice(0, 80)}"`,
      'Idempotency-Key',
    );
  return key;
}

const whatOf = (req: Request): string =>
  `${req.method} ${req.path} ${createHash('sha256')
    .update(JSON.stringify(req.body ?? null))
    .digest('hex')}`;

/** What became another in a round; a round that cannot be told takes nothing from what was written down. */
async function changedIn(plans: Services['plans'], garden: Garden, log: Services['log']): Promise<string> {
  try {
    return await plans.view(garden, 'changed', {});
  } catch (error) {
    log.error({ err: error, garden: garden.id }, 'what changed in the round could not be told');
    return 'null';
  }
}

/** What a change needs of a plan, or from outside: asked for while nobody is kept from writing. */
type Before<Seen> = (req: Request) => Promise<Seen>;

/** A change that needs nothing but what is on record; see `actAfter`. */
export const act = (
  services: Services,
  handler: (req: Request, dryRunning: boolean) => Promise<Answer>,
): RequestHandler => actAfter(services, () => Promise.resolve(), handler);

/**
 * A change: done by the one writer, whole or not at all, and once for its key however often it is sent. What was
 * stored must leave its bed plannable; a bed that could not be planned before may be changed step by step.
 */
export function actAfter<Seen>(
  { sequelize, wall, log, plans, sharing }: Services,
  before: Before<Seen>,
  handler: (req: Request, dryRunning: boolean, seen: Seen) => Promise<Answer>,
): RequestHandler {
  const write = writerOf(sequelize);
  /** What was answered when this was sent before; null when it was not. */
  const answeredBefore = async (key: string, what: string): Promise<(Answer & { status: number }) | null> => {
    const done = await Act.findByPk(key);
    if (!done) return null;
    if (done.what !== what)
      throw new Refusal('conflict', 'This key was used for another act before.', 'Idempotency-Key');
    return { status: done.status, body: JSON.parse(done.answer) as unknown };
  };
  return async (req, res) => {
    const key = keyOf(req);
    const doing = enteredOn(req, wall.now(), sharing);
    const what = whatOf(req);
    const known = key === null ? null : await answeredBefore(key, what);
    if (known) {
      res.status(known.status).json(known.body);
      return;
    }
    const seen = await asDone(doing, () => before(req));
    const run = (dryRunning: boolean): Promise<Answer & { status: number; again: boolean }> =>
      write(async () => {
        // It may have been sent twice at once.
        const again = key === null ? null : await answeredBefore(key, what);
        if (again) return { ...again, again: true };
        const made = await asDone(doing, () => handler(req, dryRunning, seen));
        const { status = 200, body } = made;
        if (key !== null) {
          const at = wall.now();
          const answer = JSON.stringify(body);
          await Act.create({ key, what, status, answer, at });
          if (answer.length > LONG_LETTERS)
            await Act.destroy({
              where: {
                at: { [Op.lt]: new Date(at.getTime() - LONG_REMEMBERED_MS) },
                [Op.and]: literal(`length(answer) > ${LONG_LETTERS}`),
              },
            });
          await Act.destroy({
            where: { at: { [Op.lt]: new Date(at.getTime() - REMEMBERED_DAYS * 86_400_000) } },
          });
        }
        return { ...made, status, again: false };
      }, `${req.method} ${req.path}`);
    const answered = await run(true).catch(async (error: unknown) => {
      if (!(error instanceof Unplannable)) throw error;
      if (await isPlannable(error.bedId, wall, log)) throw error.refusal;
      return run(false);
    });
    const { status, body, touched, roundOf } = answered;
    if (!answered.again) {
      plans.touch(touched, req.get('Kibble-Page'));
      answered.after?.();
    }
    if (!roundOf || answered.again) {
      res.status(status).json(body);
      return;
    }
    const changed = await changedIn(plans, roundOf, log);
    const text = JSON.stringify(body);
    res.status(status);
    sendJson(res, `${text.slice(0, -1)},"changed":${changed}}`);
  };
}
