import type { PotView } from '@kibble/contract';
import { useRef, useState, type KeyboardEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import { refusal, usePotsQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { doseText, nextText } from '../../words/potWords.ts';
import { useUnits } from '../../words/units.ts';
import { dayMonth } from '../../words/words.ts';
import { Loading, Trouble } from '../../ui/states.tsx';
import { Check } from '../../ui/Check.tsx';
import { onPot, useEnter } from '../../ui/useEnter.ts';
import { Choice } from '../../ui/Choice.tsx';

/** Where a pot's weight stands on its way. */
type Kept =
  | { at: 'on its way'; text: string }
  | { at: 'kept'; text: string; id: number }
  | { at: 'asked' | 'refused'; text: string; why: string };

/** Many pots with a scale in hand: a number, Enter, the next one. */
export function WeighIn() {
  const garden = useGarden();
  const units = useUnits();
  const { data, error, refetch } = usePotsQuery(garden.id);
  const [search, setSearch] = useSearchParams();
  const [full, setFull] = useState(false);
  const [kept, setKept] = useState<Record<number, Kept>>({});
  const { enter, undo: undoEntries } = useEnter();
  const fields = useRef(new Map<number, HTMLInputElement>());
  const undo = useRef<number[]>([]);
  if (error && !data) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the shelf" />;
  const spot = search.get('spot') ?? '';
  const pots = data.spots.filter(({ name }) => !spot || name === spot).flatMap(({ pots: of }) => of);
  const put = (id: number, state: Kept | null): void =>
    setKept(({ [id]: _old, ...rest }) => (state ? { ...rest, [id]: state } : rest));

  const keep = async (pot: PotView, text: string, sure = false): Promise<void> => {
    const rule = numberRule('potKg', text, units);
    if (rule !== true) {
      put(pot.id, { at: 'refused', text, why: rule });
      return;
    }
    put(pot.id, { at: 'on its way', text });
    const kg = typedSi('potKg', text, units) ?? 0;
    try {
      const { ids } = await enter([onPot(pot.id, { kind: 'weighed', kg, full: full || undefined })], {
        sure,
      });
      put(pot.id, { at: 'kept', text, id: ids[0] ?? 0 });
      undo.current.push(pot.id);
    } catch (problem) {
      const { message, field } = refusal(problem);
      put(pot.id, { at: field === 'sure' ? 'asked' : 'refused', text, why: message });
    }
  };
  const takeBack = (id: number): void => {
    const was = kept[id];
    if (was?.at !== 'kept') return;
    void undoEntries([was.id]).catch(() => undefined);
    put(id, null);
    const field = fields.current.get(id);
    if (field) {
      field.value = was.text;
      field.focus();
      field.select();
    }
  };
  const key = (event: KeyboardEvent<HTMLInputElement>, pot: PotView, i: number): void => {
    const to = { ArrowUp: i - 1, ArrowDown: i + 1 }[event.key];
    if ((event.ctrlKey || event.metaKey) && event.key === 'z' && event.currentTarget.value === '') {
      event.preventDefault();
      const last = undo.current.pop();
      if (last !== undefined) takeBack(last);
      return;
    }
    if (event.key !== 'Enter' && to === undefined) return;
    event.preventDefault();
    const text = event.currentTarget.value;
    if (event.key === 'Enter' && text.trim() !== '' && kept[pot.id]?.text !== text) void keep(pot, text);
    const next = pots[to ?? i + 1];
    if (next) fields.current.get(next.id)?.focus();
  };

  const counted = Object.values(kept).filter(({ at }) => at === 'kept').length;
  return (
    <section className="max-w-4xl">
      <p className="text-sm">
        <Link className="underline underline-offset-4" to={`/garden/${garden.id}/pots`}>
          Pots &amp; trays
        </Link>
      </p>
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-3xl">Weigh in</h1>
        <p role="status">
          {counted} of {pots.length} weighed
        </p>
        <Choice
          label="Where"
          manner="beside"
          value={spot}
          onChange={(e) => setSearch(e.target.value ? { spot: e.target.value } : {}, { replace: true })}
        >
          <option value="">all</option>
          {data.spots.map(({ name }) => (
            <option key={name}>{name}</option>
          ))}
        </Choice>
        <Check checked={full} onChange={(e) => setFull(e.target.checked)}>
          just filled, and drained
        </Check>
      </div>
      <p className="text-sm text-quiet">
        Type the weight, Enter goes to the next pot; the arrows move, Ctrl Z in an empty field takes the last
        one back. Weigh once when it was filled and has drained: from then on a weight says what is gone, and
        two of them how fast.
      </p>
      <table className="mt-2 w-full">
        <thead className="text-left text-sm text-quiet">
          <tr>
            <th className="py-1 pr-4 font-normal">Pot</th>
            <th className="pr-4 font-normal">Weight, {units.of('weight').unit}</th>
            <th className="hidden pr-4 text-right font-normal sm:table-cell">Before</th>
            <th className="hidden pr-4 text-right font-normal sm:table-cell">Lost</th>
            <th className="hidden pr-4 text-right font-normal sm:table-cell">A day takes</th>
            <th className="text-right font-normal sm:pr-4">Give</th>
            <th className="hidden text-right font-normal sm:table-cell">Next</th>
          </tr>
        </thead>
        <tbody>
          {pots.map((pot, i) => {
            const state = kept[pot.id];
            const before = pot.weights.at(state?.at === 'kept' ? -2 : -1);
            return (
              <tr key={pot.id} className="border-t border-rule align-baseline" data-pot={pot.id}>
                <td className="py-1 pr-4">{pot.name}</td>
                <td className="pr-4">
                  <input
                    ref={(field) => {
                      if (field) fields.current.set(pot.id, field);
                      else fields.current.delete(pot.id);
                    }}
                    aria-label={`Weight of ${pot.name}`}
                    aria-invalid={state?.at === 'refused'}
                    inputMode="decimal"
                    autoFocus={i === 0}
                    className="my-0.5 min-h-11 w-24 border border-ink bg-sheet px-2 text-lg aria-[invalid=true]:border-2 aria-[invalid=true]:border-brick"
                    onKeyDown={(e) => key(e, pot, i)}
                    onFocus={(e) => e.currentTarget.select()}
                  />{' '}
                  {state?.at === 'kept' ? (
                    <button
                      type="button"
                      className="min-h-9 text-sm underline underline-offset-4"
                      onClick={() => takeBack(pot.id)}
                    >
                      Take back<span className="sr-only">: {pot.name}</span>
                    </button>
                  ) : state?.at === 'on its way' ? (
                    <span className="text-sm text-quiet">…</span>
                  ) : null}
                  {state?.at === 'asked' || state?.at === 'refused' ? (
                    <span role="alert" className="block max-w-72 text-sm font-semibold text-brick">
                      {state.why}{' '}
                      {state.at === 'asked' ? (
                        <button
                          type="button"
                          className="min-h-9 text-ink underline underline-offset-4"
                          onClick={() => void keep(pot, state.text, true)}
                        >
                          It is so
                        </button>
                      ) : null}
                    </span>
                  ) : null}
                </td>
                <td className="hidden pr-4 text-right whitespace-nowrap sm:table-cell">
                  {before ? (
                    <>
                      {units.text('weight', before.kg)}
                      <span className="block text-xs text-quiet">{dayMonth(before.date)}</span>
                    </>
                  ) : null}
                </td>
                <td className="hidden pr-4 text-right sm:table-cell">
                  {state?.at === 'kept' && pot.lostMl !== null ? doseText(pot.lostMl, units) : ''}
                </td>
                <td className={`hidden pr-4 text-right sm:table-cell ${pot.weighedOn ? '' : 'assumed'}`}>
                  {doseText(pot.dayUseMl, units)}
                </td>
                <td className="text-right sm:pr-4">
                  {pot.give ? (
                    <strong>{doseText(pot.give.millilitres, units)}</strong>
                  ) : (
                    <span className="text-sm sm:hidden">
                      {pot.leave?.code === 'rests' ? 'rests' : nextText(pot, data.date)}
                    </span>
                  )}
                </td>
                <td className="hidden text-right whitespace-nowrap sm:table-cell">
                  {pot.give ? 'now' : pot.leave?.code === 'rests' ? 'rests' : nextText(pot, data.date)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
