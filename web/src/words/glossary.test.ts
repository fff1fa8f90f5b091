import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { GLOSSARY, wordOf, wordOfLabel, type Word } from './glossary.ts';

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true }).flatMap((entry) =>
    entry.isFile() && /(?<!\.test)\.tsx?$/.test(entry.name) ? [join(entry.parentPath, entry.name)] : [],
  );
const core = filesIn('core/src').map((file) => readFileSync(file, 'utf8'));
const words: readonly Word[] = GLOSSARY;

test('every label that opens a word stands in a working of the core, and means one word only', () => {
  expect(new Set(words.map(({ id }) => id)).size).toBe(words.length);
  const labels = words.flatMap((word) => word.labels ?? []);
  expect(new Set(labels).size).toBe(labels.length);
  for (const label of labels)
    expect([label, core.some((text) => text.includes(`'${label}'`))]).toEqual([label, true]);
});

test('a word is found by its name and by its label, and says the field’s term beside the plain one', () => {
  expect(wordOf('reach').term).toBe('readily available water');
  expect(wordOfLabel('The root zone can spare')?.id).toBe('reach');
  expect(wordOfLabel('Clay')).toBeNull();
  for (const word of words) {
    expect(word.says.length).toBeGreaterThan(40);
    expect(word.term.toLowerCase()).not.toBe(word.plain.toLowerCase());
  }
});
