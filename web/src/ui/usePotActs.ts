import type { EntryDraft, PotView } from '@kibble/contract';
import { doseText } from '../words/potWords.ts';
import { useUnits } from '../words/units.ts';
import { onPot, useEnter } from './useEnter.ts';

/** What is written down of pots, each with its way back. */
export function usePotActs() {
  const units = useUnits();
  const { enterAndSay, isLoading, refused, undo } = useEnter();
  return {
    isLoading,
    refused,
    /** Gives each what it asks for today. */
    give: (pots: readonly PotView[]): Promise<void> => {
      const due = pots.flatMap((pot) => (pot.give ? [{ pot, give: pot.give }] : []));
      const [only] = due;
      return enterAndSay(
        due.map(({ pot, give }) =>
          onPot(pot.id, {
            kind: 'given',
            millilitres: Math.max(1, Math.round(give.millilitres)),
            how: give.how,
          }),
        ),
        due.length === 1 && only
          ? `${only.pot.name}: ${doseText(only.give.millilitres, units)} written down.`
          : `${due.length} pots written down.`,
      );
    },
    /** Something given, felt or seen of one pot. */
    one: (pot: Pick<PotView, 'id' | 'name'>, body: EntryDraft['body'], text: string): Promise<void> =>
      enterAndSay([onPot(pot.id, body)], `${pot.name}: ${text}`),
    write: enterAndSay,
    takeBack: (ids: number[]): void => void undo(ids).catch(() => undefined),
  };
}
export type PotActs = ReturnType<typeof usePotActs>;
