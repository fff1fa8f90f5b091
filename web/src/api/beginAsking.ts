import { asksOf, type AddressName } from '@kibble/contract';
import { api } from './api.ts';
import type { AppDispatch } from './store.ts';

const { garden, round, pots, fortnight, section, weather, trees, bedPage, potPage, drafts } = api.endpoints;

const ONCE = { subscribe: false };

/** How what a room asks for first is asked for, by the name of its address. */
const ASKED: Readonly<Partial<Record<AddressName, (id: number, dispatch: AppDispatch) => unknown>>> = {
  garden: (id, dispatch) => dispatch(garden.initiate(id, ONCE)),
  round: (id, dispatch) => dispatch(round.initiate(id, ONCE)),
  pots: (id, dispatch) => dispatch(pots.initiate(id, ONCE)),
  fortnight: (id, dispatch) => dispatch(fortnight.initiate(id, ONCE)),
  section: (gardenId, dispatch) => dispatch(section.initiate({ gardenId, query: {} }, ONCE)),
  weather: (id, dispatch) => dispatch(weather.initiate(id, ONCE)),
  trees: (id, dispatch) => dispatch(trees.initiate(id, ONCE)),
  drafts: (id, dispatch) => dispatch(drafts.initiate(id, ONCE)),
  bedPage: (id, dispatch) => dispatch(bedPage.initiate(id, ONCE)),
  potPage: (id, dispatch) => dispatch(potPage.initiate(id, ONCE)),
};

/** Asks for what an address will need while its program is still being fetched and read; done when all of it has been answered. */
export async function beginAsking(pathname: string, dispatch: AppDispatch): Promise<void> {
  await Promise.allSettled(asksOf(pathname).map(({ name, id }) => ASKED[name]?.(id, dispatch)));
}
