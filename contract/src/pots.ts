import {
  DRESSING_IDS,
  FELT,
  FOUND,
  GIVEN_HOW,
  LIGHTS,
  MATERIAL_IDS,
  METERS,
  MIX_IDS,
  POT_WAY_FACTS,
  POT_WAYS,
  needsHole,
  ROOM_AIRS,
  ROOT_FILLS,
  SEQUENCE_KINDS,
  SIGNS,
  VESSEL_KINDS,
  WARMTHS,
  type PhVerdict,
  type PotEntry,
  type PotFound,
  type PotHelp,
  type PotLeave,
  type PotTask,
  type PotWalk,
  type SequenceStep as StepOfSequence,
  type VesselDay,
  type WeighedSpan,
} from '@kibble/core';
import { worded } from './shape.ts';
import { z } from './zod.ts';
import { cropId, START_WETNESS } from './garden.ts';
import { limited, limitedWhole } from './limited.ts';
import { day, dueSpan, entryDate, kindName, name, oneOf, version } from './parts.ts';
import { workingView } from './working.ts';

export const STANDS = ['outdoors', 'balcony', 'greenhouse', 'indoors'] as const;

const spotName = z
  .string({ error: 'Where it stands must be given in words' })
  .trim()
  .min(1, { error: 'Where it stands must not be empty; got ""' })
  .max(40, {
    error: ({ input }) => `Where it stands must be 40 letters or fewer; got ${String(input).length}`,
  });

/** What of a pot may become another: kept with the day up to which it was so. */
export const potFacts = z
  .object({
    volumeL: limited('potLitres').nullish(),
    topM: limited('potAcrossM').nullish(),
    baseM: limited('potAcrossM').nullish(),
    heightM: limited('potHeightM').nullish(),
    trough: z.boolean().default(false),
    mix: oneOf('Mix', MIX_IDS).default('standard'),
    material: oneOf('Material', MATERIAL_IDS).default('plastic'),
    dressing: oneOf('On the mix', DRESSING_IDS).default('bare'),
    saucer: z.boolean().default(false),
    /** It has no hole for water to run out of. */
    noHole: z.boolean().default(false),
    reservoirL: limited('reservoirL').nullish(),
    roots: oneOf('Roots', ROOT_FILLS).default('filled'),
    /** How far its leaves reach across. */
    acrossM: limited('leavesAcrossM').nullish(),
    stands: oneOf('It stands', STANDS).default('outdoors'),
    sun: oneOf('Sun', ['full', 'half', 'shade']).default('full'),
    wind: oneOf('Wind', ['sheltered', 'open', 'exposed']).default('open'),
    wall: z.boolean().default(false),
    /** It hangs above the head of whoever waters it. */
    hangs: z.boolean().default(false),
    light: oneOf('Light', LIGHTS).default('bright'),
    warmth: oneOf('Warmth', WARMTHS).default('warm'),
    air: oneOf('Air of the room', ROOM_AIRS).default('ordinary'),
    way: oneOf('Way of watering', POT_WAYS).nullish(),
  })
  .check(({ value, issues }) => {
    if (value.noHole && value.way && needsHole(value.way))
      issues.push({
        code: 'custom',
        input: value.way,
        message: `Way of watering must let nothing run through, because the pot has no hole; got ${POT_WAY_FACTS[value.way].label}`,
        path: ['way'],
      });
    if ((value.volumeL ?? null) === null && (value.topM ?? null) === null)
      issues.push({
        code: 'custom',
        input: value.volumeL,
        message: 'Size of the pot must be told: its litres, or how far it is across',
        path: ['volumeL'],
      });
  });

const potPlanting = z.object({
  cropId,
  plantedOn: entryDate('Planted or sown on'),
  endedOn: entryDate('Taken out on').nullish(),
});

export const potBody = z.object({
  kind: kindName('Kind', () => Object.keys(VESSEL_KINDS)).default('pot'),
  name: name('Name of the pot'),
  spot: spotName,
  facts: potFacts,
  plantings: z.array(potPlanting).max(8, { error: 'Plants in one pot must be eight kinds or fewer' }),
  startWetness: oneOf('Wetness now', START_WETNESS).default('soaked'),
  notes: z
    .string()
    .max(2000, { error: ({ input }) => `Notes must be 2000 letters or fewer; got ${String(input).length}` })
    .default(''),
});
/** A pot as it is changed: moved, repotted or told anew, since a day. */
export const potChange = potBody.extend({
  version,
  since: entryDate('Since when').optional(),
  /** Where its roots were found, when it was repotted. */
  rootsFound: oneOf('Roots found', ['upper half', 'throughout']).optional(),
});
export type PotBody = z.infer<typeof potBody>;
export type PotDraft = z.input<typeof potBody>;
export type PotChange = z.input<typeof potChange>;
export type PotFacts = z.infer<typeof potFacts>;

