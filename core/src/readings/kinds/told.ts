import type { ReadingRule } from '../reading.ts';

/** A figure put in the place of an assumed one, straight from the working. */
export const told: ReadingRule<'told'> = {
  kind: 'told',
  facts: { label: 'Told', about: 'water', minutes: 1 },
  part: ({ field }) => field,
  tell: (reading, known) => {
    // How much organic matter there is nobody just tells: it was measured somewhere.
    const source =
      reading.field === 'organicMatter'
        ? known.provenanceOf(reading)
        : ({ kind: 'told', on: reading.on } as const);
    known.claim(reading.field, reading, reading.value, { source });
  },
};
