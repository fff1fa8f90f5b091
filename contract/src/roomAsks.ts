import { addressOf, ADDRESSES, type AddressName } from './api/addresses.ts';

/** What a room asks home for besides its garden and the round, by its path under the garden. */
const ASKS: readonly (readonly [room: RegExp, asks: readonly AddressName[]])[] = [
  [/^round$/, ['pots']],
  [/^section$/, ['section']],
  [/^fortnight$/, ['fortnight', 'pots']],
  [/^weather$/, ['weather']],
  [/^(beds|trees|ground\/bed)\/\d+$/, ['bedPage']],
  [/^trees$/, ['trees']],
  [/^pots\/\d+$/, ['potPage', 'pots']],
  [/^pots(\/weigh)?$/, ['pots']],
  [/^ground$/, ['drafts']],
  [/^ground\/bed\/\d+\/[\w-]+$/, ['drafts', 'bedPage']],
  [/^ground\/tap\/\d+\/[\w-]+$/, ['drafts']],
];

/** A garden's room in an address: the garden's number and the room's path under it; null where it is of none. */
export function roomIn(pathname: string): { gardenId: string; room: string } | null {
  const [, gardenId, room] = /^\/garden\/(\d{1,15})\/([\w/-]*\w)\/?$/.exec(pathname) ?? [];
  return gardenId && room ? { gardenId, room } : null;
}

/** Something that a room asks for: of the garden or of a place in it, by its number. */
export interface Ask {
  name: AddressName;
  id: number;
  address: string;
}

/** What an address will ask home for first of all, so that it can be on its way before the program has been read. */
export function asksOf(pathname: string): readonly Ask[] {
  const found = roomIn(pathname);
  if (!found) return [];
  const { gardenId, room } = found;
  const names = ASKS.find(([pattern]) => pattern.test(room))?.[1] ?? [];
  return (['round', 'garden', ...names] as const).map((name) => {
    const ofGarden = ADDRESSES[name].path.startsWith('/api/gardens/');
    const id = Number(ofGarden ? gardenId : /\d+/.exec(room)?.[0]);
    return { name, id, address: addressOf(name, { id }) };
  });
}
