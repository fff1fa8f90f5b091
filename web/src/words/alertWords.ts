import type { AlertView } from '@kibble/contract';
import type { AlertAct, AlertGround } from '@kibble/core';
import type { Units } from './units.ts';
import { dayMonth, days } from './words.ts';

/** What the weather asks for, in one sentence. */
export function alertWords(alert: AlertView, units: Units): string {
  const on = dayMonth(alert.from);
  const taking = alert.usualDays ? ` It takes what ${alert.usualDays.toFixed(1)} usual days take.` : '';
  switch (alert.code) {
    case 'heat wave':
      return `Heat from ${on}: ${days(alert.days)}, up to ${units.text('temperature', alert.highestC)}.`;
    case 'hot dry wind':
      return `Hot dry wind on ${on}, ${units.text('temperature', alert.highestC)}: trees and pots lose most.${taking} Drink, and keep out of the noon sun.`;
    case 'drying wind':
      return `Wind on ${on}, ${units.text('wind', alert.windMs)} all day: pots dry out first.${taking}`;
    case 'dry spell':
      return `${days(alert.days)} without real rain.`;
    case 'soaking rain':
      return `Soaking rain likely on ${on}, ${units.text('depth', alert.rainMm)}.`;
    case 'hard frost':
      return `Hard frost on ${on}, ${units.text('temperature', alert.lowestC)}.`;
    case 'ground about to freeze':
      return `The ground is about to freeze from ${on}: after a last watering, none until it thaws.`;
  }
}

/** An alert in two or three words. */
export const ALERT_NAMES: Readonly<Record<AlertView['code'], string>> = {
  'heat wave': 'Heat',
  'hot dry wind': 'Hot dry wind',
  'drying wind': 'Wind',
  'dry spell': 'Long dry run',
  'soaking rain': 'Soaking rain',
  'hard frost': 'Hard frost',
  'ground about to freeze': 'Freezing ground',
};

/** Alerts that do harm if nothing is done. */
export const isHarm = ({ code }: AlertView): boolean =>
  code !== 'soaking rain' && code !== 'dry spell' && code !== 'drying wind';

/** What an alert asks to be done. */
export const ACT_WORDS: Readonly<Record<AlertAct, string>> = {
  'ready the beds': 'Soak, mulch or shade the beds that the round names under “Besides”',
  'shade pots and trays': 'Move pots and seed trays out of the noon sun, and feel them morning and evening',
  'look at trees':
    'Dig beside the youngest trees and shrubs: whichever stood longest without water comes first',
  'feel the pots': 'Feel pots in the evening; small and unglazed ones may want water twice',
  'no sprinkler': 'Leave sprinklers off while it blows, or look afterwards for the side that stayed dry',
  'stop the timers': 'Stop the timers until the ground asks again',
  'ready the barrels': 'Open the downpipes, and empty the gauge',
  'drain hoses and lines': 'Drain hoses, lines and filters, and bring in what cannot freeze',
  'shut the outdoor tap': 'Shut and drain the outdoor tap',
  'water evergreens once': 'Water evergreens and this year’s trees once more while the ground takes it',
  'dig for damp': 'Dig a hand deep where nothing is watered: is it still damp?',
};

const FIGURES: Readonly<
  Record<AlertGround['figure'], { words: string; quantity: 'temperature' | 'humidity' | 'wind' | 'depth' }>
> = {
  highest: { words: 'highest', quantity: 'temperature' },
  lowest: { words: 'lowest', quantity: 'temperature' },
  'mean of three days': { words: 'mean of three days', quantity: 'temperature' },
  'lowest humidity': { words: 'driest air', quantity: 'humidity' },
  'mean wind': { words: 'wind', quantity: 'wind' },
  rain: { words: 'rain', quantity: 'depth' },
  'rain since': { words: 'rain in all since', quantity: 'depth' },
};

/** One figure an alert rests on: what it is, and what it is held against. */
export function groundWords({ figure, limit, side, days: its }: AlertGround, units: Units): string {
  const { words, quantity } = FIGURES[figure];
  const [first] = its;
  const values = its.map(({ value }) => units.number(quantity, value)).join(', ');
  const { unit } = units.of(quantity);
  const from = figure === 'rain since' && first ? ` ${dayMonth(first.date)}` : '';
  return `${words}${from} ${values} ${unit} (${side} ${units.text(quantity, limit)})`;
}

/** Trees by how long they stood without a whole soak, and what that counts as. */
export const treesWords = (trees: NonNullable<AlertView['trees']>): string =>
  trees
    .map(({ bedName, days: gone, counted }) => {
      const more = Math.round(counted) > gone ? `, which count as ${Math.round(counted)}` : '';
      return gone === 0 ? `${bedName} none${more}` : `${bedName} ${days(gone)}${more}`;
    })
    .join('; ');

/** A chance as people count. */
export const chanceWords = (chance: number): string =>
  chance >= 0.95
    ? 'as good as certain'
    : chance < 0.05
      ? 'hardly likely'
      : `likely ${Math.round(chance * 10)} times in 10`;
