import { describe, expect, test } from '@jest/globals';
import type { RoundsView } from '@kibble/contract';
import type { LeaveReason, Waiting, WaterReason } from '@kibble/core';
import { unitsOf } from './units.ts';
import {
  leaveHead,
  sprayWords,
  leaveSentence,
  nextRound,
  paceWords,
  plain as textOf,
  plainDate,
  roundsWords,
  shareWords,
  waitingWords,
  waterSentence,
  weekdayWords,
  type Sentence,
} from './words.ts';
import { windowWords } from './bedWords.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');
const plain = (words: Sentence | string): string =>
  (typeof words === 'string' ? words : textOf(words)).replaceAll('\u00a0', ' ');

const waiting: Waiting = {
  until: '2026-07-17',
  lostShare: 0.062,
  highShare: 0.12,
  planShare: 0.014,
  planHighShare: 0.03,
  lostL: 4,
  highL: 8,
  missedShare: 0.041,
  allowedShare: 0.03,
  lowestKs: 0.8,
  reachableKs: 1,
  floor: 0.75,
  due: 'growth',
  spentL: 2,
  allowedL: 5,
};
const reason: WaterReason = {
  code: 'growth',
  depletionMm: 20.2,
  readilyMm: 24.6,
  totalMm: 77.6,
  useTodayMm: 7.1,
  cropUseMm: 7.1,
  wantedMm: 20.2,
  waiting,
  carriedFrom: null,
  soak: null,
  shallowMm: null,
  partBy: null,
  zone: null,
  depletionShare: 0.4,
};

describe('why a bed is watered', () => {
  test('one sentence with figures, units and the depth it reaches', () => {
    expect(plain(waterSentence(reason, 637, metric))).toBe(
      '20 of the 25 mm within easy reach are gone. Waiting until Friday would slow its growth a little: it would lose 1.4 % of the fortnight’s growth. This fills it to 640 mm deep.',
    );
    expect(plain(waterSentence(reason, 637, us))).toMatch(/0.8 of the 0.97 in .* 25.2 in deep/);
  });
  test('a bed past what was within reach says so, and a part is called one', () => {
    expect(plain(waterSentence({ ...reason, depletionMm: 30 }, 500, metric))).toMatch(
      /^30 mm are gone, and 25 mm were within easy reach\./,
    );
    expect(plain(waterSentence(reason, 300, metric, 12))).toMatch(/takes only a part, and the rest follows/);
    expect(plain(waterSentence({ ...reason, code: 'after the dry spell' }, 300, metric))).toMatch(/promised/);
  });
  test('what waiting costs: nothing, nothing unless it is dry, or a share', () => {
    expect(plain(waitingWords({ ...waiting, planShare: 0, planHighShare: 0 }))).toBe(
      'It can wait until Friday without harm.',
    );
    expect(plain(waitingWords({ ...waiting, planShare: 0, planHighShare: 0.04 }))).toMatch(/unless .* 4 %/);
    // FAO-56's Ks of one half is read as the first wilt.
    expect(plain(waitingWords({ ...waiting, lowestKs: 0.4 }))).toBe(
      'It would wilt before Friday, and recover when watered: it would lose 1.4 % of the fortnight’s growth.',
    );
    expect([0.004, 0.0151, 0.3].map((share) => plain(shareWords(share)))).toEqual([
      'under 1 %',
      '1.5 %',
      '30 %',
    ]);
  });
});

describe('round days and a hand’s pace', () => {
  const rounds: RoundsView = {
    by: 'proposed',
    weekdays: [5, 2],
    between: [{ bedId: 1, bedName: 'Peppers', weekdays: [2, 5, 0] }],
    onTimer: [],
    sparser: { perWeek: 1, lostShare: 0.07 },
  };
  test('in one line: the days from Monday on, what one less would cost, and what needs more', () => {
    expect(plain(roundsWords(rounds))).toBe(
      'Rounds Tue and Fri. Once a week would cost 7 % of the growth. Between: Peppers.',
    );
    expect(roundsWords({ ...rounds, by: 'gardener', between: [], sparser: null })).toBe(
      'Rounds Tue and Fri, as you chose.',
    );
    expect(weekdayWords([0, 1, 2, 3, 4, 5, 6])).toBe('every day');
    // 14 July 2026 is a Tuesday.
    expect(nextRound(rounds, '2026-07-14')).toBe('2026-07-17');
    expect(nextRound({ weekdays: [] }, '2026-07-14')).toBeNull();
  });
  test('seconds at a plant, along the row, or cans: never two seconds at each of a hundred plants', () => {
    expect(paceWords({ by: 'plant', seconds: 34, plants: 6 }, 2, metric)).toBe(
      '34 s at each plant in each turn',
    );
    expect(paceWords({ by: 'metre', seconds: 7.2, metres: 40 }, 1, metric)).toBe(
      '7.2 s along each metre of row',
    );
    expect(plain(paceWords({ by: 'can', metresEach: 1.5, metres: 12 }, 1, metric))).toMatch(
      /a can on every 1.5 m/,
    );
    expect(paceWords({ by: 'metre', seconds: 10, metres: 4 }, 1, us)).toBe('3 s along each foot of row');
  });
});

