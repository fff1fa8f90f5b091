import type { SchemaSteps } from '../schemaSteps.ts';

interface PotBefore {
  id: number;
  gardenId: number;
  startOn: string;
  spot: string;
  facts: string;
  earlier: string;
}
interface Was {
  until: string;
  spot: string;
  facts: unknown;
  rootsFound?: string | null;
}

const BATCH = 500;

/** A text of JSON as what it says; null where it says nothing that can be read. */
function said(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

/** What a pot was, as a list; what cannot be read was not. */
function earlierOf(text: string): Was[] {
  const list = said(text);
  return Array.isArray(list) ? (list as Was[]) : [];
}

/** JSON of what a pot is since a day; a text that cannot be read stays one, and is set aside as before. */
const vessel = (facts: unknown, spot: string, rootsFound: string | null): string =>
  JSON.stringify({ kind: 'vessel', facts, spot, ...(rootsFound === null ? {} : { rootsFound }) });

/** What of a pot may become another is an entry with the day from which it holds, as a bed's settings are. */
export async function up(steps: SchemaSteps): Promise<void> {
  for (let after = 0; ;) {
    const pots = await steps.all<PotBefore>(
      `SELECT id, gardenId, startOn, spot, facts, earlier FROM pots WHERE id > ${after} ORDER BY id LIMIT ${BATCH}`,
    );
    await steps.insert(
      'entries',
      pots.flatMap(({ id, gardenId, startOn, spot, facts, earlier }) => {
        const was = earlierOf(earlier);
        const since = (i: number): string => (i === 0 ? startOn : (was[i - 1]?.until ?? startOn));
        const found = (i: number): string | null => (i === 0 ? null : (was[i - 1]?.rootsFound ?? null));
        const periods = [...was.map((one) => [one.facts, one.spot] as const), [said(facts), spot] as const];
        return periods.map(([of, where], i) => ({
          gardenId,
          subjectKind: 'pot',
          subjectId: id,
          sort: 'setting',
          kind: 'vessel',
          on: since(i),
          at: `${since(i)} 00:00:00.000 +00:00`,
          version: 1,
          body: vessel(of, where, found(i)),
          source: 'person',
        }));
      }),
    );
    after = pots.at(-1)?.id ?? after;
    if (pots.length < BATCH) break;
  }
  for (const column of ['facts', 'spot', 'earlier']) {
    const there = await steps.all<{ name: string }>('PRAGMA table_info(pots)');
    if (there.some(({ name }) => name === column))
      await steps.sql(`ALTER TABLE pots DROP COLUMN "${column}"`);
  }
}
