import type { PotView } from '@kibble/contract';
import { daysBetween, vesselKind, type PotEntry, type PotHelp, type PotTask } from '@kibble/core';
import { BODY_TASKS } from './bodyTasks.ts';
import type { Units } from './units.ts';
import { dayMonth, days, shortDay } from './words.ts';

/** From here on a dose is told in litres. */
const LITRE_ML = 1000;

/** A dose as a hand measures it: mL, or litres from one on. */
export const doseText = (ml: number, units: Units): string =>
  ml >= LITRE_ML
    ? units.text('litresFine', ml / LITRE_ML)
    : units.system === 'us'
      ? `${units.text('millilitres', ml)}${cups(ml)}`
      : units.text('millilitres', tenOf(ml));

/** The same without cups, for the edge of a chart. */
export const shortDose = (ml: number, units: Units): string =>
  ml >= LITRE_ML ? units.text('litresFine', ml / LITRE_ML) : units.text('millilitres', tenOf(ml));

/** A cup is 240 mL; told in quarters, from a quarter on. */
const CUP_ML = 240;
const QUARTERS = ['', '¼', '½', '¾'] as const;
function cups(ml: number): string {
  const quarters = Math.round((4 * ml) / CUP_ML);
  // Nobody measures an eighth of a cup.
  if (4 * ml < 0.75 * CUP_ML) return '';
  const whole = Math.floor(quarters / 4);
  return ` (${whole > 0 ? whole : ''}${QUARTERS[quarters % 4] ?? ''} ${quarters > 4 ? 'cups' : 'cup'})`;
}

/** Nobody pours to the millilitre: rounded to what a cup shows. */
const tenOf = (ml: number): number => (ml < 50 ? Math.round(ml) : 10 * Math.round(ml / 10));

const HOW: Readonly<Record<string, string>> = {
  poured: '',
  twice: ', in two rounds',
  'from below': ', from below',
  reservoir: ', into the tank',
};
export const giveText = ({ give }: PotView, units: Units): string =>
  give ? `${doseText(give.millilitres, units)}${HOW[give.how] ?? ''}` : '';

/** How a pot stands today, in few words. */
export function potState(pot: PotView, today: string, units: Units): string {
  if (pot.give) return `give ${giveText(pot, units)}`;
  switch (pot.leave?.code) {
    case 'rests':
      return 'rests';
    case 'look if it is dry':
      return 'look: wholly dry?';
    case 'look for the signs':
      return 'look at it';
    case 'nothing growing':
      return 'nothing planted';
    case 'frozen':
      return 'frozen: do not water';
    case 'held dry':
      return `held dry until ${dayMonth(pot.leave.until)}`;
    case 'killed by frost':
      return `killed by frost on ${dayMonth(pot.leave.on)}`;
    case 'ripened':
      return `finished on ${dayMonth(pot.leave.on)}`;
    case 'seen to today':
      return 'seen to today';
    default:
      return nextText(pot, today);
  }
}

/** Whether all that stands in a pot is dead or over. */
export const isOver = ({ leave }: Pick<PotView, 'leave'>): boolean =>
  leave?.code === 'killed by frost' || leave?.code === 'ripened';

/** When it is next due. */
export function nextText({ next }: PotView, today: string): string {
  const on = next.likely ?? next.late;
  if (!on) return 'not in this fortnight';
  const inDays = daysBetween(today, on);
  return inDays <= 1 ? (inDays <= 0 ? 'today' : 'tomorrow') : `${days(inDays)}: ${shortDay(on)}`;
}

export const taskText = (task: PotTask): string =>
  task.code === 'dry spell'
    ? `It is tall enough for its one dry spell: ${days(task.days)} without water send its roots down. The first wilting ends it.`
    : task.code === 'weigh again'
      ? task.why === 'moved'
        ? 'Weigh it anew: it stands elsewhere or in another pot since.'
        : 'Weigh it anew: it has grown, and the season has turned.'
      : TASKS[task.code];
const TASKS: Readonly<Record<Exclude<PotTask['code'], 'weigh again' | 'dry spell'>, string>> = {
  'rest begins': 'Its rest begins: next to no water from now on.',
  'rest ends': 'Its rest is over: look whether it is dry, and begin with a little.',
  ...BODY_TASKS,
  'root-bound': 'Roots fill the pot: it dries fast. A pot twice as large would help.',
  rescue: 'The mix has shrunk and sheds water: stand it in water for an hour or two.',
  'tip out':
    'Water stands in it and cannot run out, and its roots lack air. Tip it on its side until the water has run off; a hole in its bottom would prevent this.',
  'damping off': 'Wet and cold tonight: seedlings may damp off. No water over them; let the surface dry.',
  'bring in': 'Frost is near: bring it in or cover it.',
  'keep moist': 'Sown and not yet up: keep the top moist with a fine spray, not a can.',
  'prick out': 'Two true leaves? Prick them out, from moist mix into moist mix.',
};

export const entryText = (entry: PotEntry, units: Units): string => {
  switch (entry.kind) {
    case 'given':
      return `${doseText(entry.millilitres, units)}${HOW[entry.how] ?? ''}`;
    case 'weighed':
      return `weighed ${units.text('weight', entry.kg)}${entry.full ? ', full' : ''}`;
    case 'heft':
      return `felt ${entry.felt}${entry.by === 'foot' ? ' to the foot' : ' in the hand'}`;
    case 'meter':
      return `${entry.meter}: ${Math.round(entry.pct)} %`;
    case 'finger':
      return `finger: ${entry.found}`;
    case 'seen':
      return entry.sign;
    case 'dry spell':
      return entry.what === 'start' ? `a dry spell of ${days(entry.days)}` : 'the dry spell ended';
    case 'left':
      return 'left alone';
  }
};

export const HELP_WORDS: Readonly<Record<PotHelp['code'], string>> = {
  saucer: 'a saucer under it',
  bark: 'bark or straw on the mix',
  'half shade': 'a place in half shade',
  'larger pot': 'a pot twice as large',
  glazed: 'a glazed pot in the place of clay',
  reservoir: 'a planter with a tank',
};

/** Vessels with how many they are: by their kind where they are all of one, as pots where they are not. */
export function vesselsText(pots: readonly PotView[]): string {
  const kinds = new Set(pots.map(({ kind }) => kind));
  const { one, many } = vesselKind(kinds.size === 1 ? (pots[0]?.kind ?? '') : '');
  return `${pots.length} ${pots.length === 1 ? one : many}`;
}

/** The plants of a pot, by name. */
export const plantsText = ({ plantings }: Pick<PotView, 'plantings'>): string =>
  plantings.length > 0 ? plantings.map(({ cropName }) => cropName).join(', ') : 'nothing planted';
