/** What a room asks home for besides its garden and the round, by its path under the garden; addresses below `/api/`. */
const ASKS: readonly (readonly [room: RegExp, asks: (gardenId: string, id: string) => readonly string[]])[] =
  [
    [/^round$/, (garden) => [`gardens/${garden}/pots`]],
    [/^section$/, (garden) => [`gardens/${garden}/section`]],
    [/^fortnight$/, (garden) => [`gardens/${garden}/fortnight`, `gardens/${garden}/pots`]],
    [/^weather$/, (garden) => [`gardens/${garden}/weather`]],
    [/^(beds|trees|ground\/bed)\/\d+$/, (_garden, id) => [`beds/${id}`]],
    [/^trees$/, (garden) => [`gardens/${garden}/trees`]],
    [/^pots\/\d+$/, (garden, id) => [`pots/${id}`, `gardens/${garden}/pots`]],
    [/^pots(\/weigh)?$/, (garden) => [`gardens/${garden}/pots`]],
    [/^ground$/, (garden) => [`gardens/${garden}/drafts`]],
    [/^ground\/bed\/\d+\/[\w-]+$/, (garden, id) => [`gardens/${garden}/drafts`, `beds/${id}`]],
    [/^ground\/tap\/\d+\/[\w-]+$/, (garden) => [`gardens/${garden}/drafts`]],
  ];

/** A garden's room in an address: the garden's number and the room's path under it; null where it is of none. */
export function roomIn(pathname: string): { gardenId: string; room: string } | null {
  const [, gardenId, room] = /^\/garden\/(\d{1,15})\/([\w/-]*\w)\/?$/.exec(pathname) ?? [];
  return gardenId && room ? { gardenId, room } : null;
}

/** What an address will ask home for first of all, so that it can be on its way before the program has been read. */
export function asksOf(pathname: string): readonly string[] {
  const found = roomIn(pathname);
  if (!found) return [];
  const { gardenId, room } = found;
  const asks = ASKS.find(([pattern]) => pattern.test(room))?.[1];
  return [
    `/api/gardens/${gardenId}/round`,
    `/api/gardens/${gardenId}`,
    ...(asks?.(gardenId, /\d+/.exec(room)?.[0] ?? '') ?? []).map((address) => `/api/${address}`),
  ];
}
