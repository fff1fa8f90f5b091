import {
  QUICK_TESTS,
  type Aim,
  type BedTask,
  type Beyond,
  type Cap,
  type CheckFirst,
  type HandPace,
  type BestHour,
  type LeaveReason,
  type OwnLine,
  type Undivided,
  type RunsOut,
  type SoakNow,
  type StageStep,
  type Waiting,
  type WaterReason,
  type AlertAct,
  type AlertAhead,
} from '@kibble/core';
import { isFlag, isNumber, isText, orNull, shaped, worded } from './shape.ts';
import { z } from './zod.ts';
import { eventView, type EventView } from './events.ts';
import { bedView } from './garden.ts';
import { SECTION_STATES } from './lists.ts';
import { limited } from './limited.ts';
import { treeNow } from './trees.ts';
import { day, dueSpan, runSlotView } from './parts.ts';

export const DAY_SOURCES = ['record', 'forecast', 'said', 'own record', 'ordinary day'] as const;

export const ribbonDay = z.object({
  date: day,
  tMinC: z.number(),
  tMaxC: z.number(),
  rainMm: z.number(),
  rainChance: z.number(),
  et0Mm: z.number(),
  source: z.enum(DAY_SOURCES),
});

/** What a soil core is drawn from: the engine's own layers. */
export const coreView = z.object({
  layersMm: z.array(z.number()),
  fieldCapacityMm: z.array(z.number()),
  wiltingPointMm: z.array(z.number()),
  saturationMm: z.array(z.number()),
  textures: z.array(z.string()),
  rootDepthMm: z.number(),
  depletionMm: z.number(),
  readilyMm: z.number(),
  totalMm: z.number(),
  mulchMm: z.number(),
  lastFrontMm: z.number().nullable(),
  cropId: z.string().nullable(),
  group: z.string().nullable(),
  growth: z.number(),
});

/** How a tree stands between two soaks. */
export const soakNow = shaped<SoakNow & { limitOn: string | null }>({
  days: isNumber,
  counted: isNumber,
  onRecord: isFlag,
  gapDays: isNumber,
  ballGone: orNull(isNumber),
  limitOn: orNull(isText),
});

/** Something to do or look at on a bed besides watering. */
const taskView = z.object({
  bedId: z.number(),
  bedName: z.string(),
  plantingId: z.number().nullable(),
  /** The plant that it asks about, where several stand there. */
  cropName: z.string().nullable(),
  task: shaped<BedTask>({ code: isText }),
  /** By which the log says that it was seen to. */
  key: z.string(),
  due: dueSpan,
});

/** When the next watering is likely due, and the fortnight's litres: 10, 50 and 90 % of the ways the weather may go. */
const windowView = z.object({
  early: day.nullable(),
  likely: day.nullable(),
  late: day.nullable(),
  litres: z.object({ low: z.number(), middle: z.number(), high: z.number() }),
  fan: z.array(z.object({ date: day, lowMm: z.number(), highMm: z.number() })),
});

const litresRange = z.object({ low: z.number(), high: z.number() });
/** A short measurement, and what it would make of the fortnight's litres on its bed. */
const sharpenView = z.object({
  bedId: z.number(),
  bedName: z.string(),
  test: z.enum(QUICK_TESTS),
  minutes: z.number(),
  now: litresRange,
  after: litresRange,
});

const runView = z.object({
  minutes: z.number(),
  litres: z.number(),
  localMm: z.number(),
  bedMm: z.number(),
  cycles: z.number(),
  runMinutes: z.number(),
  soakMinutes: z.number(),
  totalMinutes: z.number(),
  rateMmPerHour: z.number(),
});

/** Where the water of a stretch of days came from and went, mm over the bed. */
const balance = z.object({
  rainMm: z.number(),
  irrigationMm: z.number(),
  evaporationMm: z.number(),
  transpirationMm: z.number(),
  runoffMm: z.number(),
  lostBelowRootsMm: z.number(),
});

/** Room that a bed has for water today, and what a litre through its tap is there. */
export const roomForWater = z.object({
  depletionMm: z.number(),
  mmPerLitre: z.number(),
  litresPerMinute: z.number(),
  fedOn: day.nullable(),
  overdone: z.enum(['wasted', 'wasted and airless', 'airless']),
});

const bedHead = z.object({
  /** Where it is a tree place: the tree, its ring and its clock. */
  tree: treeNow.nullable(),
  bedId: z.number(),
  kind: z.string(),
  bedName: z.string(),
  cropName: z.string().nullable(),
  stage: z.string().nullable(),
  textureClass: z.string(),
  areaM2: z.number(),
  room: roomForWater,
  core: coreView,
  /** What was told or measured beyond the engine's range, and is planned at its edge. */
  beyond: z.array(z.custom<Beyond>((v) => typeof v === 'object' && v !== null && 'taken' in v)),
  /** Readings on record that cannot be computed and are left out. */
  unread: z.array(z.object({ id: z.number(), on: day, label: z.string() })),
});

