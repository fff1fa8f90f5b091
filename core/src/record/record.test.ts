import { describe, expect, test } from '@jest/globals';
import { SAVED_NOTE } from '../delivery/givenWater.ts';
import { givenOf, historyOf, nowOf } from './history.ts';
import { planBed } from './toPlan.ts';
import { happened, type EventEntry } from './events.ts';
import type { BedOnRecord, SettingOnRecord } from './place.ts';

const BEGAN = '2026-04-01';
const WIDENED = '2026-06-01';
const TODAY = '2026-07-14';

let id = 0;
const since = (from: string, setting: SettingOnRecord['setting']): SettingOnRecord => ({
  id: (id += 1),
  from,
  setting,
});
const hose = { method: 'hose wand', litresPerMinute: 10, measured: true } as const;

/** Ten square metres at first, twenty since June; a hose that gives ten litres a minute. */
const BED: BedOnRecord = {
  id: 3,
  kind: 'ground',
  startOn: BEGAN,
  startWetness: 'moist',
  wetnessOn: null,
  textureClass: 'loam',
  subsoilClass: null,
  rank: null,
  archived: false,
  settings: [
    since(BEGAN, { kind: 'area', value: 10 }),
    since(WIDENED, { kind: 'area', value: 20 }),
    since(BEGAN, { kind: 'form', value: 'flat' }),
    since(BEGAN, { kind: 'cover', value: false }),
    since(BEGAN, { kind: 'shade', value: false }),
    since(BEGAN, { kind: 'mulched', value: null }),
    since(BEGAN, { kind: 'goal', value: 'steady' }),
    since(BEGAN, { kind: 'watered', value: hose }),
    since(BEGAN, { kind: 'tap', value: null }),
  ],
  findings: [],
  plantings: [],
  planting: null,
  areaM2: 20,
  tapId: null,
  delivery: hose,
  mulchMaterial: null,
  mulchMm: null,
  mulchLaidOn: null,
  underCover: false,
  shadeCloth: false,
  goal: 'steady',
};

const entry = (body: EventEntry['body'], more: Partial<EventEntry> = {}): EventEntry => ({
  id: 1,
  gardenId: 1,
  bedId: BED.id,
  kind: 'watering',
  on: TODAY,
  at: `${TODAY}T06:00:00.000Z`,
  body,
  note: null,
  by: null,
  clockWasAhead: false,
  ...more,
});

describe('what a watering came to', () => {
  test('litres entered stand, and the minutes follow from the flow (arithmetic)', () => {
    const { litres, minutes, told } = happened(entry({ kind: 'watering', litres: 80 }), BED, TODAY);
    expect([litres, minutes, told]).toEqual([80, 8, 'litres']);
  });

  test('minutes entered stand, and the litres follow from the flow (arithmetic)', () => {
    const { litres, minutes, told } = happened(entry({ kind: 'watering', minutes: 7 }), BED, TODAY);
    expect([litres, minutes, told]).toEqual([70, 7, 'minutes']);
  });

  test('a litre on a square metre is a millimetre at most, and the same litres are half as deep since the bed is twice as wide', () => {
    const deep = (on: string): number =>
      happened(entry({ kind: 'watering', litres: 80 }, { on }), BED, TODAY).netMm ?? 0;
    expect(deep('2026-05-20')).toBeGreaterThan(0);
    expect(deep('2026-05-20')).toBeLessThanOrEqual(80 / 10);
    expect(deep(TODAY)).toBeCloseTo(deep('2026-05-20') / 2, 9);
  });

  test('a depth that was entered stands as it is', () => {
    const { netMm, told } = happened(entry({ kind: 'watering', depthMm: 12 }), BED, TODAY);
    expect([netMm, told]).toEqual([12, 'depth']);
  });

  test('of a bed that cannot be computed what was entered is still shown, and no depth is made up', () => {
    const broken = { ...BED, settings: [] };
    const { litres, minutes, netMm } = happened(entry({ kind: 'watering', litres: 80 }), broken, TODAY);
    expect([litres, minutes, netMm]).toEqual([80, null, null]);
  });
});

test('a gauge reading and a skip bring no water of ours, and say what was entered', () => {
  const rain = happened(entry({ kind: 'rain', rainMm: 4 }, { kind: 'rain', bedId: null }), null, TODAY);
  expect([rain.rainMm, rain.litres, rain.told]).toEqual([4, null, null]);
  const skip = happened(entry({ kind: 'skip', reason: 'feels moist' }, { kind: 'skip' }), BED, TODAY);
  expect([skip.reason, skip.litres, skip.netMm]).toEqual(['feels moist', null, null]);
});

test('an entry whose body is not understood any more is shown, with nothing in it', () => {
  const shown = happened(entry(null), BED, TODAY);
  expect([shown.litres, shown.minutes, shown.netMm, shown.reason]).toEqual([null, null, null, null]);
});

describe('a bed’s history', () => {
  test('is cut on the day on which it became another, and the last part is how it is now', () => {
    const { periods, unread } = historyOf(BED, TODAY);
    expect(periods.map(({ from }) => from)).toEqual([BEGAN, WIDENED]);
    expect(nowOf(periods).known.areaM2).toBe(20);
    expect(unread).toEqual([]);
  });

  test('a setting that is tried holds from today on, and leaves the bed as it was', () => {
    const tried = historyOf(BED, TODAY, { settings: [{ kind: 'area', value: 5 }] });
    expect(nowOf(tried.periods).known.areaM2).toBe(5);
    expect(nowOf(historyOf(BED, TODAY).periods).known.areaM2).toBe(20);
  });

  test('a bucket timed at the hose changes what a minute gives from its day on', () => {
    const timed: BedOnRecord = {
      ...BED,
      findings: [
        {
          id: 50,
          on: '2026-05-01',
          tapId: null,
          method: 'hose wand',
          input: { kind: 'bucket', litres: 10, seconds: 30 },
        },
      ],
    };
    const { litres } = givenOf(timed, TODAY, TODAY, { litres: null, minutes: 3, depthMm: null });
    // Ten litres in half a minute are twenty a minute (arithmetic).
    expect(litres).toBeCloseTo(60, 9);
  });
});

describe('what is given on top', () => {
  const at = { today: TODAY, latitudeDeg: 46.9 };
  const watered = (note: string | null) =>
    planBed(
      BED,
      [
        {
          bedId: BED.id,
          kind: 'watering',
          date: TODAY,
          litres: 20,
          minutes: null,
          netMm: 1,
          reason: null,
          note,
        },
      ],
      at,
    );
  // Twenty litres of bath water at a tree that wants thousands are no round.
  test('saved water settles no stop, and counts all the same', () => {
    const { settledToday, irrigations } = watered(SAVED_NOTE);
    expect(settledToday).toBe(false);
    expect(irrigations).toEqual([{ date: '2026-07-13', netMm: 1 }]);
  });
  test('any other watering settles it', () => {
    const { settledToday, irrigations } = watered(null);
    expect(settledToday).toBe(true);
    expect(irrigations).toEqual([{ date: TODAY, netMm: 1 }]);
  });
});
