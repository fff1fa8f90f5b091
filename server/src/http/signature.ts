import type { RequestHandler } from 'express';
import type { Sequelize } from 'sequelize';
import { Refusal } from '../errors.ts';
import type { WallClock } from '../services/clock.ts';
import { houseOf } from '../services/house.ts';
import type { Sharing } from '../sharing/sharing.ts';

/** What a key of something that is sent looks like. */
export const KEY = /^[\w-]{8,80}$/;

/**
 * Signs every answer: with the key of what was sent, by which whoever sent it knows that this is the answer to it; with the id of this garden's file, by which a page tells it from a network's own sign-in page, and
 * with the time by this computer's clock, by which a phone learns how far its own is off.
 */
export const signature =
  (sequelize: Sequelize, wall: WallClock, sharing: Sharing | undefined): RequestHandler =>
  async (req, res, next) => {
    const house = await houseOf(sequelize);
    // What a helper was invited to is named by the numbers of this file.
    if (sharing) sharing.house = house;
    res.set('Kibble-House', house).set('Kibble-Time', String(wall.now().getTime()));
    const key = req.get('Idempotency-Key');
    if (key !== undefined && KEY.test(key)) res.set('Idempotency-Key', key);
    const meant = req.get('Kibble-House');
    if (meant !== undefined && meant !== house && req.method !== 'GET' && req.method !== 'HEAD')
      throw new Refusal(
        'wrong-address',
        'This was entered for another Kibble, with gardens of its own, and not for the one that answers here. Nothing was saved.',
        'Kibble-House',
      );
    next();
  };
