import type { WeatherView } from '@kibble/contract';
import { useMarkImportMutation } from '../../api/weather.ts';
import { Button } from '../../ui/Button.tsx';

/** Files that were brought in, each of which can be taken back as a whole and brought again. */
export function Imports({ items }: { items: WeatherView['imports'] }) {
  const [mark, { isLoading }] = useMarkImportMutation();
  if (items.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1 text-2xl">Files brought in</h2>
      <ul>
        {items.map((item) => (
          <li key={item.id} className="flex items-baseline gap-3 border-t border-rule">
            <span
              className={
                item.removed
                  ? 'min-w-0 flex-1 break-words text-quiet line-through'
                  : 'min-w-0 flex-1 break-words'
              }
            >
              {item.fileName}, {item.days.toLocaleString()} days
            </span>
            <Button
              look="quiet"
              disabled={isLoading}
              aria-label={`${item.removed ? 'Bring again' : 'Take back'}: ${item.fileName}`}
              onClick={() => void mark({ id: item.id, restore: item.removed })}
            >
              {item.removed ? 'Bring again' : 'Take back'}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
