import type { FortnightView } from '@kibble/contract';
import { useState } from 'react';
import { minutesText } from '../../words/units.ts';
import { dayMonth } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';

/** All waterings of a day moved to another one together; undone together. */
export function MoveRound({
  view,
  date,
  onClose,
}: {
  view: FortnightView;
  date: string;
  onClose: () => void;
}) {
  const { enterAndSay, isLoading, error } = useEnter();
  const at = view.dates.indexOf(date);
  const [to, setTo] = useState(view.dates[at + 1] ?? view.dates[at - 1] ?? date);
  const due = view.beds.flatMap((bed) =>
    bed.waterings.some((w) => w.date === date) ? [{ bedId: bed.bedId, bedName: bed.bedName }] : [],
  );
  const minutes = view.perDay[at]?.handsOnMinutes ?? 0;
  const move = async (): Promise<void> => {
    await enterAndSay(
      due.map(({ bedId }) => onBed(bedId, { kind: 'plan', date, to })),
      `The round of ${dayMonth(date)} is moved to ${dayMonth(to)}.`,
    );
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`The round of ${dayMonth(date)}`}>
      <p className="mb-3">
        {due.length === 1 ? '1 bed' : `${due.length} beds`}, {minutesText(minutes)} of your time:{' '}
        {due.map(({ bedName }) => bedName).join(', ')}.
      </p>
      <Choice label="Move all of it to" value={to} onChange={(e) => setTo(e.target.value)}>
        {view.dates
          .filter((day) => day !== date)
          .map((day) => (
            <option key={day} value={day}>
              {dayMonth(day)}
            </option>
          ))}
      </Choice>
      <Refused error={error} className="mt-2" />
      <div className="mt-4 flex gap-2">
        <Button disabled={isLoading || to === date} onClick={() => void move().catch(() => undefined)}>
          Move the round
        </Button>
        <Button look="quiet" onClick={onClose}>
          Leave it as it was
        </Button>
      </div>
    </Sheet>
  );
}
