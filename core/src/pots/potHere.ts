import { frostyNights, withFrostKills, type Night } from '../plants/frostKill.ts';
import type { Pot } from './pots.ts';

/**
 * A pot with its plants as the winter left them: what frost killed outdoors, and lives again where somebody saw it stand after.
 * Glass keeps some of a frost off; a room all of it.
 * @param nights of the place, up to today
 * Source: as `withFrostKills`.
 */
export function potHere(pot: Pot, nights: readonly Night[]): Pot {
  const { vessel } = pot;
  if (vessel.indoors) return pot;
  const alive = pot.entries.flatMap(({ date, entry }) =>
    entry.kind === 'seen' && entry.sign === 'recovered' ? [date] : [],
  );
  // While it stood in a room no frost reached it.
  const outdoors = (date: string): boolean => {
    const then = pot.earlier?.find(({ until }) => date < until)?.vessel ?? vessel;
    return !then.indoors;
  };
  const last = alive.sort().at(-1) ?? '';
  const frosts = frostyNights(nights).filter(({ date }) => date > last && outdoors(date));
  const plantings = withFrostKills(vessel.plantings, frosts, {
    underCover: Boolean(vessel.greenhouse),
    inPotSince: pot.startOn,
  });
  return { ...pot, vessel: { ...vessel, plantings } };
}
