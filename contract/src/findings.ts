import {
  DEPTH_TOOLS,
  FILL_IDS,
  FINDING_FACTS,
  LOOK_STATES,
  LOOK_TOOLS,
  STAGE_NAMES,
  TELLABLE,
  TEXTURE_CLASSES,
  WATER_PATHS,
  type Finding,
  type FindingKind,
  type Method,
  type Tellable,
} from '@kibble/core';
import { isText, shaped, worded } from './shape.ts';
import { z } from './zod.ts';
import { limited, limitedWhole } from './limited.ts';
import { day, entryDate, oneOf } from './parts.ts';
import { planWhat } from './stored.ts';
import { givenText } from './refusalWords.ts';

const HORIZONS = ['top', 'below'] as const;
const horizon = oneOf('Horizon', HORIZONS);
const flag = (label: string) =>
  z.boolean({ error: ({ input }) => `${label} must be yes or no; got ${givenText(input)}` });
/** A told figure is checked against its own field's range. */
const declaredValue = z
  .object({
    kind: z.literal('told'),
    field: oneOf('Figure', Object.keys(TELLABLE) as [Tellable, ...Tellable[]]),
    value: z.number({
      error: ({ input }) => `Figure must be a number; got ${givenText(input)}`,
    }),
  })
  .superRefine((told, ctx) => {
    const { label, min, max, unit } = TELLABLE[told.field];
    // A share is told in percent.
    const [times, shown] = unit === 'share' ? [100, '%'] : [1, unit];
    if (told.value >= min && told.value <= max) return;
    ctx.addIssue({
      code: 'custom',
      path: ['value'],
      message: `${label} must be a number from ${times * min} to ${times * max} ${shown}; got ${Number((times * told.value).toPrecision(6))}`,
    });
  });

const cans = z
  .object({
    kind: z.literal('cans'),
    grid: z
      .array(z.array(limited('canMm')).min(1, { error: 'A row must hold at least one can' }).max(20))
      .min(1, { error: 'Cans must be at least one; got none' })
      .max(20),
    minutes: limited('minutes'),
    canHeightMm: limited('canHeightMm').optional(),
  })
  .superRefine((test, ctx) => {
    const all = test.grid.flat();
    const deepest = Math.max(...all);
    if (all.every((mm) => mm === 0))
      ctx.addIssue({
        code: 'custom',
        path: ['grid'],
        message: 'At least one can must have caught more than 0 mm; got all 0',
      });
    if (test.canHeightMm !== undefined && deepest > test.canHeightMm)
      ctx.addIssue({
        code: 'custom',
        path: ['grid'],
        message: `Depth in the can must be at most its own height of ${test.canHeightMm} mm; got ${deepest} mm`,
      });
  });

const dig = z
  .object({
    kind: z.literal('dig'),
    topsoilMm: limited('topsoilMm'),
    belowClass: oneOf('Soil below', TEXTURE_CLASSES).optional(),
    stonesPct: limited('stonesPct').optional(),
    rockMm: limited('rockMm').optional(),
    rootsMm: limited('rootsMm').optional(),
  })
  .refine((d) => d.rockMm === undefined || d.rockMm >= d.topsoilMm, {
    path: ['rockMm'],
    error: (issue) => {
      const d = issue.input as { rockMm: number; topsoilMm: number };
      return `Rock or hard pan must lie at or below the topsoil, ${d.topsoilMm} mm; got ${d.rockMm} mm`;
    },
  });

const jar = z
  .object({
    kind: z.literal('jar'),
    horizon,
    sandMm: limited('sandMm'),
    siltMm: limited('siltMm'),
    clayMm: limited('clayMm'),
  })
  .refine((j) => j.sandMm + j.siltMm + j.clayMm > 0, {
    path: ['sandMm'],
    error: 'The three layers together must be more than 0 mm; got 0 mm: nothing has settled yet',
  });

