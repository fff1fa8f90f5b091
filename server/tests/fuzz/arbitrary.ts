import { CATALOGUE } from '@kibble/core';
import fc, { type Arbitrary } from 'fast-check';
import { z } from 'zod';

/** The part of JSON Schema that Zod writes for our bodies. */
interface Schema {
  type?: string;
  const?: unknown;
  enum?: unknown[];
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  minItems?: number;
  maxItems?: number;
  minimum?: number;
  maximum?: number;
  minLength?: number;
  maxLength?: number;
  format?: string;
  $ref?: string;
  $defs?: Record<string, Schema>;
}

/** What stands in the garden a body is sent to: bodies speak of it more often than not. */
export interface Known {
  today: string;
  bedIds: number[];
  tapIds: number[];
  plantingIds: number[];
}

const near = (today: string, days: number): string =>
  new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

const dates = ({ today }: Known): Arbitrary<string> =>
  fc.oneof(
    { weight: 6, arbitrary: fc.integer({ min: -200, max: 0 }).map((d) => near(today, d)) },
    { weight: 3, arbitrary: fc.integer({ min: 0, max: 40 }).map((d) => near(today, d)) },
    { weight: 1, arbitrary: fc.constantFrom('1800-01-01', '1900-02-28', '2100-12-31', '2024-02-29', today) },
    { weight: 1, arbitrary: fc.constantFrom('9999-12-31', '0001-01-01', '2026-02-30', 'soon', '+010000-01') },
  );

/** Numbers at, just within and just beyond the ends of a range, small ones, and any between. */
function numbers({ minimum = -1000, maximum = 1000, type }: Schema): Arbitrary<number> {
  const whole = type === 'integer';
  const [low, high] = [Math.max(minimum, -1e9), Math.min(maximum, 1e9)];
  const inside = whole
    ? fc.integer({ min: Math.ceil(low), max: Math.floor(high) })
    : fc.double({ min: low, max: high, noNaN: true });
  const usual = whole
    ? fc.integer({ min: Math.ceil(low), max: Math.floor(Math.min(high, Math.max(low, 0) + 20)) })
    : fc.double({ min: Math.max(low, 0), max: Math.min(high, Math.max(low, 0) + 60), noNaN: true });
  return fc.oneof(
    { weight: 5, arbitrary: inside },
    { weight: 5, arbitrary: low >= -1000 && high > Math.max(low, 0) ? usual : inside },
    { weight: 4, arbitrary: fc.constantFrom(low, high) },
    { weight: 1, arbitrary: fc.constantFrom(5e-324, -1, 0, 1e308, high * 1.01 + 1, low - 0.001) },
  );
}

const ids = (known: readonly number[]): Arbitrary<number> =>
  fc.oneof(
    { weight: 8, arbitrary: fc.constantFrom(...(known.length > 0 ? known : [1])) },
    fc.constantFrom(0, 999_999),
  );

/** Fields of which the schema alone does not say what they may hold. */
const byName: Readonly<Record<string, (known: Known) => Arbitrary<unknown>>> = {
  cropId: () =>
    fc.oneof(
      { weight: 12, arbitrary: fc.constantFrom(...CATALOGUE.map((c) => c.id)) },
      fc.constantFrom('own-1', 'own-99999', 'nettle'),
    ),
  likeId: () => fc.constantFrom(...CATALOGUE.map((c) => c.id), 'own-1'),
  timeZone: () =>
    fc.constantFrom('Europe/Paris', 'UTC', 'Pacific/Kiritimati', 'America/St_Johns', 'Mars/Olympus'),
  bedId: ({ bedIds }) => ids(bedIds),
  groundOf: ({ bedIds }) => fc.oneof(fc.constant(null), ids(bedIds)),
  tapId: ({ tapIds }) => ids(tapIds),
  plantingId: ({ plantingIds }) => ids(plantingIds),
  // A few copies show what two hundred would, in less time.
  count: () => fc.constantFrom(1, 2, 3, 0, 201, 1.5),
  version: () => fc.constantFrom(undefined, 0, 1, 2),
  confirmed: () => fc.oneof({ weight: 5, arbitrary: fc.constant(true) }, fc.constant(false)),
};

function of(schema: Schema, known: Known, defs: Record<string, Schema>, name = ''): Arbitrary<unknown> {
  const special = byName[name];
  if (special) return special(known);
  if (schema.$ref) return of(defs[schema.$ref.replace('#/$defs/', '')] ?? {}, known, defs, name);
  if (schema.const !== undefined) return fc.constant(schema.const);
  if (schema.enum) return fc.constantFrom(...schema.enum);
  const any = schema.anyOf ?? schema.oneOf;
  if (any) return fc.oneof(...any.map((one) => of(one, known, defs, name)));
  if (schema.allOf) return of(Object.assign({}, ...schema.allOf) as Schema, known, defs, name);
  switch (schema.type) {
    case 'object': {
      const required = new Set(schema.required ?? []);
      const fields = Object.entries(schema.properties ?? {});
      return fc.record(Object.fromEntries(fields.map(([key, field]) => [key, of(field, known, defs, key)])), {
        requiredKeys: fields.map(([key]) => key).filter((key) => required.has(key)),
      });
    }
    case 'array':
      return fc.array(of(schema.items ?? {}, known, defs), {
        minLength: schema.minItems ?? 0,
        maxLength: Math.min(schema.maxItems ?? 4, (schema.minItems ?? 0) + 4),
      });
    case 'number':
    case 'integer':
      return numbers(schema);
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    case 'string':
      return schema.format === 'date'
        ? dates(known)
        : fc.oneof(
            {
              weight: 5,
              arbitrary: fc.string({
                minLength: schema.minLength ?? 0,
                maxLength: Math.min(schema.maxLength ?? 20, 20),
              }),
            },
            { weight: 1, arbitrary: fc.string({ unit: 'grapheme', minLength: 1, maxLength: 90 }) },
          );
    default:
      return fc.constant(undefined);
  }
}

/** What breaks a body: another kind of value in the place of one field. */
const WRONG: readonly unknown[] = [null, 'many', -1, 1e308, true, [], {}, '<b>', '', 'a'.repeat(5000)];

function broken(body: unknown, at: number, wrong: unknown): unknown {
  if (typeof body !== 'object' || body === null || Array.isArray(body)) return wrong;
  const entries = Object.entries(body);
  if (entries.length === 0) return wrong;
  const [key, value] = entries[at % entries.length] as [string, unknown];
  const deeper = typeof value === 'object' && value !== null && at % 3 !== 0;
  return { ...body, [key]: deeper ? broken(value, Math.floor(at / 7), wrong) : wrong };
}

/** Bodies for a schema of the contract: mostly such as it takes, some at and beyond its ends, some broken in one place. */
export function bodies(schema: z.ZodType, known: Known): Arbitrary<unknown> {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' }) as Schema;
  const whole = of(json, known, json.$defs ?? {});
  return fc.oneof(
    { weight: 6, arbitrary: whole },
    {
      weight: 1,
      arbitrary: fc
        .tuple(whole, fc.nat(1000), fc.constantFrom(...WRONG))
        .map(([body, at, wrong]) => broken(body, at, wrong)),
    },
  );
}
