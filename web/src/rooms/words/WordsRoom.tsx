import { useState } from 'react';
import { GLOSSARY, type Word } from '../../words/glossary.ts';

const inOrder: readonly Word[] = [...GLOSSARY].sort((a: Word, b: Word) => a.plain.localeCompare(b.plain));

/** What Kibble's words mean, and what the field calls them. */
export function WordsRoom() {
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const shown = inOrder.filter(({ plain, term, says }) =>
    [plain, term, says].some((text) => text.toLowerCase().includes(wanted)),
  );
  return (
    <div className="max-w-3xl">
      <h1 className="text-3xl">Words</h1>
      <p className="mb-3 text-quiet">
        What Kibble calls things, the term of the field for each, and what it means in the garden.
      </p>
      <label className="mb-3 flex max-w-80 flex-col">
        <span className="mb-1 font-semibold">Look for a word</span>
        <input
          type="search"
          className="min-h-11 border border-ink bg-sheet px-2"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      </label>
      <dl>
        {shown.map((word) => (
          <div key={word.id} className="grid gap-x-6 border-t border-rule py-2 sm:grid-cols-[15rem_1fr]">
            <dt>
              <strong>{word.plain}</strong>
              <span className="block text-sm text-quiet">{word.term}</span>
            </dt>
            <dd>{word.says}</dd>
          </div>
        ))}
      </dl>
      {shown.length === 0 ? <p role="status">No word here has “{typed.trim()}” in it.</p> : null}
    </div>
  );
}
