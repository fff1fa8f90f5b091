import type { TreeFacts, Ring, TreePhase } from '@kibble/core';
import { ringThroughYears } from '@kibble/core';
import { PHASE_WORDS, ringText, tenth } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { Slide } from '../../ui/Slide.tsx';

export interface YearOf {
  year: number;
  phase: TreePhase;
  canopyM: number;
  ring: Ring;
}

const AHEAD_YEARS = 6;

/** Years of a tree: planted, a year on, three on, on the way, now and some years on. */
export function yearsOf(tree: TreeFacts, plantedOn: string, today: string): YearOf[] {
  const from = Number(plantedOn.slice(0, 4));
  const now = Number(today.slice(0, 4));
  const years = Array.from({ length: now + AHEAD_YEARS - from + 1 }, (_, i) => from + i);
  return ringThroughYears(tree, plantedOn, today, years);
}

/** Where the ring was, is and will be: a year is chosen on the line, and drawn on the plan. */
export function Years({
  years,
  now,
  chosen,
  onChoose,
}: {
  years: readonly YearOf[];
  now: number;
  chosen: number;
  onChoose: (year: number) => void;
}) {
  const units = useUnits();
  const first = years[0]?.year ?? now;
  const last = years.at(-1)?.year ?? now;
  const at = years.find(({ year }) => year === chosen);
  const farthest = Math.max(...years.map(({ ring }) => ring.outerM), 0.1);
  // Six at most have room for their names.
  const marks = [...new Set([first, first + 1, first + 3, Math.round((first + 3 + now) / 2), now, last])]
    .filter((year) => year >= first && year <= last)
    .sort((a, b) => a - b)
    // Names need room: what is first, now and last keeps its own.
    .filter((year, i, all) => {
      const kept = [first, now, last];
      const near = (other: number | undefined): boolean =>
        other !== undefined && Math.abs(other - year) < (last - first) / 14;
      return kept.includes(year) || !(near(all[i - 1]) || near(all[i + 1]));
    });
  const share = (year: number): number => (last === first ? 0 : (100 * (year - first)) / (last - first));
  return (
    <section aria-labelledby="years" className="mt-2">
      <h2 id="years" className="text-xl">
        Through the years
      </h2>
      <div className="relative mx-8 h-14" aria-hidden>
        {marks.map((year) => {
          const of = years.find((y) => y.year === year);
          const r = 5 + (15 * (of?.ring.outerM ?? 0)) / farthest;
          return (
            <svg
              key={year}
              width={44}
              height={44}
              viewBox="-22 -22 44 44"
              className="absolute top-2 -translate-x-1/2"
              style={{ left: `${share(year)}%` }}
            >
              <circle r={r} fill="none" stroke="var(--water)" strokeWidth={4} />
              <circle r={2} fill="var(--root)" />
            </svg>
          );
        })}
      </div>
      <div className="mx-8">
        <Slide
          label="Year"
          className="-mx-3 !w-[calc(100%+1.5rem)]"
          least={first}
          most={last}
          value={chosen}
          words={
            at ? `${chosen}: ${PHASE_WORDS[at.phase]}, ring ${ringText(at.ring, units)}` : String(chosen)
          }
          onChange={onChoose}
        />
      </div>
      <div className="relative mx-8 h-6 text-sm">
        {marks.map((year) => (
          <span
            key={year}
            className={`absolute -translate-x-1/2 ${year === chosen ? 'font-bold' : 'text-quiet'}`}
            style={{ left: `${share(year)}%` }}
          >
            {year}
          </span>
        ))}
      </div>
      {at ? (
        <p data-testid="year">
          <strong>
            {chosen}
            {chosen === now ? ', now' : ''}
          </strong>
          : {PHASE_WORDS[at.phase]}, branches about {units.text('length', tenth(at.canopyM))} across, water{' '}
          {ringText(at.ring, units)} from the trunk.
        </p>
      ) : null}
    </section>
  );
}
