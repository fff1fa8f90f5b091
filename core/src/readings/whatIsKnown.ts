import { bucketTest } from '../delivery/bucketTest.ts';
import { FEWEST_FOR_EVENNESS } from '../delivery/canAdvice.ts';
import { canTest } from '../delivery/canTest.ts';
import { MOST_RATE_MM_PER_HOUR } from '../delivery/cycleAndSoak.ts';
import { dripLayout } from '../delivery/dripLayout.ts';
import { slowBucket } from '../delivery/fills.ts';
import { METHOD_FACTS, type Method } from '../delivery/methods.ts';
import { poolingTest } from '../delivery/poolingTest.ts';
import { deliveryRate, efficiencyOf, wettedFractionOf, type Delivery } from '../delivery/runPlan.ts';
import { soakerTest } from '../delivery/soakerTest.ts';
import { spreadShare, wettedShare } from '../delivery/wettedStrip.ts';
import { feelKey } from '../soil/feelKey.ts';
import { holeTest } from '../soil/holeTest.ts';
import { jarTest } from '../soil/jarTest.ts';
import type { GroundInput, Horizon } from '../soil/soilProfile.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import type { IsoDate } from '../units/dates.ts';
import type { Known } from '../working/known.ts';
import type { Provenance, StaleReason } from '../working/types.ts';
import { placeFactors, type PlaceWords } from '../weather/placeFactors.ts';
import { withinEdge, type Beyond } from '../units/edges.ts';
import type { Finding, FindingKind, WaterPath } from './findings.ts';
import { fitsMethod, isLater, staleReason } from './staleness.ts';

/** A bed as the gardener described it, before anything was tested. */
export interface ToldBed {
  areaM2: number;
  textureClass: TextureClass;
  subsoilClass?: TextureClass | null;
  underCover?: boolean;
  shadeCloth?: boolean;
  method: Method;
  litresPerMinute: number;
  flowMeasured?: boolean;
}

/** A bed as the engine takes it, with the source of everything that is better known than a usual figure. */
export interface KnownBed {
  areaM2: number;
  ground: GroundInput;
  place: { demandFactor: number; underCover: boolean };
  delivery: Delivery;
  known: Known;
  /** What the bed's tap gives when it was measured, L/min. */
  supplyLitresPerMinute?: number;
  /** Water that goes down one channel wants a light wetting first. */
  path: WaterPath | null;
  /** The latest finding of each kind, and why it should be made again. */
  tests: { finding: Finding; stale: StaleReason | null }[];
  /** What lies beyond the engine's range and is planned at its edge. */
  beyond: Beyond[];
}

/** Depth of the topsoil where nobody has dug, mm: a spade's. Judgement. */
export const USUAL_TOPSOIL_MM = 300;

type Of<K extends FindingKind> = Extract<Finding, { kind: K }>;

/**
 * Puts what was found in the place of what was told or assumed. The latest finding of a kind counts; of several
 * kinds that tell the same, the latest, but a jar outweighs fingers until it is stale. A finding of another
 * way of watering is left aside; a stale one still counts, and says so.
 * @param told the bed as described; `findings` in any order, those after `today` left out
 */
