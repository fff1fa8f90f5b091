import type { RoundsView, StopView } from '@kibble/contract';
import type {
  Aim,
  RemedyId,
  BestHour,
  Explainable,
  HandPace,
  LeaveReason,
  Waiting,
  WaterReason,
} from '@kibble/core';
import { sinkingMm } from '@kibble/core';
import { addDays, formatISO, getDay, parseISO } from 'date-fns';
import { dayMonth, dayName, shortDay, timeOfDay } from './dateWords.ts';
import type { Units } from './units.ts';

export { dayMonth, dayName, fullDate, longDate, plainDate, shortDay, timeOfDay } from './dateWords.ts';

/** A stage of a crop as it is called: the field's word stays in the working. */
export const stageWords = (stage: string): string => (stage === 'establishing' ? 'settling in' : stage);

/** A sentence in pieces: words, and numbers that open their working. */
export type Piece = string | { of: Explainable; text: string };
export type Sentence = Piece[];

/** A sentence as plain text. */
export const plain = (sentence: Sentence): string =>
  sentence.map((piece) => (typeof piece === 'string' ? piece : piece.text)).join('');

/** A share of growth, as a person says it. */
export const shareWords = (share: number): string => {
  const percent = 100 * share;
  if (percent < 0.1) return 'nothing';
  if (percent < 1) return 'under 1\u00a0%';
  return `${percent < 9.95 ? Number(percent.toFixed(1)) : Math.round(percent)}\u00a0%`;
};

/** How a plant fares by waiting, from how freely it drinks on the worst day (FAO-56 Ks): from so much on, in these words. */
const FARES: readonly (readonly [number, (until: string) => string])[] = [
  [0.75, (until) => `Waiting until ${until} would slow its growth a little`],
  [0.5, (until) => `Waiting until ${until} would slow its growth`],
  [0.2, (until) => `It would wilt before ${until}, and recover when watered`],
  [0, (until) => `It would suffer badly before ${until}`],
];

/** What waiting for the next round would cost, in one sentence: first how it fares, then the share of the fortnight's growth. */
export function waitingWords(waiting: Waiting): Sentence {
  const until = dayName(waiting.until);
  const opens = (share: number): Piece => ({ of: 'waiting', text: shareWords(share) });
  if (shareWords(waiting.planShare) === 'nothing')
    return waiting.planHighShare > 0.01
      ? [
          `It can wait until ${until}, unless the days are drier than forecast; then it would lose `,
          opens(waiting.planHighShare),
          ' of the fortnight’s growth.',
        ]
      : [`It can wait until ${until} without harm.`];
  const fares =
    FARES.find(([from]) => waiting.lowestKs >= from)?.[1] ??
    ((day: string) => `It could not wait until ${day}`);
  return [`${fares(until)}: it would lose `, opens(waiting.planShare), ' of the fortnight’s growth.'];
}

/** Use of a day from which bare ground is dry on top by evening. */
const DRIES_IN_A_DAY_MM = 5;

/** Given less than what is wanted by more than this, it is a part. */
const PART = 1.02;

