import { at, item } from '../../core/src/units/at.ts';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { bedModel, type BedInput } from '../../core/src/places/ground/bedModel.ts';
import { cloneState, copyState, OUT_SIZE, startState } from '../../core/src/places/ground/bedState.ts';
import { weatherSeries, type WeatherSeries } from '../../core/src/weather/weatherSeries.ts';
import { singleStoreDay } from '../../core/src/places/ground/singleStore.ts';
import { stepDay } from '../../core/src/places/ground/stepDay.ts';
import { addDays } from '../../core/src/units/dates.ts';
import { weatherOn } from '@kibble/simulators';
import { medianMs } from './measure.ts';

const DAYS = 120;
const FIRST = '2026-05-12';
const site = { latitudeDeg: 46.9, elevationM: 112 };

const bed = (wettedFraction: number): BedInput => ({
  areaM2: 10,
  ground: { horizons: [{ thicknessMm: 300, textureClass: 'sandy loam' }, { textureClass: 'clay loam' }] },
  plantings: [{ cropId: 'tomato', plantedOn: FIRST }],
  wettedFraction,
});

const weather = Array.from({ length: DAYS }, (_, i) =>
  weatherOn({ seed: 46, latitudeDeg: 46.9 }, addDays(FIRST, i)),
);

interface Case {
  model: ReturnType<typeof bedModel>;
  start: ReturnType<typeof startState>;
  series: WeatherSeries;
  irrigation: Float64Array;
}

function caseOf(wettedFraction: number): Case {
  const model = bedModel(bed(wettedFraction), FIRST, DAYS);
  const irrigation = Float64Array.from({ length: DAYS }, (_, d) => (d % 5 === 4 ? 18 : 0));
  return { model, start: startState(model, 0.9), series: weatherSeries(weather, site), irrigation };
}

/** Runs the case once; hands every day's numbers to `each`. */
function runOnce(c: Case, state: ReturnType<typeof cloneState>, each?: (d: number) => void): void {
  copyState(c.start, state);
  for (let d = 0; d < DAYS; d += 1) {
    stepDay(
      c.model,
      state,
      d,
      at(c.series.et0, d),
      at(c.series.rain, d),
      at(c.irrigation, d),
      at(c.series.climate, d),
      at(c.series.warmth, d),
    );
    each?.(d);
  }
}

/** The case as the flat file of doubles that the C twin reads. */
function fileOf(c: Case): Float64Array {
  const { model, start, series } = c;
  const { profile } = model;
  const head = [
    profile.layers,
    model.columns,
    DAYS,
    Number(model.underCover),
    Number(model.rootResponse),
    model.evaporationFactor,
    model.demandFactor,
    model.standsMm,
    model.dayIntakeMm,
    profile.bottomFluxMmPerDay,
    profile.readilyEvaporableMm,
    profile.totalEvaporableMm,
    start.rootMm,
    model.shedShare,
    at(model.columnShare, 0),
    at(model.columnShare, 1) ?? 0,
  ];
  const arrays = [
    profile.fieldCapacityMm,
    profile.wiltingPointMm,
    profile.saturationMm,
    profile.airDryMm,
    profile.maxFluxMmPerDay,
    profile.drainScaleMm,
    model.kcb,
    model.canopyCover,
    model.heightTerm,
    model.potentialRootMm,
    model.p,
    series.et0,
    series.rain,
    c.irrigation,
    series.climate,
    series.warmth,
    start.water,
  ];
  return Float64Array.from([...head, ...arrays.flatMap((a) => [...a])]);
}

/** Nanoseconds of a bed-day in C, or null where there is no C compiler; throws when the numbers differ by more than 1e-9. */
function twinNs(c: Case): number | null {
  const dir = mkdtempSync(join(tmpdir(), 'kibble-twin-'));
  try {
    const source = fileURLToPath(new URL('../twin/step.c', import.meta.url));
    const program = join(dir, 'step');
    if (spawnSync('cc', ['-O2', '-o', program, source, '-lm']).status !== 0) return null;
    const input = join(dir, 'input');
    const output = join(dir, 'output');
    writeFileSync(input, fileOf(c));
    const answer = spawnSync(program, [input, output, '400'], { encoding: 'utf8' });
    const bytes = readFileSync(output);
    const theirs = new Float64Array(
      bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength),
    );
    const state = cloneState(c.start);
    let worst = 0;
    runOnce(c, state, (d) => {
      for (let k = 0; k < OUT_SIZE; k += 1)
        worst = Math.max(worst, Math.abs(at(state.out, k) - at(theirs, d * OUT_SIZE + k)));
    });
    state.water.forEach((mm, i) => (worst = Math.max(worst, Math.abs(mm - at(theirs, DAYS * OUT_SIZE + i)))));
    if (!(worst <= 1e-9)) throw new Error(`the C twin differs by ${worst}`);
    return Number(answer.stdout);
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}

export interface StepFigures {
  name: string;
  nsPerBedDay: number;
  twinNsPerBedDay: number | null;
  /** Median over the rounds of ours over theirs: each round runs both, so that a busy machine slows both. */
  ratio: number | null;
}

const ROUNDS = 15;
const middle = (values: number[]): number => values.sort((x, y) => x - y)[Math.floor(values.length / 2)] ?? 0;

/** The layered step against its C twin, on a bed wetted all over and on one wetted in part. */
export function layeredStepFigures(): StepFigures[] {
  return (
    [
      ['whole surface wetted, 30 layers', 1],
      ['half wetted, 2 × 30 layers', 0.5],
    ] as const
  ).map(([name, fraction]) => {
    const c = caseOf(fraction);
    const state = cloneState(c.start);
    const repeats = 200;
    const ours: number[] = [];
    const theirs: number[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
      const ms = medianMs(() => {
        for (let r = 0; r < repeats; r += 1) runOnce(c, state);
      });
      ours.push((ms * 1e6) / (repeats * DAYS));
      const twin = twinNs(c);
      if (twin !== null) theirs.push(twin);
    }
    const ratios = theirs.map((ns, i) => (ours[i] ?? 0) / ns);
    return {
      name,
      nsPerBedDay: middle([...ours]),
      twinNsPerBedDay: theirs.length > 0 ? middle([...theirs]) : null,
      ratio: ratios.length > 0 ? middle(ratios) : null,
    };
  });
}

/** Nanoseconds of one day of the single-store balance: the floor. */
export function singleStoreNs(): number {
  const repeats = 2000;
  let depletion = 0;
  const ms = medianMs(() => {
    for (let r = 0; r < repeats; r += 1) {
      depletion = 0;
      for (let d = 0; d < DAYS; d += 1) {
        depletion = singleStoreDay({
          depletionMm: depletion,
          cropUseMm: 5,
          rainMm: item(weather, d).rainMm,
          irrigationMm: d % 5 === 4 ? 18 : 0,
          totalAvailableMm: 100,
          readilyAvailableMm: 40,
        }).depletionMm;
      }
    }
  });
  return (ms * 1e6) / (repeats * DAYS);
}
