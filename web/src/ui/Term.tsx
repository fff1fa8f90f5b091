import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { wordOf, wordOfLabel, type Word, type WordId } from '../app/glossary.ts';

/** A word that opens what it means, with the field's own term for it. */
export function Term({ of, children }: { of: WordId; children: ReactNode }) {
  return <Opened word={wordOf(of)}>{children}</Opened>;
}

/** A label of a working, which opens its word where it has one. */
export function TermOfLabel({ label }: { label: string }) {
  const word = wordOfLabel(label);
  return word ? <Opened word={word}>{label}</Opened> : label;
}

/** What textbooks call a branch of a working, where it has a word of its own. */
export function CalledInTheField({ label }: { label: string }) {
  const word = wordOfLabel(label);
  return word ? (
    <>
      {' '}
      · in the field: <Opened word={word}>{word.term}</Opened>
    </>
  ) : null;
}

function Opened({ word, children }: { word: Word; children: ReactNode }) {
  const { gardenId } = useParams();
  return (
    <Popover.Root>
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