/** One sentence of why a bed is watered today. */
export function waterSentence(
  reason: WaterReason,
  reachesMm: number,
  units: Units,
  givenMm = reason.wantedMm,
): Sentence {
  const past = reason.depletionMm > reason.readilyMm;
  const gone: Piece = { of: 'gone', text: units[past ? 'text' : 'number']('depth', reason.depletionMm) };
  const spare: Piece = { of: 'spare', text: units.text('depth', reason.readilyMm) };
  const deep: Piece = { of: 'reaches', text: units.text('depth', Math.round(reachesMm / 10) * 10) };
  const sinkMm = sinkingMm(givenMm, reason.depletionMm + reason.useTodayMm);
  const sinks: Sentence =
    sinkMm > 0 ? [` About ${units.text('depth', sinkMm)} of it will sink below the roots.`] : [];
  if (reason.code === 'planting drench')
    return [
      'Planted today: a drench settles the soil round the roots and is theirs for the first days. It goes ',
      deep,
      ' deep.',
    ];
  if (reason.code === 'seedbed')
    return [
      'The seed has not come up yet, so the top of the soil must stay moist. Use a fine spray, little and often. This wets the soil ',
      deep,
      ' deep.',
      reason.useTodayMm >= DRIES_IN_A_DAY_MM
        ? ' In this heat the top dries out within a day. A board or a fleece over the rows helps most, then shade at noon, then a second light sprinkle.'
        : '',
    ];
  if (reason.code === 'plug')
    return [
      'The young plants still live on the root balls they came in, which dry out before the soil around them. Water each plant at its base. This wets the soil ',
      deep,
      ' deep.',
    ];
  if (reason.code === 'after the dry spell')
    return ['The dry spell is over: the soak it was promised. It goes ', deep, ' deep.'];
  if (reason.code === 'wilting')
    return [
      'The plants hang, and not from heat: water now, whatever the hour. ',
      gone,
      ' are gone. It goes ',
      deep,
      ' deep.',
    ];
  if (reason.code === 'set by hand')
    return [
      'Set for today by hand. ',
      gone,
      ' are gone of the ',
      spare,
      ' within easy reach. It goes ',
      deep,
      ' deep.',
      ...sinks,
    ];
  if (reason.code === 'its zone')
    return [
      'It could wait, but its zone runs today. ',
      gone,
      ' of the ',
      spare,
      ' within easy reach are gone. It goes ',
      deep,
      ' deep.',
      ...sinks,
    ];
  if (reason.code === 'gap' && reason.soak)
    return [
      `${days(reason.soak.days)} since its last soak${Math.abs(reason.soak.counted - reason.soak.days) >= 1 ? `, which count as ${Math.round(reason.soak.counted)}` : ''}: it is to stand ${days(reason.soak.gapDays)} at most. `,
      gone,
      ' are gone; this goes ',
      deep,
      ' deep.',
    ];
  if (reason.code === 'ball' && reason.soak)
    return [
      `${reason.soak.days === 0 ? '' : `${days(reason.soak.days)} since its last watering. `}Its root ball dries before the ground round it: ${Math.round(100 * (reason.soak.ballGone ?? 0))} % of the ball’s water is gone. This goes `,
      deep,
      ' deep.',
    ];
  const start: Sentence = past
    ? [gone, ' are gone, and ', spare, ' were within easy reach. ']
    : [gone, ' of the ', spare, ' within easy reach are gone. '];
  const wait: Sentence =
    reason.waiting && reason.waiting.due !== null ? [...waitingWords(reason.waiting), ' '] : [];
  return reason.wantedMm > PART * givenMm
    ? [...start, ...wait, 'A round takes only a part, and the rest follows. This goes ', deep, ' deep.']
    : [
        ...start,
        ...wait,
        'This fills it to ',
        deep,
        ' deep.',
        ...(reason.code === 'fixed week' ? sinks : []),
      ];
}

export const days = (n: number): string => (n === 1 ? '1 day' : `${n} days`);

/** How long a bed can be left, short enough to stand in bold. */
export function leaveHead(reason: LeaveReason, nextDate: string | null): string {
  switch (reason.code) {
    case 'enough in store':
      return nextDate ? `${days(reason.daysInHand)} in hand` : 'over a fortnight in hand';
    case 'rain coming':
      return `rain likely ${shortDay(reason.on)}`;
    case 'too wet':
      return 'too wet';
    case 'toughening':
      return `toughening until ${shortDay(reason.until)}`;
    case 'hangs in wet ground':
      return 'hangs, and not from thirst';
    case 'not on this day':
      return nextDate ? `waits until ${shortDay(nextDate)}` : 'not on this day';
    case 'too windy':
      return 'too windy';
    case 'frozen':
      return 'the ground is frozen';
    case 'nothing growing':
    case 'ripened':
    case 'killed by frost':
      return reason.code;
    case 'settled today':
      return 'settled today';
    case 'its zone waits':
      return 'waits for its zone';
  }
}

