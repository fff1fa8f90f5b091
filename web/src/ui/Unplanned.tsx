import type { UnplannedView } from '@kibble/contract';
import { Link } from 'react-router';
import { useGarden } from '../state/gardenRound.ts';

/** Beds that cannot be planned: which, why, and where to put them right. The rest of the garden stands without them. */
export function Unplanned({ items }: { items: UnplannedView[] }) {
  const { id } = useGarden();
  if (items.length === 0) return null;
  return (
    <section role="alert" aria-label="Cannot be planned" className="mb-6 border-l-4 border-brick pl-3">
      <h2 className="text-xl">Cannot be planned</h2>
      <ul>
        {items.map((item) => (
          <li key={item.bedId} className="py-1">
            <strong>{item.bedName}.</strong> {item.message}{' '}
            <Link
              className="font-semibold underline underline-offset-4"
              to={`/garden/${id}/beds/${item.bedId}`}
            >
              Put it right
            </Link>
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">
        Nothing of them is lost; the rest of the garden is planned without them.
      </p>
    </section>
  );
}
