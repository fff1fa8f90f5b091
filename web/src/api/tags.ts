import {
  ADDRESSES,
  STALE,
  type AddressName,
  type EntriesAnswer,
  type Stale,
  type Tag,
} from '@kibble/contract';

/** A picture that a page holds: of what, and of which garden or place. */
export interface TagOf {
  type: Tag;
  id: string | number;
}

/** Of which garden a picture is cannot always be told by its address: such a one goes stale with those of any garden. */
const ANY = 'any';
const ofGarden = (gardenId: number): string => `garden ${gardenId}`;

/** Which garden or bed something is asked about, as its arguments say. */
const named = (arg: unknown): { gardenId?: number; bedId?: number } =>
  typeof arg === 'object' && arg !== null ? arg : {};

/** What the answer to a question is a picture of. */
export const shown =
  (name: AddressName) =>
  (_answer: unknown, _error: unknown, arg: unknown): TagOf[] => {
    const { shows: type, path } = ADDRESSES[name];
    if (!type) return [];
    const id = typeof arg === 'number' ? arg : undefined;
    const gardenId = named(arg).gardenId ?? (path.startsWith('/api/gardens/:id') ? id : undefined);
    const bedId = named(arg).bedId ?? (path.startsWith('/api/beds/:id') ? id : undefined);
    return [
      { type, id: gardenId === undefined ? ANY : ofGarden(gardenId) },
      ...(bedId === undefined ? [] : [{ type, id: bedId }]),
    ];
  };

/** What is stale in a garden; in every garden, where it is not known in which. */
export const staleIn = (stale: Stale, gardenId: number | null | undefined): (Tag | TagOf)[] =>
  STALE[stale].flatMap((type): (Tag | TagOf)[] =>
    gardenId === undefined || gardenId === null
      ? [type]
      : [
          { type, id: ofGarden(gardenId) },
          { type, id: ANY },
        ],
  );

/** What a change makes stale. */
export const stale =
  (name: AddressName) =>
  (_answer: unknown, _error: unknown, arg: unknown, meta?: { gardenId?: number | null }): (Tag | TagOf)[] => {
    const what = ADDRESSES[name].stale;
    return what ? staleIn(what, named(arg).gardenId ?? meta?.gardenId) : [];
  };

/** What entries make stale: the beds and the days ahead; the round takes in what changed, where that is told. */
export function staleByEntries(
  answer: EntriesAnswer | undefined,
  _error: unknown,
  { gardenId }: { gardenId: number },
): (Tag | TagOf)[] {
  const garden = (type: Tag): TagOf => ({ type, id: ofGarden(gardenId) });
  if (!answer) return [garden('Round'), 'Place', garden('Plan'), garden('Ticks')];
  const { ids, events, touched, changed } = answer;
  // What waits here is put into the pictures as they are.
  if ((ids[0] ?? 0) < 0) return [];
  const { beds, pots } = touched;
  if (!beds) return staleIn('whole', gardenId);
  const places = [...beds, ...(changed?.beds ?? [])].map((id): TagOf => ({ type: 'Place', id }));
  return [
    ...(pots ? staleIn('pots', gardenId) : []),
    // What was found is told with the garden, and what follows from it with everything else.
    ...(beds.length > 0 && events.length < ids.length ? staleIn('whole', gardenId) : []),
    ...(beds.length > 0 ? [garden('Plan'), ...places] : []),
    ...(beds.length > 0 && !changed ? [garden('Round')] : []),
  ];
}
