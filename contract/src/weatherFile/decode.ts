/** A file's bytes as text: by its mark (UTF-8, UTF-16), else by where its zeros stand, else UTF-8, else the old western page. */
export function decodeText(bytes: Uint8Array): string {
  const [a, b, c] = bytes;
  const as = (encoding: string, fatal = false): string => new TextDecoder(encoding, { fatal }).decode(bytes);
  if (a === 0xff && b === 0xfe) return as('utf-16le');
  if (a === 0xfe && b === 0xff) return as('utf-16be');
  if (a === 0xef && b === 0xbb && c === 0xbf) return as('utf-8');
  // Text of the west in UTF-16 has a zero in every other byte.
  const head = bytes.subarray(0, 200);
  const zeros = (odd: number): number => head.filter((byte, i) => i % 2 === odd && byte === 0).length;
  if (zeros(1) > head.length / 4) return as('utf-16le');
  if (zeros(0) > head.length / 4) return as('utf-16be');
  try {
    return as('utf-8', true);
  } catch {
    return as('windows-1252');
  }
}
