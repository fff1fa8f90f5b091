import type { FortnightView } from '@kibble/contract';
import { RemedyList } from '../../ui/RemedyList.tsx';
import { shareWords } from '../../words/words.ts';

type GivenUp = FortnightView['givenUp'][number];

/** What of a loss the limits or closed days are the reason of. */
function byLimits({ lostShare, shortDays, by }: GivenUp, of = ''): string {
  const why = by === 'closed days' ? 'the days closed to watering' : 'the limits';
  const short = shortDays > 0 ? `, with ${shortDays} ${shortDays === 1 ? 'day' : 'days'} short of water` : '';
  return `${shareWords(lostShare)}${of} is the price of ${why}${short}.`;
}

/** Beds that lose more than their goal allows, or lose by the limits: how much, why, and what would help. One figure for each bed. */
export function Lost({ over, givenUp }: Pick<FortnightView, 'over' | 'givenUp'>) {
  const priceOf = new Map(givenUp.map((one) => [one.bedId, one]));
  const others = givenUp.filter(({ bedId }) => !over.some((bed) => bed.bedId === bedId));
  if (over.length + others.length === 0) return null;
  return (
    <ul className="mt-2 border-l-4 border-brick pl-3" data-testid="over">
      {over.map((bed) => {
        const price = priceOf.get(bed.bedId);
        return (
          <li key={bed.bedId}>
            <strong>{bed.bedName}</strong> loses {shareWords(bed.lostShare)} of its growth; its goal allows{' '}
            {shareWords(bed.allowedShare)}.{price ? ` Of that, ${byLimits(price)}` : ''}
            {bed.remedies.length > 0 ? (
              <>
                {' '}
                What would help: <RemedyList bedName={bed.bedName} remedies={bed.remedies} />.
              </>
            ) : null}
          </li>
        );
      })}
      {others.map((price) => (
        <li key={price.bedId}>
          <strong>{price.bedName}</strong>: {byLimits(price, ' of its growth')}
        </li>
      ))}
    </ul>
  );
}
