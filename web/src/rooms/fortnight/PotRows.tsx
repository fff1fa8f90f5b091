import type { PotsView } from '@kibble/contract';
import { Link } from 'react-router';
import { useUnits } from '../../words/units.ts';

/** Pots folded under their place: how many are watered on each day, and with how much. */
export function PotRows({ spots, dates }: { spots: PotsView['spots']; dates: readonly string[] }) {
  const units = useUnits();
  return spots.map((spot) => (
    <tr key={spot.name} className="border-t border-rule" data-spot={spot.name}>
      <th scope="row" className="py-1 text-left leading-tight font-normal">
        <Link className="font-serif font-semibold underline decoration-rule underline-offset-4" to="../pots">
          {spot.name}
        </Link>
        <span className="block text-xs text-quiet">
          {spot.pots.length} pots, {units.of('litresFine').unit}
        </span>
      </th>
      {dates.map((date) => {
        const day = spot.perDay.find((one) => one.date === date);
        return (
          <td key={date} className="text-center text-sm leading-tight">
            {day && day.pots > 0 ? (
              <>
                <span className="font-semibold text-water">{units.number('litresFine', day.litres)}</span>
                <span className="block text-xs text-quiet">
                  {day.pots} <span className="sr-only">{day.pots === 1 ? 'pot' : 'pots'}</span>
                </span>
              </>
            ) : null}
          </td>
        );
      })}
      <td />
    </tr>
  ));
}
