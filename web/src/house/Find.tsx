import type { GardenView } from '@kibble/contract';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { useFocusKept } from '../ui/useFocusKept.ts';
import { ROOMS } from './rooms.ts';
import { ALSO } from './roomsAlso.ts';

/** What is done rather than gone to: where, and the words by which it is looked for. */
const ACTS: readonly (readonly [path: string, name: string, also: string])[] = [
  ['weather', 'Write down rain or a temperature', 'gauge thermometer log'],
  ['weather', 'Say what the days ahead bring', 'forecast hot rain words'],
  ['weather', 'Bring in a weather file', 'import csv'],
  ['beds', 'Add or change beds', 'new bed copy'],
  ['ground', 'Time a bucket, set out cans, feel the soil', 'test measure flow'],
  ['fortnight', 'Choose other round days, or days away', 'holiday move'],
  ['words', 'What Kibble’s words mean', 'glossary term help meaning'],
  ['settings', 'Where the garden lies', 'town latitude place'],
  ['settings', 'Write everything to a file', 'backup export archive'],
];

/** How near a name lies to what was typed, 0–1: it begins so, a word of it does, or what it is also called. */
function nearness(value: string, typed: string, also: string[] = []): number {
  const [name, wanted] = [value.toLowerCase(), typed.trim().toLowerCase()];
  if (name.startsWith(wanted)) return 1;
  if (name.split(/[\s,&]+/).some((word) => word.startsWith(wanted))) return 0.8;
  return also.some((word) => word.startsWith(wanted)) ? 0.5 : name.includes(wanted) ? 0.3 : 0;
}

const ITEM =
  'flex min-h-11 cursor-pointer items-center justify-between gap-3 px-4 data-[selected=true]:bg-ink data-[selected=true]:text-paper';

/** A bed, a room or an act found by typing part of its name. */
export function Find({ garden, open, onClose }: { garden: GardenView; open: boolean; onClose: () => void }) {
  const navigate = useNavigate();
  const kept = useFocusKept();
  const list = useRef<HTMLDivElement>(null);
  const go = (path: string): void => {
    onClose();
    void navigate(`/garden/${garden.id}/${path}`);
  };
  return (
    <Dialog.Root open={open} onOpenChange={(next) => (next ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/40" />
        <Dialog.Content
          {...kept}
          aria-describedby={undefined}
          className="fixed top-[10vh] left-1/2 z-20 w-[min(34rem,94vw)] -translate-x-1/2 border border-ink bg-paper"
        >
          <Dialog.Title className="sr-only">Find a bed, a room or an act</Dialog.Title>
          <Command label="Find a bed, a room or an act" filter={nearness}>
            <Command.Input
              onValueChange={() => requestAnimationFrame(() => list.current?.scrollTo({ top: 0 }))}
              placeholder="A bed, a room, an act…"
              className="min-h-14 w-full border-b border-ink bg-sheet px-4 text-lg outline-none"
            />
            <Command.List ref={list} className="max-h-[60vh] overflow-auto">
              <Command.Empty className="px-4 py-3 text-quiet">Nothing here is called so.</Command.Empty>
              {garden.beds
                .filter(({ archived }) => !archived)
                .map((bed) => (
                  <Command.Item
                    key={bed.id}
                    className={ITEM}
                    value={`${bed.name} ${bed.planting?.cropName ?? ''} #${bed.id}`}
                    onSelect={() => go(`beds/${bed.id}`)}
                  >
                    {bed.name} <span className="text-sm">{bed.planting?.cropName ?? 'bed'}</span>
                  </Command.Item>
                ))}
              {ROOMS.map(({ path, name }) => (
                <Command.Item
                  key={path}
                  className={ITEM}
                  value={name}
                  keywords={(ALSO[path] ?? '').split(' ')}
                  onSelect={() => go(path)}
                >
                  {name} <span className="text-sm">room</span>
                </Command.Item>
              ))}
              {ACTS.map(([path, name, also]) => (
                <Command.Item
                  key={name}
                  className={ITEM}
                  value={name}
                  keywords={also.split(' ')}
                  onSelect={() => go(path)}
                >
                  {name}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
