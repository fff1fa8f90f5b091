import { z } from 'zod';

/** Every refusal of the API has this shape. */
export const apiError = z.object({
  error: z.object({
    code: z.enum(['invalid', 'not-found', 'conflict', 'needs-consent', 'internal']),
    message: z.string(),
    field: z.string().optional(),
  }),
});
export type ApiError = z.infer<typeof apiError>;