/** A bed that cannot be planned: why, in words, and the figure at fault or the number in the log. */
export const unplannedView = z.object({
  bedId: z.number(),
  bedName: z.string(),
  message: z.string(),
  field: z.string().nullable(),
  number: z.string().nullable(),
});
export type UnplannedView = z.infer<typeof unplannedView>;

/** The days on which the garden is walked, in one line: the round, who needs more, and what one round less would cost. */
export const roundsView = z.object({
  by: z.enum(['gardener', 'proposed']),
  /** Days of the week, Sunday 0. */
  weekdays: z.array(z.number()),
  between: z.array(z.object({ bedId: z.number(), bedName: z.string(), weekdays: z.array(z.number()) })),
  onTimer: z.array(z.object({ bedId: z.number(), bedName: z.string() })),
  sparser: z.object({ perWeek: z.number(), lostShare: z.number() }).nullable(),
});
export type RoundsView = z.infer<typeof roundsView>;

export const stopView = bedHead.extend({
  method: z.string(),
  how: z.string(),
  litresPerMinute: z.number(),
  flowMeasured: z.boolean(),
  run: runView,
  handsOnMinutes: z.number(),
  /** A timer opens and shuts it. */
  timer: z.boolean(),
  reachesMm: z.number(),
  reason: shaped<WaterReason>({ code: isText }),
  /** How the leaves, or the bodies of cacti, are to be treated; null where wet leaves do no harm. */
  leaves: z.enum(['keep leaves dry', 'rinse early, then keep dry', 'keep bodies dry']).nullable(),
  /** The best hours of the day, and why. */
  hour: z.custom<BestHour>((v) => typeof v === 'object' && v !== null && 'reason' in v),
  /** For hose and can: passes with their rest, and the pace of each; null when nobody stands there. */
  byHand: z
    .object({
      passes: z.number(),
      restMinutes: z.number(),
      /** Null where nothing stands to count by. */
      pace: z.custom<HandPace>((v) => typeof v === 'object' && v !== null && 'by' in v).nullable(),
    })
    .nullable(),
  /** Its runs on the clock, minutes after midnight; empty when the day has no room for them. */
  runs: z.array(z.object({ from: z.number(), until: z.number(), cycle: z.number() })),
  /** Look before watering, and why; null when the plan is sure enough. */
  checkFirst: shaped<CheckFirst>({ code: isText, depthMm: isNumber }).nullable(),
  /** Share the wind of the day takes from a thrown spray, and hours its leaves stay wet; null for what wets no leaf. */
  spray: z
    .object({
      windMs: z.number().nullable(),
      tMaxC: z.number().nullable(),
      lostShare: z.number(),
      leafWetHours: z.number(),
      overNight: z.boolean(),
      /** What stays on the leaves and dries there, litres through the tap; and whether they shed it between the plants. */
      onLeavesL: z.number(),
      sheds: z.boolean(),
    })
    .nullable(),
  /** The tap it draws from, by name. */
  tapName: z.string().nullable(),
  /** The zone that it is watered in: its tap, the bed that could least wait, litres that it gets beyond what it lacks, and what the whole run comes to. */
  zone: z
    .object({
      tapId: z.number(),
      lead: z.number(),
      beyondL: z.number(),
      whole: z.object({ litres: z.number(), handsOnMinutes: z.number(), beyondL: z.number() }),
    })
    .nullable(),
  /** Where on the ground it belongs. */
  aim: worded<Aim>().nullable(),
  /** Cans or buckets to fill, where they are carried. */
  fills: z.object({ count: z.number(), litresEach: z.number() }).nullable(),
  /** A light wetting comes first: water went down one channel here when it was watched, a probe found dry patches, or bare ground has baked. */
  wetFirst: z.enum(['channel', 'patches', 'baked']).nullable(),
  /** Only a strip along each row of seed is watered, mm wide; null where the whole bed is. */
  rowStripMm: z.number().nullable(),
});

