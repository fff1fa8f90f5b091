import { usePref } from '../../state/pref.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { Toggle } from '../../ui/Toggle.tsx';

const KEYS = [
  ['j, k', 'next stop, the one before'],
  ['d', 'done, as planned'],
  ['o', 'open the tap, or one fill poured: a clock or a count begins'],
  ['a', 'another amount'],
  ['l', 'look into the ground first'],
  ['s', 'skip, with a reason'],
  ['w', 'the working of its minutes'],
  ['p', 'print the round'],
  ['/', 'find a bed, a room, an act'],
  ['?', 'this sheet'],
] as const;

/** What the letters do, and the switch that turns them off. */
export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [on, setOn] = usePref('keys', true);
  return (
    <Sheet open={open} onClose={onClose} title="Keys on the round">
      <p className="mb-3">
        With a stop focused, in the list or opened. “To the room itself” goes to the first.
      </p>
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)] gap-y-1">
        {KEYS.map(([key, words]) => (
          <div key={key} className="contents">
            <dt className="font-bold">{key}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <Toggle on={on} onChange={setOn} className="mt-4">
        Letter keys on this device
      </Toggle>
    </Sheet>
  );
}
