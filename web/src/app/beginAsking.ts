import { api } from './api.ts';
import type { AppDispatch } from './store.ts';

const { garden, round, pots, fortnight, section, weather, trees, bedPage, potPage, drafts } = api.endpoints;

/** What each room asks for besides the garden and its round. */
const OF_ROOM: Readonly<Record<string, (gardenId: number, id: number, dispatch: AppDispatch) => void>> = {
  round: (gardenId, _id, dispatch) => void dispatch(pots.initiate(gardenId, { subscribe: false })),
  fortnight: (gardenId, _id, dispatch) => {
    void dispatch(fortnight.initiate(gardenId, { subscribe: false }));
    void dispatch(pots.initiate(gardenId, { subscribe: false }));
  },
  section: (gardenId, _id, dispatch) =>
    void dispatch(section.initiate({ gardenId, query: {} }, { subscribe: false })),
  weather: (gardenId, _id, dispatch) => void dispatch(weather.initiate(gardenId, { subscribe: false })),
  pots: (gardenId, id, dispatch) =>
    void (id > 0
      ? dispatch(potPage.initiate(id, { subscribe: false }))
      : dispatch(pots.initiate(gardenId, { subscribe: false }))),
  trees: (gardenId, id, dispatch) =>
    void (id > 0
      ? dispatch(bedPage.initiate(id, { subscribe: false }))
      : dispatch(trees.initiate(gardenId, { subscribe: false }))),
  beds: (_gardenId, id, dispatch) => {
    if (id > 0) void dispatch(bedPage.initiate(id, { subscribe: false }));
  },
  ground: (gardenId, id, dispatch) => {
    if (id > 0) void dispatch(bedPage.initiate(id, { subscribe: false }));
    void dispatch(drafts.initiate(gardenId, { subscribe: false }));
  },
};

/** Asks for what an address will need while its program is still being fetched and read. */
export function beginAsking(pathname: string, dispatch: AppDispatch): void {
  const found = /^\/garden\/(\d+)\/([a-z]+)(?:\/(?:bed\/)?(\d+))?/.exec(pathname);
  if (!found) return;
  const gardenId = Number(found[1]);
  void dispatch(garden.initiate(gardenId, { subscribe: false }));
  void dispatch(round.initiate(gardenId, { subscribe: false }));
  OF_ROOM[found[2] ?? '']?.(gardenId, Number(found[3] ?? 0), dispatch);
}