/** Why a bed is left alone, in one sentence. */
export function leaveSentence(
  reason: LeaveReason,
  units: Units,
  event: { kind: string; reason: string | null; litres: number | null } | null,
): Sentence {
  switch (reason.code) {
    case 'enough in store':
      return [
        { of: 'gone', text: units.number('depth', reason.depletionMm) },
        ' of the ',
        { of: 'spare', text: units.text('depth', reason.readilyMm) },
        ' within easy reach are gone.',
      ];
    case 'rain coming':
      return [
        `${units.text('depth', reason.rainMm)} expected (${Math.round(reason.chance * 100)} %). ${
          reason.lostIfNotShare >= 0.01
            ? `If it fails, waiting costs ${shareWords(reason.lostIfNotShare)} of its growth till the next round.`
            : 'It can stand the wait, even if none comes.'
        }`,
      ];
    case 'too wet':
      return [
        `The roots have been short of air for ${days(reason.airlessDays)}. `,
        reason.airOn
          ? `Let it drain: with no more than the rain that is likely, they breathe again on ${shortDay(reason.airOn)}.`
          : 'It will not have drained within the fortnight: see that the water has a way out.',
      ];
    case 'toughening':
      return [
        'Held dry on purpose, so that the roots go down. If the plants hang in the morning or evening, that ends it: say so on the bed’s page.',
      ];
    case 'hangs in wet ground':
      return [
        'The ground has water: roots that hang in it lack air, or are sick. More water would finish them. Let it drain, shade it, and look at a root: white is well, brown is drowned.',
      ];
    case 'not on this day':
      return [
        reason.on
          ? `It is thirsty, but today is no round of its own: its turn is ${dayName(reason.on)}.`
          : 'It is thirsty, but today is closed to it, or its turn was moved so that today is not too long.',
      ];
    case 'too windy':
      return [
        `Wind of ${units.text('wind', reason.windMs)} would carry the water past it. It waits for a calmer day, two at most; if the plants hang, say so and water low by hand.`,
      ];
    case 'nothing growing':
      return [
        `Nothing grows here${reason.until ? ` until ${dayMonth(reason.until)}` : ', so it needs no water'}.`,
      ];
    case 'frozen':
      return [
        `No water goes into frozen ground, and the roots take none up. ${reason.until ? `It is likely to thaw by ${dayMonth(reason.until)}.` : 'It stays frozen for the fortnight at least.'}`,
      ];
    case 'ripened':
      return [
        `By its calendar it was past ripening on ${dayMonth(reason.on)} and asks for no more water. If you still pick from it, say so on its page: “ripening”, seen today.`,
      ];
    case 'killed by frost':
      return [
        `The frost of ${dayMonth(reason.on)} will have killed it. If it lives, say so on its page: its stage, seen today.`,
      ];
    case 'its zone waits':
      return [
        `It is thirsty, but its zone as a whole can wait${reason.on ? ` until ${dayName(reason.on)}` : ''}.`,
      ];
    case 'settled today':
      if (event?.kind === 'skip') return [`Skipped: ${event.reason ?? 'no reason given'}.`];
      return [event?.litres ? `Had ${units.text('volume', event.litres)} today.` : 'Had its water today.'];
  }
}

/** When in the day to water, with the reason. */
export function hourWords(hour: BestHour, units: Pick<Units, 'system'>): string {
  const at = (h: number): string => timeOfDay(h * 60, units);
  switch (hour.reason) {
    case 'wilting now':
      return 'Now, whatever the hour.';
    case 'opens its pores at night':
      return `From sunset, ${at(hour.fromHour)}: it opens its pores at night.`;
    case 'any hour, it wets no leaf':
      return 'Any hour: it wets no leaf. A surface that is dry by night keeps slugs away.';
    case 'cool and calm, and leaves dry fast':
      return `Best ${at(hour.fromHour)} to ${at(hour.toHour)}, cool and calm, and leaves dry fast${
        hour.fallback ? `; or ${at(hour.fallback.fromHour)} to ${at(hour.fallback.toHour)}` : ''
      }.`;
  }
}

/** What to mind with a spray today: wind, and how long leaves stay wet. */
export function sprayWords(spray: NonNullable<StopView['spray']>, units: Units): string {
  const wet = spray.overNight
    ? 'Leaves would stay wet all night, and slugs like a wet surface: wait for the morning.'
    : `Leaves stay wet about ${spray.leafWetHours < 1.5 ? 'an hour' : `${Math.round(spray.leafWetHours)} hours`}.`;
  const lost = Math.round(spray.lostShare * 100);
  const wind =
    spray.windMs !== null && spray.windMs > DRIFT_MS
      ? ` Wind of ${units.text('wind', spray.windMs)}: about ${lost} % is lost on the way, and the side it blows from stays dry.`
      : '';
  const heat =
    spray.tMaxC !== null && spray.tMaxC >= HOT_C
      ? ` At ${units.text('temperature', spray.tMaxC)} much of a spray dries on its way by noon: run it early, and keep it low.`
      : '';
  const leaves = spray.sheds
    ? ` About ${units.text('volume', spray.onLeavesL)} stays on the leaves, and much of the rest runs off them between the plants: feel the soil under the leaves afterwards, or give the water below them.`
    : '';
  return `${wet}${wind}${heat}${leaves}`;
}
/** Heat from which a spray is worth a word, °C. Judgement. */
const HOT_C = 32;
/** Wind from which drift is worth a word, m/s. */
const DRIFT_MS = 3;