const drip = z
  .object({
    kind: z.literal('drip'),
    bedLengthM: limited('bedLengthM'),
    bedWidthM: limited('bedWidthM'),
    lines: limitedWhole('lines'),
    insetM: limited('insetM'),
    emitterSpacingM: limited('spacingM'),
    emitterLitresPerHour: limited('emitterLitresPerHour'),
    plantEvery: limitedWhole('plantEvery').optional(),
  })
  .refine((d) => d.insetM <= d.bedWidthM / 2, {
    path: ['insetM'],
    error: (issue) => {
      const d = issue.input as { insetM: number; bedWidthM: number };
      return `Inset from the edge must be at most half the bed, ${d.bedWidthM / 2} m; got ${d.insetM} m`;
    },
  })
  .refine((d) => d.emitterSpacingM <= d.bedLengthM, {
    path: ['emitterSpacingM'],
    error: 'Spacing of the emitters must be at most the length of the bed',
  });

const soaker = z
  .object({
    kind: z.literal('soaker'),
    litres: limited('caughtLitres'),
    minutes: limited('poolingMinutes'),
    caughtM: limited('hoseM'),
    lengthM: limited('hoseM'),
  })
  .refine((s) => s.caughtM <= s.lengthM, {
    path: ['caughtM'],
    error: 'The stretch over the tray must be at most the length of the hose',
  });

/** A watering moved, resized or left out; what it is follows from what is given, where it is not said. */
const planMove = z
  .object({
    kind: z.literal('plan'),
    what: oneOf('Change of the plan', ['move', 'resize', 'leave out'] as const).optional(),
    date: entryDate('Day'),
    to: entryDate('New day').optional(),
    litres: limited('litres').optional(),
  })
  .transform(({ what, ...plan }) => ({ ...plan, what: what ?? planWhat(plan) }));

/** Every entry as it is sent: what was read, seen, settled or changed, in SI. */
export const findingInput = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('feel'),
    horizon,
    answers: z
      .object({
        ball: flag('Ball'),
        ribbon: flag('Ribbon'),
        ribbonLength: z.enum(['under 25 mm', '25 to 50 mm', 'over 50 mm']).optional(),
        rub: oneOf('Rub', ['gritty', 'smooth', 'neither'] as const),
      })
      .refine((a) => !a.ball || !a.ribbon || a.ribbonLength !== undefined, {
        path: ['ribbonLength'],
        error: 'Length of the ribbon must be given when the soil makes one',
      }),
  }),
  jar,
  dig,
  z.object({ kind: z.literal('hole'), fallMm: limited('fallMm'), minutes: limited('minutes') }),
  z.object({
    kind: z.literal('pot'),
    path: oneOf('Path', WATER_PATHS),
    fallMm: limited('fallMm'),
    minutes: limited('minutes'),
  }),
  z.object({ kind: z.literal('dye'), path: oneOf('Path', WATER_PATHS), depthMm: limited('probeMm') }),
  z.object({
    kind: z.literal('site'),
    slopePct: limited('slopePct'),
    sun: oneOf('Sun', ['full', 'half', 'shade'] as const),
    wind: oneOf('Wind', ['sheltered', 'open', 'exposed'] as const),
    wall: flag('Wall'),
    crusted: flag('Crust'),
  }),
  z.object({
    kind: z.literal('filled'),
    fill: oneOf('Filled with', FILL_IDS),
    depthMm: limited('fillDepthMm'),
  }),
  z.object({ kind: z.literal('organic'), organicMatterPct: limited('organicMatterPct') }),
  z.object({
    kind: z.literal('amended'),
    material: z.string().trim().min(1, { error: 'Material must not be empty' }).max(60),
    depthMm: limited('spreadDepthMm'),
  }),
  z.object({ kind: z.literal('bucket'), litres: limited('bucketLitres'), seconds: limited('seconds') }),
  cans,
  drip,
  soaker,
  z.object({
    kind: z.literal('slow-bucket'),
    litres: limited('bucketLitres'),
    minutesToEmpty: limited('minutes'),
    buckets: limitedWhole('buckets'),
  }),
  z.object({ kind: z.literal('pooling'), minutes: limited('poolingMinutes') }),
  z.object({ kind: z.literal('spread'), widthM: limited('wetWidthM'), spacingM: limited('spacingM') }),
  z.object({
    kind: z.literal('depth'),
    tool: oneOf('Tool', DEPTH_TOOLS),
    pointsMm: z
      .array(limited('probeMm'))
      .min(1, { error: 'Places probed must be at least one; got none' })
      .max(30),
    targetMm: limited('targetMm'),
    minutes: limited('minutes'),
    mulchMoved: flag('Mulch moved'),
    predictedMm: limited('probeMm').optional(),
  }),
  z.object({
    kind: z.literal('look'),
    tool: oneOf('Tool', LOOK_TOOLS),
    depthMm: limited('lookMm'),
    state: oneOf('What you found', LOOK_STATES),
    mulchMoved: flag('Mulch moved'),
  }),
  declaredValue,
  z.object({
    kind: z.literal('stage'),
    plantingId: z.number().int(),
    stage: oneOf('Stage', STAGE_NAMES),
  }),
  z.object({ kind: z.literal('up'), plantingId: z.number().int() }),
  z.object({
    kind: z.literal('stand'),
    plantingId: z.number().int(),
    lost: limitedWhole('lostPlants'),
  }),
  z.object({
    kind: z.literal('mulch'),
    what: oneOf('Mulch', ['moved aside', 'put back', 'looked at'] as const),
  }),
  z.object({
    kind: z.literal('toughen'),
    plantingId: z.number().int(),
    what: oneOf('Dry spell', ['start', 'end'] as const),
    days: limitedWhole('spellDays'),
  }),
  z.object({
    kind: z.literal('own line'),
    plantingId: z.number().int(),
    share: limited('ownLine').nullable(),
  }),
  z.object({
    kind: z.literal('wilt'),
    recovers: flag('Recovers by evening'),
    soil: oneOf('Soil', LOOK_STATES).optional(),
  }),
  planMove,
  z.object({
    kind: z.literal('changed'),
    what: oneOf('Change', ['nozzle', 'pressure or height', 'number of beds on the line'] as const),
  }),
]) satisfies z.ZodType<Finding>;

