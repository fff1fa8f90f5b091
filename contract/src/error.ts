import { z } from './zod.ts';

/** Every way in which the API refuses, with its status. 4xx is the asker's to put right, 5xx is ours or the machine's. */
export const ERROR_CODES = {
  invalid: 400,
  'not-found': 404,
  conflict: 409,
  'needs-consent': 409,
  'not-paired': 401,
  'not-allowed': 403,
  'wrong-address': 421,
  'wrong-type': 415,
  'too-large': 413,
  'too-often': 429,
  busy: 503,
  'no-room': 507,
  internal: 500,
} as const;
export type ErrorCode = keyof typeof ERROR_CODES;

/** A field that two changed: what the asker wants, and what stands there now. */
export const conflictSide = z.object({ field: z.string(), yours: z.unknown(), theirs: z.unknown() });

/** Every refusal of the API has this shape. */
export const apiError = z.object({
  error: z.object({
    code: z.enum(Object.keys(ERROR_CODES) as [ErrorCode, ...ErrorCode[]]),
    message: z.string(),
    /** The field of the body that cannot be, as a path. */
    field: z.string().optional(),
    /** The limit it passed and the value given, SI: the screen says both in the gardener's units. */
    limit: z.object({ field: z.string(), value: z.number() }).optional(),
    /** Number under which a fault of ours stands in the log. */
    number: z.string().optional(),
    /** Somebody else changed it meanwhile: the version that stands now, and both sides of what differs. */
    conflict: z.object({ version: z.number(), sides: z.array(conflictSide) }).optional(),
  }),
});
export type ApiError = z.infer<typeof apiError>;
export type ConflictSide = z.infer<typeof conflictSide>;
