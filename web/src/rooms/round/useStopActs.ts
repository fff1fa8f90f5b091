import type { StopView } from '@kibble/contract';
import { LAYOUT_FACTS, METHOD_FACTS } from '@kibble/core';
import { refusal } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { askToRing } from '../../state/notify.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useEnter } from '../../ui/useEnter.ts';
import { useTaps } from '../../ui/useTaps.ts';
import { useWater } from '../../ui/useWater.ts';
import type { WalkStop } from './zonesTogether.ts';

/** Something is filled and carried, and no tap is opened at the bed. */
export const isCarried = (stop: Pick<StopView, 'fills' | 'method'>): boolean =>
  stop.fills !== null && METHOD_FACTS[stop.method as keyof typeof METHOD_FACTS].fillLitres !== undefined;

/** What can be done at a stop: written down as planned, its tap opened, or taken back. */
export function useStopActs() {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const { water, isLoading, refused, twice } = useWater();
  const { undo } = useEnter();
  const { taps, open } = useTaps(garden.id);
  return {
    isLoading,
    refused,
    twice,
    runs: (bedId: number): boolean => taps.some((tap) => tap.bedId === bedId),
    done: async (stop: WalkStop): Promise<void> => {
      const { ids, gave } = await water({
        bedId: stop.bedId,
        bedIds: stop.beds?.map(({ bedId }) => bedId),
        // What is carried is counted in litres; a tap is open for minutes, whatever it gives.
        body: stop.fills
          ? { litres: stop.run.litres, asPlanned: true }
          : { minutes: stop.run.minutes, asPlanned: true },
      });
      dispatch(
        noticeShown({
          text: `${stop.bedName}: ${gave} ${(ids[0] ?? 0) < 0 ? 'kept here' : 'written down'}.`,
          undo: undoesEntries(garden.id, ids),
        }),
      );
    },
    openTap: async (stop: StopView): Promise<void> => {
      // Asked at the first tap, when it is plain why.
      void askToRing();
      const { bedId, run, byHand } = stop;
      // By hand it is passes that are timed, as on the stop.
      const moves = movesOf(stop);
      const runs = moves ?? byHand?.passes ?? run.cycles;
      await open({
        bedId,
        minutes: run.minutes / runs,
        runs,
        run: 1,
        runMinutes: run.minutes / runs,
        soakMinutes: moves ? 0 : (byHand?.restMinutes ?? run.soakMinutes),
        secondsEach: byHand?.pace?.by === 'plant' ? byHand.pace.seconds : null,
      });
    },
    takeBack: (eventIds: number[]): void =>
      void undo(eventIds).catch((error: unknown) =>
        dispatch(noticeShown({ text: `That could not be undone: ${refusal(error).message}` })),
      ),
  };
}
export type StopActs = ReturnType<typeof useStopActs>;

/** Spots that a hose is moved between at a tree; null where it is not. */
export const movesOf = ({ tree }: Pick<StopView, 'tree'>): number | null =>
  tree &&
  tree.plan.moves > 1 &&
  LAYOUT_FACTS[tree.facts.layout.by].moved &&
  tree.facts.layout.by !== 'buckets'
    ? tree.plan.moves
    : null;
