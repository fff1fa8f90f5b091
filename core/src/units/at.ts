/**
 * A number of a row that is known to be there: whoever asks stays within it.
 * The step itself reads them without this call: the machine makes room for few calls in one function.
 * @param i 0 to the row's length less one; beyond it the answer is no number
 */
export const at = (row: Float64Array | Int16Array, i: number): number => row[i] as number;

/**
 * An entry of a list that must be there.
 * @throws Error when it is not: a fault of the program, never of what was entered
 */
export function item<T>(list: readonly T[], i: number): T {
  const found = list[i];
  if (found === undefined) throw new Error(`there is no entry ${i} in a list of ${list.length}`);
  return found;
}

/** The first `count` numbers of a row as a list, to be told and kept. `Array.from` would take ten times as long. */
export function listed(row: Float64Array, count = row.length): number[] {
  const list: number[] = [];
  for (let i = 0; i < count; i += 1) list.push(at(row, i));
  return list;
}
