import { asksOf } from '@kibble/contract';
import { api } from './api.ts';
import type { AppDispatch } from './store.ts';

const { garden, round, pots, fortnight, section, weather, trees, bedPage, potPage, drafts } = api.endpoints;

const ONCE = { subscribe: false };

/** How each address is asked for. */
const ASKED: readonly (readonly [address: RegExp, ask: (id: number, dispatch: AppDispatch) => unknown])[] = [
  [/gardens\/(\d+)$/, (id, dispatch) => dispatch(garden.initiate(id, ONCE))],
  [/gardens\/(\d+)\/round$/, (id, dispatch) => dispatch(round.initiate(id, ONCE))],
  [/gardens\/(\d+)\/pots$/, (id, dispatch) => dispatch(pots.initiate(id, ONCE))],
  [/gardens\/(\d+)\/fortnight$/, (id, dispatch) => dispatch(fortnight.initiate(id, ONCE))],
  [
    /gardens\/(\d+)\/section$/,
    (gardenId, dispatch) => dispatch(section.initiate({ gardenId, query: {} }, ONCE)),
  ],
  [/gardens\/(\d+)\/weather$/, (id, dispatch) => dispatch(weather.initiate(id, ONCE))],
  [/gardens\/(\d+)\/trees$/, (id, dispatch) => dispatch(trees.initiate(id, ONCE))],
  [/gardens\/(\d+)\/drafts$/, (id, dispatch) => dispatch(drafts.initiate(id, ONCE))],
  [/beds\/(\d+)$/, (id, dispatch) => dispatch(bedPage.initiate(id, ONCE))],
  [/pots\/(\d+)$/, (id, dispatch) => dispatch(potPage.initiate(id, ONCE))],
];

/** Asks for what an address will need while its program is still being fetched and read; done when all of it has been answered. */
export async function beginAsking(pathname: string, dispatch: AppDispatch): Promise<void> {
  const asks = asksOf(pathname).map((address) => {
    const found = ASKED.find(([pattern]) => pattern.test(address));
    return found?.[1](Number(found[0].exec(address)?.[1]), dispatch);
  });
  await Promise.allSettled(asks);
}
