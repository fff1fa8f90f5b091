import { endpoint, ENDPOINT_NAMES, mayAsk, type EndpointName } from '@kibble/contract';
import fc, { type Arbitrary } from 'fast-check';

/** Everybody who may come to the door: each asks every route, spelt in every way. */
export const CALLERS = [
  'owner',
  'device',
  'helper',
  'calendar reader',
  'stranger',
  'hostile page',
  'hostile device',
] as const;
export type Caller = (typeof CALLERS)[number];

/** Who come with rights of their own; the others come with none. */
const RIGHTS: Readonly<Partial<Record<Caller, 'helper' | 'device' | 'this computer'>>> = {
  owner: 'this computer',
  device: 'device',
  helper: 'helper',
};

/** One request: an entry of the catalogue, asked by somebody, in some spelling. */
export interface Called {
  name: EndpointName;
  caller: Caller;
  path: string;
  /** To the letter as it is registered. */
  exact: boolean;
  body: unknown;
}

const SPELT: readonly ((path: string) => string)[] = [
  (path) => path.toUpperCase(),
  (path) => path.replace('/api', '/API').replace('/calendar', '/CALENDAR'),
  (path) => path.replace(/\/(\w)/g, (_all, first: string) => `/${first.toUpperCase()}`),
  (path) => `${path}/`,
  (path) => `/${path}`,
  (path) => path.replace('/api/', '/api//'),
  (path) => path.replace('/a', '/%61').replace('/c', '/%63'),
  (path) => path.replace('/api', '/x/../Api'),
  (path) => `${path};x=1`,
  (path) => `${path}%2f`,
];

const PARTS: Readonly<Record<string, Arbitrary<string>>> = {
  id: fc.constantFrom('1', '1', '1', '2', '3', '0', '-1', '1e3', '99999', '1;2', '%00', '..', 'x'),
  key: fc.constantFrom('bucket', 'jar:bed-1', 'JAR', 'x'.repeat(200)),
  date: fc.constantFrom('2026-07-14', '2026-02-30', 'soon'),
  number: fc.constantFrom('minutes', 'litres', 'nothing'),
  planting: fc.constantFrom('1', '99'),
  file: fc.constantFrom('none', '../x'),
  secret: fc.constantFrom('wrong', ''),
};

function pathOf(name: EndpointName): Arbitrary<string> {
  const pieces = endpoint(name).path.split(/:(\w+)/);
  return fc
    .tuple(
      ...pieces.map((piece, i) => (i % 2 === 0 ? fc.constant(piece) : (PARTS[piece] ?? fc.constant('1')))),
    )
    .map((made) => made.join(''));
}

/** Requests of everybody over all routes. @param bodies of each entry that takes one */
export const calls = (
  bodies: Readonly<Partial<Record<EndpointName, Arbitrary<unknown>>>>,
): Arbitrary<Called> =>
  fc.constantFrom(...ENDPOINT_NAMES).chain((name) =>
    fc
      .record({
        caller: fc.constantFrom(...CALLERS),
        path: pathOf(name),
        spelt: fc.oneof(
          { weight: 3, arbitrary: fc.constant(null) },
          { weight: 2, arbitrary: fc.nat(SPELT.length - 1) },
        ),
        body: fc.oneof(
          { weight: 4, arbitrary: bodies[name] ?? fc.constant({}) },
          { weight: 1, arbitrary: fc.constantFrom({}, [], null, 'text', { ids: [1, 2] }) },
        ),
      })
      .map(({ caller, path, spelt, body }) => {
        const written = spelt === null ? path : (SPELT[spelt]?.(path) ?? path);
        return { name, caller, path: written, exact: written === path, body };
      }),
  );

/**
 * Whether a caller got further than they may, however the address was spelt. (That another spelling is another address
 * is held by `everyRoute.test.ts`; here it may happen to be one that the caller may ask for.)
 * @param type of what was answered, by its media type
 */
export function wentTooFar({ name, caller, exact }: Called, status: number, type: string): string | null {
  const { who } = endpoint(name);
  const succeeded = status < 400 && !type.startsWith('text/html');
  if (who === 'whoever has the link') return succeeded ? 'a calendar was shown for a wrong link' : null;
  if (caller.startsWith('hostile')) {
    if (exact && status !== 403 && status !== 404) return 'a foreign page was not turned away';
    return succeeded ? 'a foreign page was answered' : null;
  }
  if (who === 'anybody') return null;
  const rights = RIGHTS[caller];
  if (!rights) {
    if (exact && status !== 401 && status !== 404) return 'somebody who is not connected was not turned away';
    return succeeded ? 'somebody who is not connected was answered' : null;
  }
  return mayAsk(rights, who) || !succeeded ? null : 'somebody got beyond their rights';
}

/** Whose requests must leave everything but their own entries as it was. */
export const isHarmless = (caller: Caller): boolean => !['owner', 'device', 'helper'].includes(caller);