export function whatIsKnown(told: ToldBed, findings: readonly Finding[], today: IsoDate): KnownBed {
  const until = findings.filter((f) => f.on <= today);
  const stale = (f: Finding): StaleReason | null => staleReason(f, until, today);
  const measured = (f: Finding): Provenance => {
    const why = stale(f);
    return why ? { kind: 'measured', on: f.on, stale: why } : { kind: 'measured', on: f.on };
  };
  const latest = <K extends FindingKind>(kind: K, fits: (f: Of<K>) => boolean = () => true): Of<K> | null =>
    until
      .filter((f): f is Of<K> => f.kind === kind && fitsMethod(f, told.method))
      .filter(fits)
      .reduce<Of<K> | null>((best, f) => (best === null || isLater(f, best) ? f : best), null);
  const toldOf = (field: Of<'told'>['field']): Of<'told'> | null => latest('told', (f) => f.field === field);
  const known: Known = {};
  const beyond: Beyond[] = [];

  // The ground.
  const horizon = (which: 'top' | 'below', fallback: TextureClass): Horizon & { by: Finding | null } => {
    const jar = latest('jar', (f) => f.horizon === which);
    const feel = latest('feel', (f) => f.horizon === which);
    const jarCounts = jar && (!feel || isLater(jar, feel) || stale(jar) === null);
    if (jarCounts) {
      const { sandPct, clayPct: settled, textureClass } = jarTest(jar);
      const clayPct = withinEdge('clay', settled, beyond);
      return { textureClass, sandPct, clayPct, by: jar };
    }
    if (feel) return { textureClass: feelKey(feel.answers), by: feel };
    return { textureClass: fallback, by: null };
  };
  const { by: topBy, ...top } = horizon('top', told.textureClass);
  if (topBy) known.soil = measured(topBy);
  const dig = latest('dig');
  const belowTold = dig?.belowClass ?? told.subsoilClass ?? null;
  const { by: belowBy, ...below } = horizon('below', belowTold ?? top.textureClass);
  const organicTold = toldOf('organicMatter');
  const organic = latest('organic');
  const organicMatterPct =
    organicTold && (!organic || isLater(organicTold, organic))
      ? organicTold.value
      : organic?.organicMatterPct;
  if (organic || organicTold) known.organicMatter = measured((organicTold ?? organic) as Finding);
  const stonesPct = dig?.stonesPct;
  const topsoil: Horizon = { ...top, organicMatterPct, stonesPct };
  const twoHorizons = belowBy !== null || belowTold !== null;
  const hole = latest('hole');
  const pot = latest('pot');
  const drained = hole && (!pot || isLater(hole, pot)) ? hole : pot;
  const site = latest('site');
  const ground: GroundInput = {
    horizons: twoHorizons
      ? [
          { ...topsoil, thicknessMm: dig?.topsoilMm ?? USUAL_TOPSOIL_MM },
          { ...below, stonesPct },
        ]
      : [topsoil],
    drainageMmPerHour: drained ? withinEdge('drainage', holeTest(drained).mmPerHour, beyond) : undefined,
    slopePct: site?.slopePct,
    crusted: site?.crusted,
    bedrockMm: dig?.rockMm,
  };
  if (drained) known.drainage = measured(drained);
  if (dig) known.layers = measured(dig);
  const place: PlaceWords = {
    ...(site ? { sun: site.sun, wind: site.wind, wall: site.wall } : {}),
    cover: told.underCover ? 'tunnel' : told.shadeCloth ? 'shade cloth' : 'none',
  };
  if (site) known.place = measured(site);

  // The water.
  const areaTold = toldOf('area');
  const areaM2 = withinEdge('area', areaTold?.value ?? told.areaM2, beyond);
  known.area = { kind: 'told', on: areaTold?.on };
  const facts = METHOD_FACTS[told.method];
  const delivery: Delivery = { method: told.method, litresPerMinute: told.litresPerMinute };
  if (told.flowMeasured) known.flow = { kind: 'measured' };

  const drip = latest('drip');
  const spread = latest('spread');
  if (drip) {
    const layout = dripLayout(drip);
    delivery.wettedFraction = wettedShare({ ...drip, emitters: layout.emitters }, top.textureClass).share;
    known.wettedFraction = {
      kind: 'assumed',
      why: `width usual on ${top.textureClass}, on the lines as laid`,
    };
  }
  if (spread) {
    delivery.wettedFraction = spreadShare(spread);
    known.wettedFraction = measured(spread);
  }
  const wettedTold = toldOf('wettedShare');
  if (wettedTold && (!spread || isLater(wettedTold, spread))) {
    delivery.wettedFraction = wettedTold.value;
    known.wettedFraction = { kind: 'told', on: wettedTold.on };
  }

  const tapBucket = latest('bucket', (f) => f.ofTap === true);
  const flows: { finding: Finding; litresPerMinute: number; source: Provenance }[] = [];
  const flow = (finding: Finding | null, litresPerMinute: () => number, source?: Provenance): void => {
    if (finding)
      flows.push({ finding, litresPerMinute: litresPerMinute(), source: source ?? measured(finding) });
  };
  const own = latest('bucket', (f) => !f.ofTap);
  flow(own, () => bucketTest(own as Of<'bucket'>).litresPerMinute);
  if (facts.openTap) flow(tapBucket, () => bucketTest(tapBucket as Of<'bucket'>).litresPerMinute);
  flow(drip, () => dripLayout(drip as Of<'drip'>).litresPerMinute, { kind: 'told', on: drip?.on });
  const soaker = latest('soaker');
  flow(soaker, () => soakerTest(soaker as Of<'soaker'>).litresPerMinute);
  const slow = latest('slow-bucket');
  flow(
    slow,
    () => (slowBucket(slow as Of<'slow-bucket'>).litresPerHour / 60) * (slow as Of<'slow-bucket'>).buckets,
  );
  const flowTold = toldOf('flow');
  flow(flowTold, () => (flowTold as Of<'told'>).value, { kind: 'told', on: flowTold?.on });
  const bestFlow = flows.reduce<(typeof flows)[number] | null>(
    (best, f) => (best === null || isLater(f.finding, best.finding) ? f : best),
    null,
  );
  if (bestFlow) {
    delivery.litresPerMinute = bestFlow.litresPerMinute;
    known.flow = bestFlow.source;
  }
  delivery.litresPerMinute = withinEdge('flow', delivery.litresPerMinute, beyond);

  const cans = latest('cans');
  if (cans) {
    const depthsMm = cans.grid.flat();
    const test = canTest({ depthsMm, minutes: cans.minutes });
    if (depthsMm.length >= FEWEST_FOR_EVENNESS) {
      delivery.lowQuarterUniformity = Math.max(0.2, test.lowQuarterUniformity);
      known.evenness = measured(cans);
    }
    // The cans caught what reached the ground; the tap gave that and what was lost on the way.
    const caughtLitresPerMinute = (test.rateMmPerHour * areaM2 * wettedFractionOf(delivery)) / 60;
    if (bestFlow || told.flowMeasured) {
      delivery.efficiency = Math.min(1, Math.max(0.2, caughtLitresPerMinute / delivery.litresPerMinute));
      known.efficiency = measured(cans);
    } else {
      delivery.litresPerMinute = withinEdge('flow', caughtLitresPerMinute / facts.efficiency, beyond);
      known.flow = measured(cans);
    }
  }
  const evennessTold = toldOf('evenness');
  if (evennessTold && (!cans || isLater(evennessTold, cans))) {
    delivery.lowQuarterUniformity = evennessTold.value;
    known.evenness = { kind: 'told', on: evennessTold.on };
  }
  const reachingTold = toldOf('reachingShare');
  if (reachingTold && (!cans || isLater(reachingTold, cans))) {
    delivery.efficiency = reachingTold.value;
    known.efficiency = { kind: 'told', on: reachingTold.on };
  }

  const pooling = latest('pooling');
  if (pooling) {
    const seen = poolingTest({
      rateMmPerHour: Math.min(MOST_RATE_MM_PER_HOUR, deliveryRate(delivery, areaM2)),
      minutes: pooling.minutes,
      surfaceStorageMm: facts.surfaceStorageMm,
    });
    ground.infiltrationMmPerHour = withinEdge('intake', seen.infiltrationMmPerHour, beyond);
    delivery.surfaceStorageMm = seen.surfaceStorageMm;
    known.intake = measured(pooling);
  }

  const dye = latest('dye');
  const watched = dye && (!pot || isLater(dye, pot)) ? dye : pot;
  return {
    areaM2,
    ground,
    place: { ...placeFactors(place), underCover: told.underCover ?? false },
    delivery,
    known,
    supplyLitresPerMinute: tapBucket ? bucketTest(tapBucket).litresPerMinute : undefined,
    path: watched?.path ?? null,
    beyond,
    tests: latestOfEach(until).map((finding) => ({ finding, stale: stale(finding) })),
  };
}

/** The latest finding of each kind (feel and jar by horizon), newest first. */
function latestOfEach(findings: readonly Finding[]): Finding[] {
  const best = new Map<string, Finding>();
  for (const finding of findings) {
    const part = 'horizon' in finding ? finding.horizon : 'field' in finding ? finding.field : '';
    const key = `${finding.kind} ${part} ${finding.ofTap ? 'tap' : ''}`;
    const known = best.get(key);
    if (!known || isLater(finding, known)) best.set(key, finding);
  }
  return [...best.values()].sort((a, b) => (isLater(a, b) ? -1 : 1));
}

/** Share of the water sent that reaches the soil before unevenness is counted. */
export const reachingShare = (delivery: Delivery): number =>
  efficiencyOf({ ...delivery, lowQuarterUniformity: 1 });
