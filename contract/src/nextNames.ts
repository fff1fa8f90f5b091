/** Longest name of a bed, letters; as the contract has it. */
const NAME_LETTERS = 80;

/**
 * Names that go on from one: after “A09” comes “A10”, after “Long bed” comes “Long bed 2”. Names that are taken are left out.
 * @param taken grows by each name that is given
 */
export function nextNames(from: string, taken: Set<string>): () => string {
  const [, base = '', digits = ''] = /^(.*?)(\d*)$/.exec(from) ?? [];
  let n = digits === '' ? 1 : Number(digits);
  return () => {
    for (;;) {
      n += 1;
      const figure = String(n).padStart(digits.length, '0');
      const room = NAME_LETTERS - figure.length;
      const name = digits === '' ? `${base.slice(0, room - 1)} ${figure}` : `${base.slice(0, room)}${figure}`;
      if (taken.has(name)) continue;
      taken.add(name);
      return name;
    }
  };
}