/** Why to look into the ground before watering. */
export function checkFirstWords(check: NonNullable<StopView['checkFirst']>, units: Units): string {
  // A finger tells inches, not their hundredths.
  const inches = Math.round(units.of('depth').fromSi(check.depthMm));
  const deep = units.system === 'us' ? `${inches}\u00a0in` : units.text('depth', check.depthMm);
  const why = {
    'found moist': 'It was moist when last looked at',
    'balance is young': 'Its balance is only days old',
    'date is unsure': 'The weather leaves its date unsure',
  }[check.code];
  return `${why}: look ${deep} down first.`;
}

/** What a hand does: seconds at a plant or along the row, or cans. */
export function paceWords(pace: HandPace, passes: number, units: Units): string {
  const each = passes > 1 ? ' in each turn' : '';
  switch (pace.by) {
    case 'plant':
      return pace.plants > 1 ? `${Math.round(pace.seconds)} s at each plant${each}` : '';
    case 'metre': {
      const feet = units.system === 'us';
      const seconds = pace.seconds / units.of('length').fromSi(1);
      return `${seconds < 9.5 ? Number(seconds.toFixed(1)) : Math.round(seconds)} s along each ${feet ? 'foot' : 'metre'} of row${each}`;
    }
    case 'can':
      return `a can on every ${units.text('length', pace.metresEach)} of row${each}`;
  }
}

/** How often a week, as people say it. */
const PER_WEEK: Readonly<Record<number, string>> = { 1: 'Once a week', 2: 'Twice a week', 7: 'Every day' };
export const perWeekWords = (n: number): string => PER_WEEK[n] ?? `${n} times a week`;

const SHORT_DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
/** Days of the week in their order from Monday: Tue, Fri and Sun. */
export function weekdayWords(weekdays: readonly number[]): string {
  if (weekdays.length === 7) return 'every day';
  const names = [...weekdays]
    .sort((a, b) => ((a + 6) % 7) - ((b + 6) % 7))
    .map((day) => SHORT_DAYS[day] ?? '');
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '');
}

const REMEDY_WORDS: Readonly<Record<RemedyId, string>> = {
  straw: 'straw, a hand deep',
  'shade cloth': 'shade cloth',
  'straw and shade cloth': 'straw and shade cloth together',
  compost: 'compost, once it is in the ground',
  'wet the whole bed': 'wetting the whole bed',
  'a timer': 'a timer',
  'another round a week': 'another round a week',
  'another crop': 'another crop there',
};
export const remedyWords = ({ remedy, cropName }: { remedy: RemedyId; cropName: string | null }): string =>
  cropName ? `${REMEDY_WORDS[remedy]}, such as ${cropName.toLowerCase()}` : REMEDY_WORDS[remedy];

/** The next day after today on which the garden is walked, within a week. */
export function nextRound({ weekdays }: Pick<RoundsView, 'weekdays'>, today: string): string | null {
  for (let d = 1; d <= 7; d += 1) {
    const date = addDays(parseISO(today), d);
    if (weekdays.includes(getDay(date))) return formatISO(date, { representation: 'date' });
  }
  return null;
}

/** The round days in one line: which, what one less would cost, and what needs more. */
export function roundsWords(rounds: RoundsView): string {
  const { weekdays, sparser, between } = rounds;
  if (weekdays.length === 0) return '';
  const days = weekdayWords(weekdays);
  const less = sparser
    ? ` ${perWeekWords(sparser.perWeek)} would cost ${shareWords(sparser.lostShare)} of the growth.`
    : '';
  const more = between.length > 0 ? ` Between: ${between.map(({ bedName }) => bedName).join(', ')}.` : '';
  return `Rounds ${days}${rounds.by === 'gardener' ? ', as you chose' : ''}.${less}${more}`;
}

/** Where the water belongs. */
export const AIM_WORDS: Readonly<Record<Aim, string>> = {
  'root ball': 'Onto the root ball: its roots are nowhere else yet.',
  'branch edge': 'Under the edge of the branches and beyond, the trunk dry.',
  ring: 'Round the plants out to the edge of the branches.',
  'low under tall leaves': 'Hold it in low among the stems, under the leaves.',
  'foot of the plants': 'At the foot of the plants.',
  'whole surface': 'Over the whole surface.',
};
