import { canHaveTimer } from '../delivery/handsOn.ts';
import { METHOD_FACTS, type Method } from '../delivery/methods.ts';
import { wettedFractionOf, type Delivery } from '../delivery/runPlan.ts';
import { onSoil } from '../delivery/wettedStrip.ts';
import { fillHorizon } from '../soil/fillHorizon.ts';
import { FILL_AS_SOIL, type Fill } from '../soil/fills.ts';
import type { GroundInput, Horizon } from '../soil/soilProfile.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { withinEdge, type Beyond, type ChangePoint } from '../units/edges.ts';
import type { IsoDate } from '../units/dates.ts';
import type { PlaceWords } from '../weather/placeFactors.ts';
import type { Known } from '../working/known.ts';
import type { Provenance } from '../working/types.ts';
import { isLater, type Stamp, type WaterPath } from './entries.ts';

/** A bed as the gardener described it, before anything was tested. */
export interface DeclaredBed {
  areaM2: number;
  textureClass: TextureClass;
  subsoilClass?: TextureClass | null;
  underCover?: boolean;
  shadeCloth?: boolean;
  method: Method;
  litresPerMinute: number;
  timer?: boolean;
  fillLitres?: number;
  flowMeasured?: boolean;
}

/** What several readings may tell; of those that do, the latest counts. */
interface Claim<T> {
  by: Stamp;
  value: T;
  source: Provenance;
}

/** Depth of the topsoil where nobody has dug, mm: a spade's. Judgement. */
export const USUAL_TOPSOIL_MM = 300;

/** A probe went deep in one place and stopped early in another after a watering. */
export const IN_PATCHES = 'in patches';
/** Turns at ground that water went down in channels, or left dry in patches. Common practice: a wetting one and the rest. */
const TURNS_TO_WET = 2;

type Soil = Pick<Horizon, 'textureClass' | 'sandPct' | 'clayPct'>;

/** What can be claimed of a bed, and as what. */
interface Claimed {
  flow: number;
  area: number;
  wettedShare: number;
  reachingShare: number;
  evenness: number;
  organicMatter: number;
  drainedAt: number;
  /** The fall in a test hole, mm/h, and the way water was seen to go. */
  drainage: number;
  path: WaterPath | typeof IN_PATCHES;
  /** A jar outweighs fingers as long as it is not stale. */
  top: Soil;
  below: Soil;
}

/** The figure at the engine's edge where it lies beyond, without a note: those are made at the end. */
const nearest = (what: ChangePoint, value: number): number => withinEdge(what, value, []);

/** What is known of a bed while its readings are put together. */
export class KnownDraft {
  readonly declared: DeclaredBed;
  readonly provenanceOf: (reading: Stamp & { kind: string }) => Provenance;
  readonly beyond: Beyond[] = [];
  readonly place: PlaceWords;
  /** What was dug and seen of the ground. */
  dig: { topsoilMm: number; belowClass?: TextureClass; stonesPct?: number; rockMm?: number } | null = null;
  digSource: Provenance | undefined;
  /** What a raised bed was filled with, and how deep. */
  fill: { fill: Fill; depthMm: number } | null = null;
  fillSource: Provenance | undefined;
  rootsSeen: { on: IsoDate; depthMm: number } | undefined;
  site: { slopePct: number; crusted: boolean } | null = null;
  siteSource: Provenance | undefined;
  supplyLitresPerMinute: number | undefined;
  /** Intake seen on the spot, with what the surface held. */
  intake: { mmPerHour: number; surfaceStorageMm: number; source: Provenance } | null = null;
  private readonly claims: { [K in keyof Claimed]?: Claim<Claimed[K]> } = {};
  private readonly weighty = new Set<keyof Claimed>();

  constructor(declared: DeclaredBed, provenanceOf: KnownDraft['provenanceOf']) {
    this.declared = declared;
    this.provenanceOf = provenanceOf;
    this.place = { cover: declared.underCover ? 'tunnel' : declared.shadeCloth ? 'shade cloth' : 'none' };
  }

  /** Says what a reading makes of a figure; of several the latest counts, but one that outweighs those that do not. */
  claim<K extends keyof Claimed>(
    what: K,
    by: Stamp & { kind: string },
    value: Claimed[K],
    options: { source?: Provenance; outweighs?: boolean } = {},
  ): void {
    const before = this.claims[what];
    const { source = this.provenanceOf(by), outweighs = false } = options;
    const counts =
      before === undefined ||
      (outweighs && !this.weighty.has(what)) ||
      (isLater(by, before.by) && (outweighs || !this.weighty.has(what)));
    if (!counts) return;
    if (outweighs) this.weighty.add(what);
    (this.claims as Record<K, Claim<Claimed[K]>>)[what] = { by, value, source };
  }

