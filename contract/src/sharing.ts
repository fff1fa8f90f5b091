import { z } from './zod.ts';
import { oneOf } from './parts.ts';

/** What a device that is let in may do. */
export const RIGHTS = ['everything', 'round only'] as const;
export type Rights = (typeof RIGHTS)[number];

const deviceName = z
  .string({ error: 'Name of the device must be written' })
  .trim()
  .min(1, { error: 'Name of the device must not be empty' })
  .max(40, {
    error: ({ input }) => `Name of the device must be 40 letters or fewer; got ${String(input).length}`,
  });

/** A device asks to be let in: by the six figures, or by the link that its camera read. */
export const pairBody = z
  .object({
    code: z
      .string()
      .transform((text) => text.replace(/\s/g, ''))
      .pipe(
        z.string().regex(/^\d{6}$/, {
          error: ({ input }) => `Code must be six figures; got "${String(input).slice(0, 20)}"`,
        }),
      )
      .optional(),
    link: z
      .string()
      .regex(/^[\w-]{20,80}$/, { error: 'Link must be one of Kibble’s own' })
      .optional(),
    name: deviceName,
  })
  .refine((b) => (b.code === undefined) !== (b.link === undefined), {
    error: 'Code must be given, or the link that the camera read; got both or neither',
    path: ['code'],
  });

/** Who asks: somebody on the machine itself, a device that was let in, or one that was not. */
export const whoView = z.object({
  /** May anything be shown at all? */
  letIn: z.boolean(),
  /** At the machine itself. */
  here: z.boolean(),
  name: z.string().nullable(),
  rights: z.enum(RIGHTS).nullable(),
});

/** A device is invited, a helper's to the gardens that are named: left out, to the one there is. */
export const inviteBody = z.object({
  rights: oneOf('Rights', RIGHTS),
  gardens: z
    .array(z.number().int().min(1), { error: 'Gardens must be a list of gardens' })
    .min(1, { error: 'Gardens must be at least one; got none' })
    .max(200, { error: 'Gardens must be 200 or fewer' })
    .optional(),
});
export const inviteView = z.object({
  code: z.string(),
  /** The one-time link, and its picture for a camera as SVG. */
  link: z.string(),
  picture: z.string(),
  rights: z.enum(RIGHTS),
  /** Of a helper: the gardens it is for. */
  gardens: z.array(z.number()),
  /** Until when it holds, UTC. */
  until: z.string(),
});

const hostName = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^(?=.{1,200}$)[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/, {
    error: ({ input }) =>
      `Name of the proxy must be a host’s name as kibble.example, without http:// and port; got "${String(input).slice(0, 60)}"`,
  });

/** Sharing turned on or off; a proxy declared by the name under which it is reached, or none any more. */
export const sharingChange = z.object({
  on: z.boolean().optional(),
  proxy: hostName.nullable().optional(),
});

export const deviceView = z.object({
  id: z.string(),
  name: z.string(),
  rights: z.enum(RIGHTS),
  /** Of a helper: the gardens it may walk. */
  gardens: z.array(z.number()),
  pairedAt: z.string(),
  seenAt: z.string(),
  /** The one that asks. */
  thisOne: z.boolean(),
});
export const sharingView = z.object({
  on: z.boolean(),
  /** Where it can be reached, plain and with a certificate of its own authority. */
  plain: z.array(z.string()),
  secure: z.array(z.string()),
  proxy: z.string().nullable(),
  /** Why it is not reachable although it is on. */
  trouble: z.string().nullable(),
  invite: inviteView.nullable(),
  devices: z.array(deviceView),
});

/** A garden's calendar at its secret address: the path, to be put behind an address of this machine. */
export const calendarView = z.object({ path: z.string() });

/** What another page or device changed, told as it happens; without a garden everything may be another. */
export const liveMessage = z.object({
  gardenId: z.number().optional(),
  beds: z.array(z.number()).optional(),
  pots: z.boolean().optional(),
  /** The page that did it knows already. */
  by: z.string().optional(),
});

export type WhoView = z.infer<typeof whoView>;
export type PairBody = z.infer<typeof pairBody>;
export type InviteView = z.infer<typeof inviteView>;
export type InviteBody = z.input<typeof inviteBody>;
export type SharingView = z.infer<typeof sharingView>;
export type SharingChange = z.input<typeof sharingChange>;
export type CalendarView = z.infer<typeof calendarView>;
export type LiveMessage = z.infer<typeof liveMessage>;