/** A finding as it is sent: of one bed or of one tap. `confirmed` says that an odd reading was meant. */
export const findingBody = z
  .object({
    bedId: z.number().int().optional(),
    tapId: z.number().int().optional(),
    on: entryDate('Date').optional(),
    input: findingInput,
    note: z
      .string()
      .max(400, { error: ({ input }) => `Note must be 400 letters or fewer; got ${String(input).length}` })
      .optional(),
    confirmed: z.boolean().default(false),
  })
  .refine((f) => (f.bedId === undefined) !== (f.tapId === undefined), {
    path: ['bedId'],
    error: 'A finding must be of a bed or of a tap, not both',
  })
  .refine((f) => f.tapId === undefined || ['bucket', 'changed'].includes(f.input.kind), {
    path: ['input'],
    error: 'Of a tap only a bucket or a change can be written down',
  });

export const findingView = z.object({
  id: z.number(),
  bedId: z.number().nullable(),
  tapId: z.number().nullable(),
  on: day,
  method: worded<Method>().nullable(),
  /** As it was read then, whatever may be entered today. */
  input: shaped<Finding>({ kind: isText }),
  note: z.string().nullable(),
});

export type FindingBody = z.input<typeof findingBody>;
export type FindingView = z.infer<typeof findingView>;

/** Readings that hold for every bed on the same ground. */
export const isShared = (kind: FindingKind): boolean => FINDING_FACTS[kind].ofGround === true;

/** What a test under way holds: text as typed, and moments at which a clock was started. */
export const draftBody = z.object({
  body: z.record(z.string(), z.unknown()).refine((b) => JSON.stringify(b).length < 20_000, {
    error: 'A draft must be shorter than 20,000 letters',
  }),
});
export const draftView = z.object({
  key: z.string(),
  body: z.record(z.string(), z.unknown()),
  updatedAt: z.string(),
});
export type DraftView = z.infer<typeof draftView>;
