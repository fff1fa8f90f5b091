import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import type { Word } from '../words/glossary.ts';

/** What a word means, over the word. */
export function WordPopover({ word, children }: { word: Word; children: ReactNode }) {
  const { gardenId } = useParams();
  return (
    <Popover.Root defaultOpen>
      <Popover.Trigger className="term" title={`What “${word.plain}” means`}>
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`What “${word.plain}” means`}
          collisionPadding={12}
          sideOffset={4}
          className="z-30 max-w-80 border border-ink bg-paper p-3 text-base font-normal text-ink"
        >
          <p className="font-bold">{word.plain}</p>
          <p className="text-sm text-quiet">{word.term}</p>
          <p className="mt-1">{word.says}</p>
          {gardenId ? (
            <Link className="inline-flex min-h-9 items-center underline" to={`/garden/${gardenId}/words`}>
              All words
            </Link>
          ) : null}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
