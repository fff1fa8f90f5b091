import type { Sequelize } from 'sequelize';
import { HouseRow } from '../db/models.ts';

const known = new WeakMap<Sequelize, Promise<string>>();

/** The id of a garden's file: made with it, and carried along by every copy, so that a moved garden is known again. */
export function houseOf(sequelize: Sequelize): Promise<string> {
  const read = known.get(sequelize) ?? HouseRow.findOne({ rejectOnEmpty: true }).then(({ id }) => id);
  known.set(sequelize, read);
  // A file that could not be read just now is asked again.
  read.catch(() => known.delete(sequelize));
  return read;
}

/** Another file has taken the place of what was open. */
export const forgetHouse = (sequelize: Sequelize): void => void known.delete(sequelize);