/** A bed that is left alone today, and why. Its ground is drawn in other rooms. */
export const leaveView = z.object({
  bedId: z.number(),
  bedName: z.string(),
  /** The zone that it is watered in, by the number of its tap. */
  zone: z.number().nullable(),
  /** Gone from its root zone: what the ground has room for, mm. */
  depletionMm: z.number(),
  room: roomForWater,
  nextDate: day.nullable(),
  /** A woody place's clock. */
  soak: soakNow.nullable(),
  /** What waiting from today for the next round would cost it; null where nothing is asked of it. */
  waiting: shaped<Waiting>({
    until: isText,
    lostShare: isNumber,
    highShare: isNumber,
    missedShare: isNumber,
    allowedShare: isNumber,
    lowestKs: isNumber,
    reachableKs: isNumber,
    floor: isNumber,
  }).nullable(),
  reason: shaped<LeaveReason>({ code: isText }),
  event: eventView.nullable(),
});

/** An alert, with what it asks of this garden. */
export type AlertView = AlertAhead & {
  acts: AlertAct[];
  /** Trees and shrubs by how long they stood without water, the longest first; where it asks to look at them. */
  trees?: { days: number; counted: number; bedId: number; bedName: string }[];
};

export const roundView = z.object({
  date: day,
  stops: z.array(stopView),
  leaveAlone: z.array(leaveView),
  tasks: z.array(taskView),
  /** The sun by the garden's clock, hours; and whether its longitude is known. */
  sun: z.object({ sunrise: z.number(), noon: z.number(), sunset: z.number(), assumed: z.boolean() }),
  /** Due today and put off by the garden's limits. */
  putOff: z.array(
    z.object({
      bedId: z.number(),
      bedName: z.string(),
      why: worded<Cap>(),
      until: day.nullable(),
      minutes: z.number(),
      litres: z.number(),
    }),
  ),
  totals: z.object({ handsOnMinutes: z.number(), minutes: z.number(), litres: z.number() }),
  rounds: roundsView,
  /** Beds that cannot be planned; the rest of the round stands without them. */
  unplanned: z.array(unplannedView),
  ribbon: z.array(ribbonDay),
  /** What in the past weeks’ and the forecast’s weather asks for action. */
  alerts: z.array(z.custom<AlertView>((v) => typeof v === 'object' && v !== null && 'code' in v)),
  /** Share of the past fortnight's days that somebody or something measured, 0–1. */
  measuredShare: z.number(),
});

/** What of the round is another after a change: the beds that differ as they are now, and what is of the garden as a whole. */
export const changedView = roundView
  .pick({
    stops: true,
    leaveAlone: true,
    tasks: true,
    totals: true,
    rounds: true,
    putOff: true,
    unplanned: true,
  })
  .extend({
    date: day,
    /** Beds that differ; what is told of them takes the place of what was. */
    beds: z.array(z.number()),
    /** Today's stops in the order of the clock. */
    order: z.array(z.number()),
    /** All beds that are planned, in the garden's order. */
    planned: z.array(z.number()),
  });
export const changedAnswer = changedView.nullable();
export type ChangedView = z.infer<typeof changedView>;
/** What a change of the log answers: the entry, and what of the round is another for it. */
export type EventAnswer = EventView & { changed?: ChangedView | null };

export const chartDay = z.object({
  date: day,
  et0Mm: z.number(),
  rainMm: z.number(),
  irrigationMm: z.number(),
  evaporationMm: z.number(),
  transpirationMm: z.number(),
  runoffMm: z.number(),
  lostBelowRootsMm: z.number(),
  depletionMm: z.number(),
  readilyMm: z.number(),
  totalMm: z.number(),
  rootDepthMm: z.number(),
  stressCoefficient: z.number(),
  /** Depth the day's water reached, mm; 0 when none came. */
  wetFrontMm: z.number(),
  ahead: z.boolean(),
  source: z.enum(DAY_SOURCES),
});

