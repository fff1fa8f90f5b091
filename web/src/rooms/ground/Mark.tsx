import type { Fact } from './facts.ts';

/** A figure with the mark of an assumption when it is one. */
export const Mark = ({ fact }: { fact: Fact }) => (
  <span className={fact.assumed ? 'assumed' : ''}>{fact.text}</span>
);
