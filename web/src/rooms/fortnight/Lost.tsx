import type { FortnightView } from '@kibble/contract';
import { RemedyList } from '../../ui/RemedyList.tsx';
import { groupedBy, listed } from '../../words/grouped.ts';
import { shareWords } from '../../words/words.ts';

type GivenUp = FortnightView['givenUp'][number];

/** What the limits or closed days cost a bed, without the article that begins the sentence. */
function priceWords({ lostShare, shortDays, by }: GivenUp): string {
  const why = by === 'closed days' ? 'days closed to watering' : 'limits';
  const short = shortDays > 0 ? `, with ${shortDays} ${shortDays === 1 ? 'day' : 'days'} short of water` : '';
  return `${why} alone cost ${shareWords(lostShare)} of its growth${short}.`;
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
            {shareWords(bed.allowedShare)}.{price ? ` The ${priceWords(price)}` : ''}
            {bed.remedies.length > 0 ? (
              <>
                {' '}
                What would help: <RemedyList bedName={bed.bedName} remedies={bed.remedies} />.
              </>
            ) : null}
          </li>
        );
      })}
      {groupedBy(others, priceWords).map((alike) => {
        const [price] = alike;
        return price ? (
          <li key={price.bedId}>
            <strong>{listed(alike.map(({ bedName }) => bedName))}</strong>: the {priceWords(price)}
          </li>
        ) : null;
      })}
    </ul>
  );
}
