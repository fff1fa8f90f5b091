import type { BedOutlook } from '../follow/types.ts';
import { growthLost } from '../follow/growthLost.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import type { PlantingInput } from '../plants/types.ts';
import { leaf, worked, type Working } from '../working/types.ts';

/** Days behind over which growth lost is told. */
export const LATELY_DAYS = 14;
/** Less than this is not told as missed, mm. Judgement. */
const LEAST_MISSED_MM = 0.05;

/** Days on which the plants drank less than they wanted. */
const shortDaysOf = (days: readonly DailyRecord[]): Working[] =>
  days.flatMap(({ date, transpirationWantedMm, transpirationMm }) => {
    const missed = transpirationWantedMm - transpirationMm;
    return missed >= LEAST_MISSED_MM ? [leaf(`Missed on ${date}`, missed, 'mm', { kind: 'worked out' })] : [];
  });

/** Growth lost over the plan's days, against what its goal allows. Source: FAO-33, as `yieldResponse`. */
export function explainGrowth({
  lostShare,
  lostIfShallow,
  allowedShare,
  lostL,
  wantedL,
  ahead,
}: BedOutlook): Working {
  return worked(
    'Growth lost',
    lostShare,
    'share',
    'what is missed, weighed ÷ what the plants want; the mean of roots shallow, middle and deep',
    [
      worked(
        'Missed, weighed',
        lostL,
        'L',
        'each day: (wanted − drunk) × how much its stage minds (FAO-33); below, mm over the bed with roots as deep as they are counted on',
        shortDaysOf(ahead),
      ),
      leaf('The plants want', wantedL, 'L', { kind: 'worked out' }),
      leaf('Lost if its roots are shallow', lostIfShallow, 'share', { kind: 'worked out' }),
      leaf('What its goal lets it lose', allowedShare, 'share', { kind: 'assumed', why: 'a judgement' }),
    ],
  );
}

/** Growth that the fortnight behind has cost. @param past days of its balance, `plantings` what stood there */
export function explainLately(past: readonly DailyRecord[], plantings: readonly PlantingInput[]): Working {
  const days = past.slice(-LATELY_DAYS);
  const sum = (of: (day: DailyRecord) => number): number => days.reduce((total, day) => total + of(day), 0);
  return worked(
    'Growth lost in the fortnight behind',
    growthLost(days, plantings),
    'share',
    'what was missed × how much its stage minds (FAO-33) ÷ what the plants wanted, as the balance has it',
    [
      worked(
        'Missed',
        sum((day) => day.transpirationWantedMm - day.transpirationMm),
        'mm',
        'each day: wanted − drunk',
        shortDaysOf(days),
      ),
      leaf(
        'The plants wanted',
        sum((day) => day.transpirationWantedMm),
        'mm',
        { kind: 'worked out' },
      ),
    ],
  );
}