export const potEntry = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('given'),
    millilitres: limited('millilitres'),
    how: oneOf('How', GIVEN_HOW).default('poured'),
  }),
  z.object({ kind: z.literal('weighed'), kg: limited('potKg'), full: z.boolean().optional() }),
  z.object({
    kind: z.literal('heft'),
    felt: oneOf('It feels', FELT),
    by: oneOf('Felt by', ['hand', 'foot']).default('hand'),
  }),
  z.object({
    kind: z.literal('meter'),
    pct: limited('meterPct'),
    meter: oneOf('Meter', METERS).default('cheap probe'),
  }),
  z.object({ kind: z.literal('finger'), found: oneOf('The finger found', FOUND) }),
  z.object({ kind: z.literal('seen'), sign: oneOf('Seen', SIGNS) }),
  z.object({
    kind: z.literal('dry spell'),
    what: oneOf('Dry spell', ['start', 'end']),
    days: limitedWhole('spellDays').default(1),
  }),
  z.object({ kind: z.literal('left') }),
]);

const hour = z.number().min(0).max(24).optional();
/** Entries of a walk or a weigh-in; odd ones are asked about once, and kept when somebody is sure. */
export const potEntriesBody = z.object({
  entries: z
    .array(
      z.object({ potId: z.number().int().min(1), entry: potEntry, date: entryDate('Day').optional(), hour }),
    )
    .min(1, { error: 'There must be at least one entry; got none' })
    .max(300, { error: 'Entries must be 300 at a time or fewer' }),
  sure: z.boolean().default(false),
});
export type PotEntriesDraft = z.input<typeof potEntriesBody>;
export const entryIds = z.object({ ids: z.array(z.number().int().min(1)).min(1).max(300) });

export const PH_OF = ['tap', 'rain', 'batch'] as const;
export const phBody = z.object({
  ph: limited('ph'),
  of: oneOf('Water', PH_OF),
  date: entryDate('Day').optional(),
});

/** Something done by the clock or by counting, begun. */
export const sequenceBody = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal(SEQUENCE_KINDS),
    potIds: z
      .array(z.number().int().min(1))
      .min(1, { error: 'Pots or trays must be at least one; got none' })
      .max(60),
    bathM2: limited('bathM2').optional(),
    depthMm: limited('bathMm').optional(),
  }),
  z.object({
    kind: z.literal('acid batch'),
    litres: limited('batchLitres'),
    doseMlPerL: limited('doseMlPerL').optional(),
    feed: z.boolean().default(false),
  }),
]);
export type SequenceBody = z.input<typeof sequenceBody>;
/** On with it: the next step, a spoon more or less, or given up. The step that was seen goes with it, so that two taps are one. */
export const sequenceStepBody = z.discriminatedUnion('act', [
  z.object({ act: z.literal('next'), from: z.number().int().min(0) }),
  z.object({ act: z.literal('count'), count: limitedWhole('spoons') }),
  z.object({ act: z.literal('give up') }),
  /** What was given up is gone on with, its clock as it was. */
  z.object({ act: z.literal('take up') }),
]);

export type SequenceStep = z.input<typeof sequenceStepBody>;

export const sequenceView = z.object({
  id: z.number(),
  kind: z.enum([...SEQUENCE_KINDS, 'acid batch']),
  potIds: z.array(z.number()),
  names: z.array(z.string()),
  steps: z.array(z.custom<StepOfSequence>((v) => typeof v === 'object' && v !== null && 'says' in v)),
  step: z.number(),
  /** When the step began. */
  stepAt: z.string(),
  count: z.number(),
  /** Of a soak: the bath and all its water. Of a batch: what is to be poured. */
  water: z
    .object({ bathL: z.number(), atOnce: z.number(), rounds: z.number(), litres: z.number() })
    .nullable(),
  batch: z
    .object({
      litres: z.number(),
      millilitres: z.number(),
      spoons: z.number(),
      whole: z.number(),
      feed: z.boolean(),
    })
    .nullable(),
});
export type SequenceView = z.infer<typeof sequenceView>;

const plain = <T>(has: string) => z.custom<T>((v) => typeof v === 'object' && v !== null && has in v);
const giving = z.object({
  date: day,
  millilitres: z.number(),
  how: z.enum(GIVEN_HOW),
  again: z.object({ hour: z.number(), millilitres: z.number() }).nullable(),
});

