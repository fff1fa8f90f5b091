import { api, refusal } from './api.ts';
import { noticeShown, takenBack, type Done } from '../state/noticeSlice.ts';
import type { AppDispatch } from './store.ts';

/** Takes an act back, step by step; what cannot be says why and stays in the list. */
export async function takeBack(done: Done, dispatch: AppDispatch): Promise<boolean> {
  try {
    let before: unknown = null;
    for (const { to, at, body, takes } of done.undo ?? []) {
      const with_ = takes ? { [takes]: (before as Record<string, unknown>)[takes] } : {};
      before = await dispatch(
        api.endpoints.send.initiate({ to, at, body: { ...(body as object | undefined), ...with_ } }),
      ).unwrap();
    }
    dispatch(takenBack(done.id));
    return true;
  } catch (error) {
    dispatch(noticeShown({ text: `That could not be undone: ${refusal(error).message}` }));
    return false;
  }
}