  of<K extends keyof Claimed>(what: K): Claim<Claimed[K]> | undefined {
    return this.claims[what];
  }

  get flowIsKnown(): boolean {
    return this.claims.flow !== undefined || Boolean(this.declared.flowMeasured);
  }

  get areaM2(): number {
    return nearest('area', this.claims.area?.value ?? this.declared.areaM2);
  }

  get topClass(): TextureClass {
    if (this.fill) return FILL_AS_SOIL.textureClass;
    return this.claims.top?.value.textureClass ?? this.declared.textureClass;
  }

  /** What carries water to the bed, as far as it is known by now. */
  get delivery(): Delivery {
    const { method, litresPerMinute } = this.declared;
    const { wettedShare, reachingShare, evenness, flow, path } = this.claims;
    const delivery: Delivery = { method, litresPerMinute: nearest('flow', flow?.value ?? litresPerMinute) };
    if (this.declared.timer && canHaveTimer(method)) delivery.timer = true;
    const { fillLitres } = this.declared;
    if (fillLitres !== undefined && METHOD_FACTS[method].fillLitres !== undefined)
      delivery.fillLitres = fillLitres;
    if (wettedShare) delivery.wettedFraction = wettedShare.value;
    if (reachingShare) delivery.efficiency = reachingShare.value;
    if (evenness) delivery.lowQuarterUniformity = evenness.value;
    if (path?.value === 'down one channel' || path?.value === IN_PATCHES) delivery.turns = TURNS_TO_WET;
    if (this.intake) delivery.surfaceStorageMm = this.intake.surfaceStorageMm;
    return onSoil(delivery, this.topClass);
  }

  get wettedFraction(): number {
    return wettedFractionOf(this.delivery);
  }

  get openTap(): boolean {
    return METHOD_FACTS[this.declared.method].openTap;
  }

  /** A figure at the engine's edge where it lies beyond. */
  edged(what: ChangePoint, value: number): number {
    return withinEdge(what, value, this.beyond);
  }

  ground(): GroundInput {
    const { dig, site } = this;
    const top = this.of('top')?.value ?? { textureClass: this.declared.textureClass };
    const belowDeclared = dig?.belowClass ?? this.declared.subsoilClass ?? null;
    const below = this.of('below')?.value ?? { textureClass: belowDeclared ?? top.textureClass };
    const organicMatterPct = this.of('organicMatter')?.value;
    const stonesPct = dig?.stonesPct;
    const topsoil: Horizon = { ...top, organicMatterPct, stonesPct };
    const drainage = this.of('drainage');
    const soil: Horizon[] =
      this.of('below') !== undefined || belowDeclared !== null
        ? [
            { ...topsoil, thicknessMm: dig?.topsoilMm ?? USUAL_TOPSOIL_MM },
            { ...below, stonesPct },
          ]
        : [topsoil];
    return {
      horizons: this.fill ? [fillHorizon(this.fill), ...soil] : soil,
      drainageMmPerHour: drainage ? this.edged('drainage', drainage.value) : undefined,
      slopePct: site?.slopePct,
      crusted: site?.crusted,
      bedrockMm: dig?.rockMm,
      fieldCapacityKPa: this.of('drainedAt')?.value,
      ...(this.intake ? { infiltrationMmPerHour: this.edged('intake', this.intake.mmPerHour) } : {}),
    };
  }

  /** What the tap or line gives and how large the bed is, noted where the engine takes another figure. */
  noteEdges(): void {
    this.edged('area', this.claims.area?.value ?? this.declared.areaM2);
    this.edged('flow', this.claims.flow?.value ?? this.declared.litresPerMinute);
  }

  /** Where everything that is better known than a usual figure comes from. */
  sources(): Known {
    const known: Known = {};
    const source = (name: keyof Known, provenance: Provenance | undefined): void => {
      if (provenance) known[name] = provenance;
    };
    source('soil', this.fillSource ?? this.of('top')?.source);
    source('organicMatter', this.of('organicMatter')?.source);
    source('drainedAt', this.of('drainedAt')?.source);
    source('drainage', this.of('drainage')?.source);
    source('layers', this.digSource);
    source('place', this.siteSource);
    source('area', { kind: 'told', on: this.of('area')?.by.on });
    source(
      'flow',
      this.of('flow')?.source ?? (this.declared.flowMeasured ? { kind: 'measured' } : undefined),
    );
    source('wettedFraction', this.of('wettedShare')?.source);
    source('efficiency', this.of('reachingShare')?.source);
    source('evenness', this.of('evenness')?.source);
    source('intake', this.intake?.source);
    return known;
  }
}