export const bedPageView = bedHead.extend({
  date: day,
  days: z.array(chartDay),
  strips: z.array(
    z.object({
      plantingId: z.number(),
      cropName: z.string(),
      steps: z.array(
        shaped<StageStep>({
          stage: isText,
          from: isText,
          kcb: isNumber,
          rootDepthMm: isNumber,
          heightM: isNumber,
          by: isText,
        }),
      ),
      /** What it drinks on a mean day of each stage, mm. */
      useMm: z.array(z.number().nullable()),
    }),
  ),
  cautions: z.array(z.string()),
  tasks: z.array(taskView),
  /** The last thirty days against the same days a year before, mm over the bed; null without such a record. */
  lastYear: z.object({ days: z.number(), now: balance, then: balance }).nullable(),
  stop: stopView.nullable(),
  leave: leaveView.nullable(),
  window: windowView.nullable(),
  /** When the ground's store runs out with no watering at all; null where nothing grows. */
  /** It is watered on nearly every day of the plan: days, and of how many. */
  often: z.object({ days: z.number(), of: z.number() }).nullable(),
  /** What would be lost if its next seven days' waterings were one; null where they are one, or nothing would. */
  undivided: shaped<Undivided>({
    waterings: isNumber,
    holdsMm: isNumber,
    givenMm: isNumber,
    sinksMm: isNumber,
    sinksL: isNumber,
  }).nullable(),
  /** How far it has dried down without harm, where it wilted, and the line that follows; null where nothing stands. */
  ownLine: shaped<OwnLine>({ now: isNumber, usual: isNumber }).nullable(),
  runsOut: z.custom<RunsOut>((v) => typeof v === 'object' && v !== null && 'slows' in v).nullable(),
  /** How deep the roots are counted on, and may be; mm it could then still spare today. */
  roots: z.object({ countedMm: z.number(), upToMm: z.number(), leftIfDeepMm: z.number() }).nullable(),
  sharpen: sharpenView.nullable(),
  /** Growth lost over the fortnight, shares: as believed, with shallow roots, and what its goal allows. */
  loss: z.object({
    share: z.number(),
    ifShallow: z.number(),
    allowedShare: z.number(),
    /** The same of the fortnight behind, as its balance has it. */
    lately: z.number(),
  }),
  bed: bedView,
  next: z.object({ date: day, litres: z.number(), minutes: z.number(), localMm: z.number() }).nullable(),
  events: z.array(eventView),
  season: balance,
});

/** A bed that cannot be planned still has a page: what is amiss, what it is, and its log. */
export const unplannedBedView = z.object({
  unplanned: unplannedView,
  bed: bedView,
  events: z.array(eventView),
});
export type UnplannedBedView = z.infer<typeof unplannedBedView>;

/** Today's walk begun at another hour: what fits, and what is carried over. */
export const walkView = z.object({
  from: z.number(),
  until: z.number(),
  endsByDark: z.boolean(),
  slots: z.array(runSlotView),
  carriedOver: z.array(z.object({ bedId: z.number(), bedName: z.string(), minutes: z.number() })),
});
export const walkQuery = z.object({
  from: z.preprocess(Number, limited('clockMinute')),
  minutes: z.preprocess((v) => (v === undefined ? undefined : Number(v)), limited('minutes').optional()),
});
export type WalkView = z.infer<typeof walkView>;

/** How far a large garden's plan is; null when none is being made. */
export const progressView = z.object({ done: z.number(), of: z.number() }).nullable();
export type ProgressView = z.infer<typeof progressView>;
export const sharpenAnswer = sharpenView.nullable();

/** What a soaking rain that ended yesterday has done; null where none did. */
export const afterRainView = z
  .object({
    from: day,
    on: day,
    rainMm: z.number(),
    beds: z.array(
      z.object({
        bedId: z.number(),
        bedName: z.string(),
        reachesMm: z.number(),
        rootDepthMm: z.number(),
        leftMm: z.number(),
        filled: z.boolean(),
      }),
    ),
    /** Where one look with a spade tells most. */
    spade: z.number().nullable(),
    spared: z.array(z.object({ bedId: z.number(), bedName: z.string(), was: day, now: day.nullable() })),
  })
  .nullable();
export type AfterRainView = z.infer<typeof afterRainView>;

/** Water of one day in the garden's section: layers as on the day's evening. */
const sectionDay = z.object({
  layersMm: z.array(z.number()),
  depletionMm: z.number(),
  readilyMm: z.number(),
  rootDepthMm: z.number(),
  frontMm: z.number(),
});
export const sectionBed = bedHead.extend({
  place: z.string().nullable(),
  line: z.string(),
  daysInHand: z.number().nullable(),
  state: z.enum(SECTION_STATES),
  minutes: z.number().nullable(),
  days: z.array(sectionDay),
});
export const sectionView = z.object({
  unplanned: z.array(unplannedView),
  /** Days of the scrub, the same for every bed; the index of today among them. */
  dates: z.array(day),
  todayIndex: z.number(),
  beds: z.array(sectionBed),
  /** Beds there are in all with this filter, and where this page begins. */
  total: z.number(),
  offset: z.number(),
});
export type SectionView = z.infer<typeof sectionView>;
export type SectionBed = z.infer<typeof sectionBed>;
export type SectionState = (typeof SECTION_STATES)[number];
export type TaskView = z.infer<typeof taskView>;

export type SharpenView = z.infer<typeof sharpenView>;
export type RibbonDay = z.infer<typeof ribbonDay>;
export type CoreView = z.infer<typeof coreView>;
export type StopView = z.infer<typeof stopView>;
export type LeaveView = z.infer<typeof leaveView>;
export type RoundView = z.infer<typeof roundView>;
export type ChartDay = z.infer<typeof chartDay>;
export type BedPageView = z.infer<typeof bedPageView>;
export type WindowView = z.infer<typeof windowView>;
