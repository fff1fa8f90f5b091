import type { PotEntriesDraft, PotView } from '@kibble/contract';
import { refusal, useLogPotsMutation, useMarkPotEntriesMutation } from '../app/api.ts';
import { useGarden } from '../app/gardenRound.ts';
import { noticeShown } from '../app/noticeSlice.ts';
import { doseText } from '../app/potWords.ts';
import { useAppDispatch } from '../app/store.ts';
import { useUnits } from '../app/units.ts';

type Entry = PotEntriesDraft['entries'][number]['entry'];

/** What is written down of pots, each with its way back. */
export function usePotActs() {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [log, { isLoading, error }] = useLogPotsMutation();
  const [mark] = useMarkPotEntriesMutation();
  const write = async (entries: PotEntriesDraft['entries'], text: string, sure = false): Promise<void> => {
    const { ids } = await log({ gardenId: garden.id, body: { entries, sure } }).unwrap();
    dispatch(noticeShown({ text, undoPots: { gardenId: garden.id, ids } }));
  };
  return {
    isLoading,
    refused: error ? refusal(error).message : null,
    /** Gives each what it asks for today. */
    give: (pots: readonly PotView[]): Promise<void> => {
      const due = pots.flatMap((pot) => (pot.give ? [{ pot, give: pot.give }] : []));
      const [only] = due;
      return write(
        due.map(({ pot, give }) => ({
          potId: pot.id,
          entry: { kind: 'given', millilitres: Math.max(1, Math.round(give.millilitres)), how: give.how },
        })),
        due.length === 1 && only
          ? `${only.pot.name}: ${doseText(only.give.millilitres, units)} written down.`
          : `${due.length} pots written down.`,
      );
    },
    /** Something given, felt or seen of one pot. */
    one: (pot: Pick<PotView, 'id' | 'name'>, entry: Entry, text: string): Promise<void> =>
      write([{ potId: pot.id, entry }], `${pot.name}: ${text}`),
    write,
    takeBack: (ids: number[]): void => void mark({ gardenId: garden.id, ids }),
  };
}
export type PotActs = ReturnType<typeof usePotActs>;