describe('why a bed is left alone', () => {
  const enough: LeaveReason = { code: 'enough in store', daysInHand: 1, depletionMm: 9, readilyMm: 29 };
  test('days in hand, singular and beyond the horizon', () => {
    expect(leaveHead(enough, '2026-07-15')).toBe('1 day in hand');
    expect(leaveHead({ ...enough, daysInHand: 3 }, '2026-07-17')).toBe('3 days in hand');
    expect(leaveHead(enough, null)).toBe('over a fortnight in hand');
    expect(plain(leaveSentence(enough, metric, null))).toBe('9 of the 29 mm within easy reach are gone.');
  });
  test('rain, wet ground, bare ground and what was done today', () => {
    const rain: LeaveReason = {
      code: 'rain coming',
      on: '2026-07-22',
      rainMm: 27,
      chance: 0.6,
      lostIfNotShare: 0.06,
    };
    expect(leaveHead(rain, null)).toBe('rain likely Wed 22');
    expect(plain(leaveSentence(rain, metric, null))).toMatch(
      /27 mm .*60 %.* waiting costs 6 % of its growth/,
    );
    expect(plain(leaveSentence({ ...rain, lostIfNotShare: 0 }, metric, null))).toMatch(/even if none comes/);
    expect(plain(leaveSentence({ code: 'too windy', windMs: 8 }, us, null))).toMatch(/Wind of 18 mph/);
    const wet = { code: 'too wet', airlessDays: 3 } as const;
    expect(plain(leaveSentence({ ...wet, airOn: '2026-07-16' }, metric, null))).toMatch(
      /short of air for 3 days.* breathe again on Thu 16/,
    );
    expect(plain(leaveSentence({ ...wet, airOn: null }, metric, null))).toMatch(/a way out/);
    expect(plain(leaveSentence({ code: 'nothing growing', until: null }, metric, null))).toMatch(/no water/);
    expect(plain(leaveSentence({ code: 'nothing growing', until: '2027-05-05' }, metric, null))).toMatch(
      /until Wed 5 May/,
    );
    const on = '2026-07-01';
    expect(plain(leaveSentence({ code: 'ripened', on }, metric, null))).toMatch(/no more water.*seen today/);
    expect(plain(leaveSentence({ code: 'killed by frost', on }, metric, null))).toMatch(/frost.*seen today/);
    const settled: LeaveReason = { code: 'settled today' };
    expect(plain(leaveSentence(settled, metric, { kind: 'skip', reason: 'feels moist', litres: null }))).toBe(
      'Skipped: feels moist.',
    );
    expect(plain(leaveSentence(settled, metric, { kind: 'watering', reason: null, litres: 120 }))).toBe(
      'Had 120 L today.',
    );
  });
});

test('a spray in great heat is to run early and low, and in mild weather nothing is said of heat', () => {
  const spray = { windMs: 1, lostShare: 0.1, leafWetHours: 1, overNight: false, onLeavesL: 14, sheds: false };
  expect(sprayWords({ ...spray, tMaxC: 36 }, metric)).toContain('run it early, and keep it low');
  expect(sprayWords({ ...spray, tMaxC: 24 }, metric)).not.toContain('run it early');
});

test('where leaves shed a spray, what stays on them is said, and where to feel', () => {
  const spray = { windMs: 1, tMaxC: 24, lostShare: 0.1, leafWetHours: 1, overNight: false, onLeavesL: 14 };
  expect(sprayWords({ ...spray, sheds: true }, metric)).toContain('About 14\u00a0L stays on the leaves');
  expect(sprayWords({ ...spray, sheds: false }, metric)).not.toContain('stays on the leaves');
});

describe('when the next watering is due', () => {
  const litres = { low: 1, middle: 2, high: 3 };
  test('nothing is certain where the ground was only told in a word', () => {
    const sure = { early: '2026-07-16', likely: '2026-07-16', late: '2026-07-16', litres, fan: [] };
    expect(windowWords(sure, '2026-07-14', 0.15)).toBe(
      'Next: Thu 16 Jul, if the ground was as wet as you said.',
    );
  });
  test('certain, between two days, perhaps not at all', () => {
    const words = (early: string | null, likely: string | null, late: string | null): string =>
      windowWords({ early, likely, late, litres, fan: [] }, '2026-07-14');
    expect(words('2026-07-16', '2026-07-16', '2026-07-16')).toBe('Next: Thu 16 Jul, as good as certain.');
    expect(words('2026-07-16', '2026-07-17', '2026-07-19')).toBe(
      'Next: between Thu 16 Jul and Sun 19 Jul, most likely Fri 17 Jul.',
    );
    expect(words('2026-07-14', '2026-07-14', '2026-07-15')).toMatch(/between today and/);
    expect(words('2026-07-20', null, null)).toMatch(/perhaps not within a fortnight/);
    expect(words(null, null, null)).toMatch(/No watering is likely/);
  });
});

test('a year is written only when it is another one', () => {
  expect(plainDate('2026-07-03', '2026-07-14')).toBe('3 Jul');
  expect(plainDate('2015-07-03', '2026-07-14')).toBe('3 Jul 2015');
});
