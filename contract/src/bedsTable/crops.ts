import { CATALOGUE, OTHER_NAMES, type CropEntry } from '@kibble/core';
import { distance } from 'fastest-levenshtein';
import { closestNames } from '../closestNames.ts';
import { plainWord } from './words.ts';

/** A plant as a table names it. */
export interface CropNamed {
  cropId: string;
  /** What a reader should know of how it was taken; null where it is the plant's own name or one of its others. */
  takenAs: string | null;
}

/** Letters of a name from which on two of them may be wrong without anybody being asked. Judgement. */
const LONG_LETTERS = 6;
const MOST_SLIPS = 2;
const SUGGESTED = 3;

/** One by one: “Tomatoes” is Tomato, “Radishes” Radish, “Berries” Berry. */
const singulars = (word: string): string[] => [
  word,
  word.replace(/s$/, ''),
  word.replace(/es$/, ''),
  word.replace(/ies$/, 'y'),
  word.replace(/ves$/, 'f'),
];

/** A name without the variety behind it: “Tomato, Sungold”, “Tomato ‘Sungold’”. */
const withoutVariety = (text: string): string => text.replace(/(\s*[,;([{“‘:–]|\s['"-]).*$/, '');

/** Finds plants by their names in a garden: its own, the catalogue's, and their other names. */
export function cropFinder(own: readonly CropEntry[]): (text: string) => CropNamed | { like: string[] } {
  const known = [
    ...own.map(({ id, name }) => ({ name, cropId: id, isLike: null as string | null })),
    ...CATALOGUE.map(({ id, name }) => ({ name, cropId: id, isLike: null })),
    ...OTHER_NAMES.map(({ name, cropId, isLike }) => ({
      name,
      cropId,
      isLike: isLike ? (CATALOGUE.find(({ id }) => id === cropId)?.name ?? null) : null,
    })),
  ];
  const byWord = new Map<string, (typeof known)[number]>();
  for (const one of known)
    for (const word of singulars(plainWord(one.name))) if (!byWord.has(word)) byWord.set(word, one);
  const found = new Map<string, CropNamed | { like: string[] }>();
  const look = (text: string): CropNamed | { like: string[] } => {
    for (const written of [text, withoutVariety(text)]) {
      const exact = singulars(plainWord(written))
        .map((word) => byWord.get(word))
        .find((one) => one !== undefined);
      if (exact)
        return {
          cropId: exact.cropId,
          takenAs: exact.isLike === null ? null : `${text} is planned like ${exact.isLike.toLowerCase()}`,
        };
    }
    const word = plainWord(withoutVariety(text));
    const near = closestNames(known, word);
    const best = near[0];
    if (best && word.length >= LONG_LETTERS && distance(word, best.name.toLowerCase()) <= MOST_SLIPS)
      return { cropId: best.cropId, takenAs: `“${text}” is taken as ${best.name.toLowerCase()}` };
    const holding = known.filter(({ name }) => word.length > 2 && name.toLowerCase().includes(word));
    return { like: [...new Set([...holding, ...near].map(({ name }) => name))].slice(0, SUGGESTED) };
  };
  return (text) => {
    const was = found.get(text);
    if (was) return was;
    const made = look(text);
    found.set(text, made);
    return made;
  };
}
