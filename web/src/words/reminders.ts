import type { RoundView } from '@kibble/contract';
import { frostTonight } from '@kibble/core';
import { minutesText, type Units } from './units.ts';

/** What must not be missed while nobody looks. */
export interface Reminder {
  /** Rings once under this name. */
  tag: string;
  title: string;
  body: string;
}

/** The morning's round is told so long before its first tap, and a frost from this minute of the afternoon on. Judgements. */
const BEFORE_MIN = 10;
const FROST_FROM_MIN = 15 * 60;
/** A round that began longer ago is no news. */
const NEWS_MIN = 120;

/** What is to be told at a minute of the day. @param minute after midnight, by the device's clock */
export function remindersAt(
  round: Pick<RoundView, 'date' | 'stops' | 'tasks' | 'totals' | 'ribbon'>,
  minute: number,
  units: Units,
): Reminder[] {
  const told: Reminder[] = [];
  const starts = round.stops.flatMap(({ runs }) => runs.map(({ from }) => from));
  const first = Math.min(...starts);
  if (starts.length > 0 && minute >= first - BEFORE_MIN && minute <= first + NEWS_MIN)
    told.push({
      tag: `round-${round.date}`,
      title: 'The morning’s round',
      body: `${round.stops.length} to water, ${minutesText(round.totals.handsOnMinutes)} of your time.`,
    });
  for (const { bedId, bedName, task } of round.tasks)
    if (task.code === 'probe it now')
      told.push({
        tag: `probe-${round.date}-${bedId}`,
        title: `Look how deep it went: ${bedName}`,
        body: 'Push the rod in now; later the water has moved on.',
      });
  const lowest = frostTonight(round.ribbon, round.date);
  if (lowest !== null && minute >= FROST_FROM_MIN)
    told.push({
      tag: `frost-${round.date}`,
      title: `Frost tonight, ${units.text('temperature', lowest)}`,
      body: 'Drain hoses, take in what is tender, water nothing that will freeze.',
    });
  return told;
}
