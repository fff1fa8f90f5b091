import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import { MORE } from './rooms.ts';

const ITEM =
  'flex min-h-12 items-center px-5 text-lg outline-none data-highlighted:bg-ink data-highlighted:text-paper';

/** The rooms that do not stand in the bar, over the button that opened them. */
export function MoreMenu({ id, className, onFind }: { id: number; className: string; onFind: () => void }) {
  const navigate = useNavigate();
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className={className}>More</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          align="end"
          sideOffset={4}
          className="z-20 min-w-52 border border-ink bg-paper font-serif"
        >
          {MORE.map(({ path, name }) => (
            <DropdownMenu.Item
              key={path}
              className={ITEM}
              onSelect={() => void navigate(`/garden/${id}/${path}`)}
            >
              {name}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item className={`${ITEM} border-t border-rule`} onSelect={onFind}>
            Find…
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