/** A pot as the shelf shows it. */
export const potView = z.object({
  id: z.number(),
  version: z.number(),
  kind: z.string(),
  name: z.string(),
  spot: z.string(),
  facts: potFacts,
  plantings: z.array(potPlanting.extend({ cropId: z.string(), cropName: z.string(), group: z.string() })),
  startOn: day,
  notes: z.string(),
  shape: z.object({ volumeL: z.number(), topM: z.number(), baseM: z.number(), heightM: z.number() }),
  way: z.enum(POT_WAYS),
  usual: z.object({ way: z.enum(POT_WAYS), why: z.string() }),
  holdsMl: z.number(),
  heldMl: z.number(),
  lineMl: z.number(),
  dayUseMl: z.number(),
  doubt: z.number(),
  useFactor: z.number(),
  give: giving.nullable(),
  leave: plain<PotLeave>('code').nullable(),
  givings: z.array(giving),
  next: z.object({ early: day.nullable(), likely: day.nullable(), late: day.nullable() }),
  lastsUntil: day.nullable(),
  lastsShaded: day.nullable(),
  vwcPct: z.number(),
  lineVwcPct: z.number(),
  resting: z.boolean(),
  shrunk: z.boolean(),
  emptiesInADay: z.boolean(),
  atNight: z.boolean(),
  missedShare: z.number(),
  fullKg: z.number().nullable(),
  weighedOn: day.nullable(),
  /** Its last weight, while no water came since. */
  lastKg: z.number().nullable(),
  /** Its last two weights, the older first; and what it lost between, mL, where no water came. */
  weights: z.array(z.object({ kg: z.number(), date: day })),
  lostMl: z.number().nullable(),
  /** Each with the key by which the log says that it was seen to. */
  tasks: z.array(plain<PotTask & { key: string; due: z.infer<typeof dueSpan> }>('key')),
  /** What was written down of it today, newest first. */
  today: z.array(z.object({ id: z.number(), entry: plain<PotEntry>('kind') })),
});
export type PotView = z.infer<typeof potView>;

/** A part of the garden where pots stand together. */
export const spotView = z.object({
  name: z.string(),
  pots: z.array(potView),
  /** Today's walk: what asks for water now, and from which hour of the clock it is best walked. */
  walk: plain<PotWalk>('litres'),
  atDusk: z.boolean(),
  /** The second walk of a hot day. */
  again: plain<PotWalk>('litres').nullable(),
  perDay: z.array(z.object({ date: day, pots: z.number(), litres: z.number(), minutes: z.number() })),
  /** Left alone from tomorrow: how many hang within the plan, and the first day on which one does. */
  away: z.object({ first: day.nullable(), pots: z.number() }),
});
export type SpotView = z.infer<typeof spotView>;

const potDay = z.object({ date: day, pots: z.number(), litres: z.number(), minutes: z.number() });

export const potsView = z.object({
  date: day,
  /** All of them on each day of the plan. */
  perDay: z.array(potDay),
  spots: z.array(spotView),
  archived: z.array(z.object({ id: z.number(), name: z.string(), spot: z.string() })),
  /** Pots that cannot be computed: why, in words. */
  unplanned: z.array(z.object({ id: z.number(), name: z.string(), message: z.string() })),
  totals: plain<PotWalk>('litres'),
  sequences: z.array(sequenceView),
  water: z.object({
    ph: z.array(
      z.object({
        id: z.number(),
        date: day,
        of: z.enum(PH_OF),
        ph: z.number(),
        verdict: worded<PhVerdict>(),
      }),
    ),
    /** To be stood today for tomorrow. */
    stand: z.object({ litres: z.number(), cans: z.number(), pots: z.number() }),
    /** Wanted of rain or soured water over the fortnight, and by how many pots. */
    acid: z.object({ litres: z.number(), pots: z.number() }),
  }),
  /** Lowest air of last night, °C. */
  coldC: z.number().nullable(),
});
export type PotsView = z.infer<typeof potsView>;

export const potPageView = z.object({
  pot: potView,
  days: z.array(plain<VesselDay & { ahead: boolean }>('heldMl')),
  found: z.array(plain<PotFound>('foundMl')),
  spans: z.array(plain<WeighedSpan>('lostMl')),
  help: z.object({ now: z.number(), helps: z.array(plain<PotHelp>('code')) }),
  working: workingView.shape.working.nullable(),
  log: z.array(z.object({ id: z.number(), date: day, entry: plain<PotEntry>('kind') })),
  earlier: z.array(
    z.object({ until: day, spot: z.string(), facts: potFacts, rootsFound: z.string().nullable() }),
  ),
  fromBed: z.object({ id: z.number(), name: z.string() }).nullable(),
  /** Scale and meter make another size of it than was told. */
  sanity: z.object({ mixL: z.number(), toldL: z.number(), on: day }).nullable(),
});
export type PotPageView = z.infer<typeof potPageView>;

/** A bed that is a pot, told as one. */
export const bedToPotBody = z.object({ facts: potFacts, spot: spotName });
/** A plant that leaves its pot for a bed. */
export const plantOutBody = z.object({
  bedId: z.number().int().min(1),
  plantedOn: entryDate('Planted out on').optional(),
});

/** An entry as it lies in the file; what is not understood any more is set aside. */
export function potEntryFrom(text: string): PotEntry | null {
  try {
    const read = potEntry.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
