import type { WindowView } from '@kibble/contract';
import type { RunsOut } from '@kibble/core';
import { dayMonth } from './dateWords.ts';

/** When the next watering falls due, as sure as the weather lets it be. */
export function windowWords(window: WindowView, today: string): string {
  const { early, likely, late } = window;
  if (!early) return 'No watering is likely within a fortnight.';
  const name = (date: string): string => (date === today ? 'today' : dayMonth(date));
  if (early === late) return `Next: ${name(early)}, as good as certain.`;
  const middle = likely ? `, most likely ${name(likely)}` : '';
  return late
    ? `Next: between ${name(early)} and ${name(late)}${middle}.`
    : `Next: ${name(early)} at the earliest, and perhaps not within a fortnight${middle}.`;
}

/** How long the ground's store lasts if nobody waters. */
export function runsOutWords({ slows, wilts, until }: RunsOut, today: string): string {
  const about = ({ early, likely, late }: RunsOut['slows']): string => {
    const name = (date: string | null): string => (date === null ? 'not at all' : dayMonth(date));
    const between = early === late ? '' : ` (between ${name(early)} and ${name(late)})`;
    return `${name(likely)}${between}`;
  };
  const wilting = wilts.likely ? ` It wilts from about ${about(wilts)}.` : ' It hardly wilts this season.';
  if (slows.likely === null)
    return `With no watering at all what the ground holds, and the rain to come, will most likely do until ${dayMonth(until)}.`;
  if (slows.likely === today)
    return `What was within easy reach is used up.${wilts.likely ? ` With no watering at all it wilts from about ${about(wilts)}.` : ''}`;
  return `With no watering at all what the ground holds lasts until about ${about(slows)}.${wilting}`;
}
