import { api, refusal } from './api.ts';
import { noticeShown, takenBack, type Done, type Undoes } from './noticeSlice.ts';
import type { AppDispatch } from './store.ts';

type Endpoints = typeof api.endpoints;
type Steps = { [K in keyof Undoes]-?: (of: NonNullable<Undoes[K]>) => Step[] };
interface Step {
  of: keyof Endpoints;
  arg: unknown;
}
const step = (of: keyof Endpoints, arg: unknown): Step => ({ of, arg });

/** How each kind of act is taken back, in the order in which they are. */
const STEPS: Steps = {
  undoEventId: (id) => [step('markEvent', { id })],
  undoBedId: (bedId) => [step('archiveBed', { bedId, restore: true })],
  undoFindingIds: (ids) => ids.map((id) => step('markFinding', { id })),
  undoTapId: (tapId) => [step('archiveTap', { tapId, restore: true })],
  undoAwayId: (id) => [step('putAway', { id, away: false })],
  undoSequenceId: (id) => [step('stepSequence', { id, body: { act: 'take up' } })],
  undoPots: (pots) => [step('markPotEntries', pots)],
  undoPotId: (potId) => [step('archivePot', { potId, restore: true })],
  undoPotIds: (ids) => ids.map((potId) => step('archivePot', { potId })),
  undoSaid: (said) => [step('unsayWeather', said)],
  undoBedIds: (ids) => ids.map((bedId) => step('archiveBed', { bedId })),
  undoPlantingId: (id) => [step('markPlanting', { id, restore: true })],
  undoImportId: (id) => [step('markImport', { id })],
  undoSettingIds: (ids) => (ids.length > 0 ? [step('markSettings', { ids })] : []),
  undoBed: (bed) => [step('saveBed', bed)],
  undoTap: (tap) => [step('saveTap', tap)],
  undoGarden: ({ id, patch }) => [step('changeGarden', { id, patch, says: null })],
  undoCopy: () => [],
};

const run = async <T>(dispatch: AppDispatch, { of, arg }: Step): Promise<T> => {
  const { initiate } = api.endpoints[of] as unknown as { initiate: (arg: unknown) => never };
  return (dispatch(initiate(arg)) as unknown as { unwrap: () => Promise<T> }).unwrap();
};

/** Takes an act back, step by step; what cannot be says why and stays in the list. */
export async function takeBack(done: Done, dispatch: AppDispatch): Promise<boolean> {
  try {
    for (const key of Object.keys(STEPS) as (keyof Undoes)[]) {
      const of = done[key];
      if (of === undefined) continue;
      for (const next of (STEPS[key] as (of: unknown) => Step[])(of)) await run(dispatch, next);
    }
    if (done.undoCopy !== undefined) {
      const { token } = await run<{ token: string }>(dispatch, step('lookAtCopy', done.undoCopy));
      await run(dispatch, step('restoreData', token));
    }
    dispatch(takenBack(done.id));
    return true;
  } catch (error) {
    dispatch(noticeShown({ text: `Not taken back: ${refusal(error).message}` }));
    return false;
  }
}
