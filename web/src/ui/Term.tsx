import { lazy, Suspense, useState, type ReactNode } from 'react';
import { wordOf, wordOfLabel, type Word, type WordId } from '../words/glossary.ts';

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

const WordPopover = lazy(async () => ({ default: (await import('./WordPopover.tsx')).WordPopover }));

/** The word itself; what it means is fetched when it is first asked. */
function Opened({ word, children }: { word: Word; children: ReactNode }) {
  const [asked, setAsked] = useState(false);
  const plain = (
    <button type="button" className="term" aria-haspopup="dialog" onClick={() => setAsked(true)}>
      {children}
    </button>
  );
  return asked ? (
    <Suspense fallback={plain}>
      <WordPopover word={word}>{children}</WordPopover>
    </Suspense>
  ) : (
    plain
  );
}
