import type { WindowView } from '@kibble/contract';
import type { RunsOut } from '@kibble/core';
import { dayMonth } from './dateWords.ts';

/** From so far off on nothing is as good as certain, share. Judgement. */
const DOUBTFUL = 0.1;
/** From so far off on nobody knows it. */
const UNKNOWN = 0.2;
/** When the next watering falls due, as sure as the weather and what is known of the ground let it be. @param startDoubt how far off what was said of the ground's wetness may be, share */
export function windowWords(window: WindowView, today: string, startDoubt = 0): string {
  const { early, likely, late } = window;
  if (!early) return 'No watering is likely within a fortnight.';
  const name = (date: string): string => (date === today ? 'today' : dayMonth(date));
  if (early === late)
    return startDoubt < DOUBTFUL
      ? `Next: ${name(early)}, as good as certain.`
      : `Next: ${name(early)}, ${startDoubt < UNKNOWN ? 'if the ground was as wet as you said' : 'but how wet the ground was is not known'}.`;
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
