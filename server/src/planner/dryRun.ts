import { FINDING_FACTS, knownBed } from '@kibble/core';
import type { Logger } from 'pino';
import { Bed } from '../db/models.ts';
import { Refusal } from '../errors.ts';
import { contextOf } from './context.ts';
import { placesOf } from './places.ts';
import type { WallClock } from '../services/clock.ts';
import { findGarden } from '../services/find.ts';
import { glanceFacts } from './gardenFacts.ts';

/** What was about to be stored would leave a bed that cannot be planned. */
export class Unplannable extends Error {
  readonly bedId: number;
  readonly refusal: Refusal;

  constructor(bedId: number, refusal: Refusal) {
    super(refusal.message);
    this.name = 'Unplannable';
    this.bedId = bedId;
    this.refusal = refusal;
  }
}

/** Why a bed as it stands cannot be planned; null when it can, or has nothing to plan. */
async function faultOf(bedId: number, wall: WallClock, log: Logger): Promise<string | null> {
  const bed = await Bed.findByPk(bedId);
  if (!bed) return null;
  const facts = await glanceFacts(await findGarden(bed.gardenId), bedId, wall);
  const context = contextOf(facts, { members: 0, glance: true });
  const [fault] = placesOf(context, wall.now()).unplanned;
  for (const told of context.faults) log.error(told.facts, told.words);
  if (fault) return fault.message;
  const view = context.beds.find((b) => b.id === bedId);
  const [unread] = view ? knownBed(view, context.today).unread : [];
  return unread
    ? `the reading of ${unread.on} (${FINDING_FACTS[unread.kind].label}) cannot be computed.`
    : null;
}

export const isPlannable = async (bedId: number, wall: WallClock, log: Logger): Promise<boolean> =>
  (await faultOf(bedId, wall, log)) === null;

/**
 * Runs the core once on beds as they would stand: what cannot be planned is refused before it is kept.
 * @param field the field that was changed, as it was sent
 */
export async function dryRun(
  bedIds: readonly number[],
  field: string,
  wall: WallClock,
  log: Logger,
): Promise<void> {
  for (const bedId of bedIds) {
    const fault = await faultOf(bedId, wall, log);
    if (fault !== null)
      throw new Unplannable(
        bedId,
        new Refusal('invalid', `With this the bed could not be planned: ${fault}`, field),
      );
  }
}
