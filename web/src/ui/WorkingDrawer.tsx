import { rangeWords, type Explainable } from '@kibble/contract';
import { TELLABLE, type Tellable, type Working } from '@kibble/core';
import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import { useDayWorkingQuery, useNumberWorkingQuery, useTryOnBedQuery } from '../api/workings.ts';
import { useGarden, useToday } from '../state/gardenRound.ts';
import { useUnits, type Units } from '../words/units.ts';
import { longDate } from '../words/words.ts';
import { Button } from './Button.tsx';
import { Changes } from './Changes.tsx';
import { onBed, useEnter } from './useEnter.ts';
import { Drawer } from './Drawer.tsx';
import { Loading, Trouble } from './states.tsx';
import { tellUnit, workingText } from './workingText.ts';
import { WorkingTree } from './WorkingTree.tsx';
import { Refused } from './Refused.tsx';

const NOTHING_TYPED = { typed: {}, problems: {} };

/** Figures typed into the working, in SI, and what is wrong with them. */
function readTyped(
  typed: Partial<Record<Tellable, string>>,
  units: Units,
): {
  inputs: { kind: 'told'; field: Tellable; value: number }[];
  problems: Partial<Record<Tellable, string>>;
} {
  const inputs: { kind: 'told'; field: Tellable; value: number }[] = [];
  const problems: Partial<Record<Tellable, string>> = {};
  for (const [field, text] of Object.entries(typed) as [Tellable, string][]) {
    const { label, min, max } = TELLABLE[field];
    const { unit, toSi, fromSi } = tellUnit(field, units);
    const value = text.trim() === '' ? Number.NaN : toSi(Number(text.replace(',', '.')));
    if (value >= min && value <= max) inputs.push({ kind: 'told', field, value });
    else
      problems[field] =
        `${label} must be ${rangeWords({ min, max, unit }, fromSi, unit)}; got ${text.trim() === '' ? 'nothing' : `“${text}”`}.`;
  }
  return { inputs, problems };
}

/** The working of one of a bed's numbers. Figures in it can be changed, and the number seen to change, before they are kept. */
export function BedWorkingDrawer({
  bedId,
  bedName,
  of,
  onClose,
}: {
  bedId: number;
  bedName: string;
  of: Explainable;
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const [typed, setTyped] = useState<Partial<Record<Tellable, string>>>({});
  const { data, error, refetch } = useNumberWorkingQuery({ bedId, of });
  const { inputs, problems } = readTyped(typed, units);
  const trial = useTryOnBedQuery(inputs.length > 0 ? { bedId, body: { inputs, of } } : skipToken);
  const tried = inputs.length > 0 ? trial.data : undefined;
  const { enterAndSay, isLoading, error: refused } = useEnter();
  const root = tried?.working ?? data?.working ?? null;

  const keep = async (): Promise<void> => {
    await enterAndSay(
      inputs.map((input) => onBed(bedId, input)),
      `${bedName}: figures kept as told.`,
      true,
    );
    onClose();
  };

  return (
    <Drawer open onClose={onClose} title={`${bedName}: where it comes from`}>
      {error ? <Trouble error={error} onRetry={() => void refetch()} /> : null}
      {!data && !error ? <Loading what="where it comes from" /> : null}
      {data && !root ? <p>There is no such number on this bed today.</p> : null}
      {root ? (
        <>
          <Headline before={data?.working ?? null} after={tried?.working ?? null} />
          <ul>
            <WorkingTree
              working={root}
              today={garden.today}
              typed={typed}
              problems={problems}
              onType={(tell, text) => setTyped((was) => ({ ...was, [tell]: text }))}
            />
          </ul>
        </>
      ) : null}
      <p className="mt-3 text-sm text-quiet">
        <span className="assumed">Dotted figures</span> are assumed, or measured too long ago. Figures in
        boxes can be changed here to see what comes of it.
      </p>
      {Object.keys(typed).length > 0 ? (
        <section className="mt-4 border-t border-ink pt-3" aria-live="polite">
          {tried ? <Changes before={tried.before} after={tried.after} today={garden.today} /> : null}
          <Refused error={refused} />
          <div className="mt-3 flex gap-2">
            <Button
              disabled={isLoading || inputs.length === 0 || Object.keys(problems).length > 0}
              onClick={() => void keep().catch(() => undefined)}
            >
              Keep these figures
            </Button>
            <Button look="quiet" onClick={() => setTyped({})}>
              Put them back
            </Button>
          </div>
        </section>
      ) : null}
    </Drawer>
  );
}

function Headline({ before, after }: { before: Working | null; after: Working | null }) {
  const units = useUnits();
  const shown = after ?? before;
  if (!shown) return null;
  return (
    <p className="mb-2 border-b border-rule pb-2 text-3xl font-bold" data-testid="working-headline">
      {after && before ? (
        <>
          <span className="text-quiet line-through decoration-2">{workingText(before, units)}</span>{' '}
        </>
      ) : null}
      {workingText(shown, units)}
    </p>
  );
}

/** The working of a day's demand on the ribbon. */
export function DayWorkingDrawer({ date, onClose }: { date: string; onClose: () => void }) {
  const garden = useGarden();
  const { data, error } = useDayWorkingQuery({ gardenId: garden.id, date });
  return (
    <Drawer open onClose={onClose} title={longDate(date)}>
      {error ? <Trouble error={error} /> : null}
      {!data && !error ? <Loading what="the day" /> : null}
      {data?.working ? <TreeOf working={data.working} today={garden.today} /> : null}
    </Drawer>
  );
}

/** A working that is already at hand. */
export function TreeDrawer({
  working,
  title,
  onClose,
}: {
  working: Working;
  title: string;
  onClose: () => void;
}) {
  const today = useToday();
  return (
    <Drawer open onClose={onClose} title={title}>
      <TreeOf working={working} today={today} />
    </Drawer>
  );
}

/** A tree that is only read. */
function TreeOf({ working, today }: { working: Working; today: string }) {
  return (
    <>
      <Headline before={working} after={null} />
      <ul>
        <WorkingTree working={working} today={today} {...NOTHING_TYPED} />
      </ul>
    </>
  );
}
