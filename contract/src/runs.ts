import { z } from './zod.ts';
import { limited, limitedWhole } from './limited.ts';

/** A tap that is opened, or set to its next run or rest: its clock begins when this arrives. */
export const runBody = z.object({
  /** Minutes of this run, or of this rest. */
  minutes: limited('minutes'),
  /** Runs asked for with rests between, which of them this is, and what ran before it. */
  runs: limitedWhole('cycleCount').default(1),
  run: limitedWhole('cycleCount').default(1),
  runMinutes: limited('minutes').optional(),
  soakMinutes: limited('restMinutes').default(0),
  ranMinutes: limited('restMinutes').default(0),
  resting: z.boolean().default(false),
  /** By hand: seconds at each plant. */
  secondsEach: limited('secondsEach').nullable().default(null),
  /** A timer on the tap shuts it: when its minutes are up it is written down without asking. */
  selfStops: z.boolean().default(false),
});
export type RunBody = z.input<typeof runBody>;

/** A tap under way. */
export const tapRunView = z.object({
  id: z.number(),
  bedId: z.number(),
  bedName: z.string(),
  /** When it was opened, UTC. */
  startedAt: z.string(),
  minutes: z.number(),
  litresPerMinute: z.number(),
  runs: z.number(),
  run: z.number(),
  runMinutes: z.number(),
  soakMinutes: z.number(),
  ranMinutes: z.number(),
  resting: z.boolean(),
  secondsEach: z.number().nullable(),
  selfStops: z.boolean(),
});
export type TapRunView = z.infer<typeof tapRunView>;
