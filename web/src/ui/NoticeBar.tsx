import { X } from 'lucide-react';
import { useEffect } from 'react';
import {
  useArchiveBedMutation,
  useArchivePotMutation,
  useArchiveTapMutation,
  useMarkEventMutation,
  useLookAtCopyMutation,
  useMarkFindingMutation,
  useMarkImportMutation,
  useMarkPlantingMutation,
  useMarkPotEntriesMutation,
  useMarkSettingsMutation,
  usePutAwayMutation,
  useRestoreDataMutation,
  useStepSequenceMutation,
  useUnsayWeatherMutation,
} from '../app/api.ts';
import { noticeDismissed } from '../app/noticeSlice.ts';
import { useAppDispatch, useAppSelector } from '../app/store.ts';

const STAYS_MS = 20_000;

/** What was just done, with undo. */
export function NoticeBar() {
  const notice = useAppSelector((state) => state.notice.current);
  const dispatch = useAppDispatch();
  const [markEvent] = useMarkEventMutation();
  const [archiveBed] = useArchiveBedMutation();
  const [archiveTap] = useArchiveTapMutation();
  const [markPlanting] = useMarkPlantingMutation();
  const [markFinding] = useMarkFindingMutation();
  const [markSettings] = useMarkSettingsMutation();
  const [markImport] = useMarkImportMutation();
  const [lookAtCopy] = useLookAtCopyMutation();
  const [restoreData] = useRestoreDataMutation();
  const [putAway] = usePutAwayMutation();
  const [archivePot] = useArchivePotMutation();
  const [stepSequence] = useStepSequenceMutation();
  const [markPots] = useMarkPotEntriesMutation();
  const [unsay] = useUnsayWeatherMutation();
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(() => dispatch(noticeDismissed()), STAYS_MS);
    return () => clearTimeout(timer);
  }, [notice, dispatch]);
  if (!notice) return null;
  const canUndo =
    notice.undoEventId !== undefined ||
    notice.undoBedId !== undefined ||
    notice.undoFindingIds !== undefined ||
    notice.undoTapId !== undefined ||
    notice.undoPlantingId !== undefined ||
    notice.undoBedIds !== undefined ||
    notice.undoImportId !== undefined ||
    (notice.undoSettingIds?.length ?? 0) > 0 ||
    notice.undoSaid !== undefined ||
    notice.undoAwayId !== undefined ||
    notice.undoPots !== undefined ||
    notice.undoPotId !== undefined ||
    notice.undoSequenceId !== undefined ||
    notice.undoPotIds !== undefined ||
    notice.undoCopy !== undefined;
  const undo = async (): Promise<void> => {
    if (notice.undoEventId !== undefined) await markEvent({ id: notice.undoEventId });
    if (notice.undoBedId !== undefined) await archiveBed({ bedId: notice.undoBedId, restore: true });
    for (const id of notice.undoFindingIds ?? []) await markFinding({ id });
    if (notice.undoTapId !== undefined) await archiveTap({ tapId: notice.undoTapId, restore: true });
    if (notice.undoAwayId !== undefined) await putAway({ id: notice.undoAwayId, away: false });
    if (notice.undoSequenceId !== undefined)
      await stepSequence({ id: notice.undoSequenceId, body: { act: 'take up' } });
    if (notice.undoPots) await markPots(notice.undoPots);
    if (notice.undoPotId !== undefined) await archivePot({ potId: notice.undoPotId, restore: true });
    for (const potId of notice.undoPotIds ?? []) await archivePot({ potId });
    if (notice.undoSaid) await unsay(notice.undoSaid);
    for (const bedId of notice.undoBedIds ?? []) await archiveBed({ bedId });
    if (notice.undoPlantingId !== undefined) await markPlanting({ id: notice.undoPlantingId, restore: true });
    if (notice.undoImportId !== undefined) await markImport({ id: notice.undoImportId });
    if (notice.undoSettingIds) await markSettings({ ids: notice.undoSettingIds });
    if (notice.undoCopy !== undefined) await restoreData((await lookAtCopy(notice.undoCopy).unwrap()).token);
    dispatch(noticeDismissed());
  };
  return (
    <div
      role="status"
      className="fixed inset-x-4 bottom-20 z-10 mx-auto flex w-fit items-center gap-4 bg-ink px-5 py-2 text-paper md:bottom-6"
    >
      <span>{notice.text}</span>
      {canUndo ? (
        <button
          type="button"
          className="min-h-11 font-semibold underline underline-offset-4"
          onClick={() => void undo()}
        >
          Undo
        </button>
      ) : null}
      <button
        type="button"
        aria-label="Close this message"
        className="min-h-11"
        onClick={() => dispatch(noticeDismissed())}
      >
        <X size={18} aria-hidden />
      </button>
    </div>
  );
}
