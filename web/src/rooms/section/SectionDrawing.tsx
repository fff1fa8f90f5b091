import type { SectionBed, SectionView } from '@kibble/contract';
import { clsx } from 'clsx';
import { range, scaleLinear } from 'd3';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Link, useParams } from 'react-router';
import { scrub } from '../../state/scrub.ts';
import { useUnits } from '../../words/units.ts';
import { MulchCap, patternId, Shoots, SoilPatterns } from '../../drawing/coreParts.tsx';
import { rootPaths } from '../../drawing/rootPaths.ts';
import { stateWords } from './stateWords.ts';
import { stageWords } from '../../words/words.ts';

const LAYER_MM = 50;
const SKY = 58;
/** Height of the ground, px: what a window leaves under the head, within these. */
const LEAST_GROUND = 280;
const MOST_GROUND = 520;
const ABOVE_AND_BELOW = 490;
const groundPx = (): number =>
  Math.min(MOST_GROUND, Math.max(LEAST_GROUND, window.innerHeight - ABOVE_AND_BELOW));
const WIDEST = 132;
const NARROWEST = 74;
const GAP = 22;
/** All cores of one drawing share their hatches. */
const HATCH = 'section';

/** What one core is drawn from, worked out once; time only moves water, roots and the front along it. */
interface CoreGeometry {
  bed: SectionBed;
  x: (mm: number) => number;
  width: number;
}

const mix = (a: number, b: number, f: number): number => a + (b - a) * f;

/** Sets an attribute only when it changes: what is left alone is not painted again. */
function put(element: Element | null | undefined, name: string, value: string): void {
  if (element && element.getAttribute(name) !== value) element.setAttribute(name, value);
}

/** The outline of a core's water at a moment between two days. */
function waterPath(
  { bed, x, width }: CoreGeometry,
  y: (mm: number) => number,
  shown: number,
  t: number,
): string {
  const i = Math.floor(t);
  const f = t - i;
  const today = bed.days[i]?.layersMm ?? [];
  const next = bed.days[i + 1]?.layersMm ?? today;
  let d = `M0 ${y(0)}`;
  for (let layer = 0; layer < shown; layer += 1) {
    const mm = mix(today[layer] ?? 0, next[layer] ?? 0, f);
    d += `H${Math.min(width, x(mm)).toFixed(1)}V${y((layer + 1) * LAYER_MM).toFixed(1)}`;
  }
  return `${d}H0z`;
}

/** Every bed cut open on one depth scale, under one weather. */
export function SectionDrawing({ view, width }: { view: SectionView; width: number }) {
  const units = useUnits();
  const { gardenId } = useParams();
  const root = useRef<HTMLDivElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const beds = view.beds;
  const pitch = Math.min(WIDEST, Math.max(NARROWEST, Math.floor((width - 54) / Math.max(1, beds.length))));
  const body = pitch - GAP;
  const deepest = Math.max(...beds.map((b) => b.core.rootDepthMm), 400);
  const depthMm = Math.min(1500, Math.ceil((deepest * 1.15) / 100) * 100);
  const shown = Math.ceil(depthMm / LAYER_MM);
  const [ground] = useState(groundPx);
  const y = useMemo(() => scaleLinear([0, depthMm], [SKY, SKY + ground]), [depthMm, ground]);
  const cores = useMemo(
    () =>
      beds.map((bed): CoreGeometry => {
        const fullest = Math.max(24, ...bed.core.saturationMm.slice(0, shown));
        return { bed, width: body, x: scaleLinear([0, fullest], [0, body]) };
      }),
    [beds, body, shown],
  );
  // Crowns stand on one scale of their own: the tallest has all of the sky.
  const tallest = Math.max(3, ...beds.map(({ tree }) => tree?.facts.heightM ?? 0));
  const crownPx = (SKY - 8) / tallest;
  const textures = [...new Set(beds.flatMap((b) => b.core.textures.slice(0, shown)))];

  // Time moves the drawing by hand: React has drawn it once.
  useEffect(() => {
    const frame = root.current;
    if (!frame) return;
    const parts = cores.map((core) => {
      const svg = frame.querySelector(`[data-bed="${core.bed.bedId}"]`);
      return {
        core,
        water: svg?.querySelector('[data-part=water]'),
        roots: svg?.querySelector('[data-part=roots]'),
        line: svg?.querySelector('[data-part=root-line]'),
        front: svg?.querySelector('[data-part=front]'),
        gone: frame.querySelector(`[data-gone="${core.bed.bedId}"]`),
      };
    });
    const draw = (): void => {
      const t = Math.min(view.dates.length - 1, Math.max(0, scrub.get() ?? view.todayIndex - 1));
      const i = Math.floor(t);
      const f = t - i;
      // Between two days only what can be seen is moved; at rest every core stands right.
      const from = f === 0 ? 0 : Math.floor((scroller.current?.scrollLeft ?? 0) / pitch);
      const to = f === 0 ? parts.length : from + Math.ceil((scroller.current?.clientWidth ?? 0) / pitch) + 1;
      for (const { core, water, roots, line, front, gone } of parts.slice(from, to)) {
        const day = core.bed.days[i];
        const next = core.bed.days[i + 1] ?? day;
        if (!day || !next) continue;
        put(water, 'd', waterPath(core, y, shown, t));
        if (f === 0) water?.setAttribute('data-water-mm', day.layersMm.join(' '));
        const depth = Math.min(depthMm, mix(day.rootDepthMm, next.rootDepthMm, f));
        const drawnTo = Math.min(depthMm, core.bed.core.rootDepthMm);
        // Strands are dear to redraw: they follow in steps of a hundredth.
        put(
          roots,
          'transform',
          `translate(0 ${SKY}) scale(1 ${(depth / drawnTo).toFixed(2)}) translate(0 ${-SKY})`,
        );
        put(line, 'transform', `translate(0 ${y(depth).toFixed(1)})`);
        const reached = f < 0.5 ? day.frontMm : next.frontMm;
        put(front, 'transform', `translate(0 ${y(Math.min(reached, depthMm)).toFixed(0)})`);
        put(front, 'visibility', reached > 0 && reached <= depthMm ? 'visible' : 'hidden');
        // This morning stands as the round tells it, by today's line.
        const resting = scrub.get() === null;
        const depletion = resting ? core.bed.core.depletionMm : mix(day.depletionMm, next.depletionMm, f);
        const spare = resting ? core.bed.core.readilyMm : mix(day.readilyMm, next.readilyMm, f);
        if (gone) {
          const text = `${units.number('depth', depletion)} of ${units.text('depth', spare)}`;
          if (gone.textContent !== text) gone.textContent = text;
          gone.classList.toggle('text-brick', depletion > spare && spare > 0);
          gone.classList.toggle('font-semibold', depletion > spare && spare > 0);
        }
      }
    };
    let pending = 0;
    const later = (): void => {
      if (pending === 0)
        pending = requestAnimationFrame(() => {
          pending = 0;
          draw();
        });
    };
    draw();
    const stop = scrub.subscribe(later);
    const box = scroller.current;
    box?.addEventListener('scroll', later, { passive: true });
    return () => {
      stop();
      box?.removeEventListener('scroll', later);
      cancelAnimationFrame(pending);
    };
  }, [cores, view, y, shown, depthMm, pitch, units]);

  const move = (event: KeyboardEvent<HTMLDivElement>): void => {
    const links = [...event.currentTarget.querySelectorAll<HTMLAnchorElement>('a[data-core]')];
    const at = links.indexOf(document.activeElement as HTMLAnchorElement);
    const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: links.length - 1 }[event.key];
    if (to === undefined || at < 0) return;
    event.preventDefault();
    links[Math.min(links.length - 1, Math.max(0, to))]?.focus();
  };

  const step = units.system === 'us' ? 152.4 : 100;
  return (
    <div ref={root} className="flex" data-testid="section">
      <svg aria-hidden width={54} height={SKY + ground + 4} className="mt-[5.7rem] shrink-0">
        {range(0, depthMm + 1, step).map((mm) => (
          <text key={mm} x={46} y={y(mm) + 4} fontSize={12} textAnchor="end" fill="var(--quiet)">
            {mm === 0 ? `0 ${units.of('depth').unit}` : units.number('depth', mm)}
          </text>
        ))}
      </svg>
      <svg aria-hidden width={0} height={0} className="absolute">
        <defs>
          <SoilPatterns prefix={HATCH} textures={textures} />
        </defs>
      </svg>
      <div ref={scroller} className="min-w-0 flex-1 relative overflow-x-auto pb-2" onKeyDown={move}>
        <ul className="flex" aria-label="Beds, cut open">
          {cores.map((core, i) => (
            <li key={core.bed.bedId} className="shrink-0" style={{ width: pitch }}>
              <Link
                data-core
                to={`/garden/${gardenId}/${core.bed.tree ? 'trees' : 'beds'}/${core.bed.bedId}`}
                className="block hover:bg-sheet"
              >
                <Head bed={core.bed} narrow={pitch < 100} />
                <Core
                  core={core}
                  y={y}
                  shown={shown}
                  depthMm={depthMm}
                  pitch={pitch}
                  first={i === 0}
                  step={step}
                  crownPx={crownPx}
                />
              </Link>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}

function Head({ bed, narrow }: { bed: SectionBed; narrow: boolean }) {
  const units = useUnits();
  const harm = bed.state === 'past its line' || bed.state === 'too wet';
  return (
    <div className="flex h-[5.7rem] flex-col pr-2 leading-tight">
      <span
        className={clsx('line-clamp-2 font-serif font-semibold', narrow ? 'text-[0.82rem]' : 'text-base')}
      >
        {bed.bedName}
      </span>
      {narrow ? null : (
        <span className="truncate text-xs text-quiet">
          {[bed.cropName, bed.stage && stageWords(bed.stage)].filter(Boolean).join(', ')}
        </span>
      )}
      <span className={clsx('mt-auto font-bold', narrow ? 'text-xs' : 'text-sm', harm && 'text-brick')}>
        {stateWords(bed)}
      </span>
      <span data-gone={bed.bedId} className="text-xs text-quiet" />
      <span className="sr-only">
        gone and within easy reach; roots {units.text('depth', bed.core.rootDepthMm)} deep
      </span>
    </div>
  );
}

/** A crown to scale, as high and as wide as it is told; a hedge and bushes as many as have room. */
function Crown({
  tree: { facts },
  width,
  most,
  y,
  px,
}: {
  tree: NonNullable<SectionBed['tree']>;
  width: number;
  most: number;
  y: number;
  px: number;
}) {
  const height = Math.max(8, (facts.heightM ?? facts.canopyM) * px);
  const across = Math.max(6, facts.sort === 'hedge' ? width : facts.canopyM * px);
  const shown =
    facts.sort === 'hedge' ? 1 : Math.max(1, Math.min(facts.count, Math.floor(width / (across + 2)), 5));
  const stem = facts.sort === 'tree' ? 0.35 : 0.1;
  const ry = (height * (1 - stem)) / 2;
  return range(shown).map((i) => {
    const x = (width * (i + 0.5)) / shown;
    return (
      <g key={i}>
        <path
          d={`M${x} ${y}V${y - height * 0.6}`}
          stroke="var(--root)"
          strokeWidth={Math.max(1.5, (facts.trunkM ?? 0.02) * px)}
        />
        {facts.sort === 'hedge' ? (
          <rect x={0} y={y - height} width={width} height={height * 0.94} rx={3} fill="var(--leaf)" />
        ) : (
          <ellipse
            cx={x}
            cy={y - height + ry}
            rx={Math.min(most, across) / 2}
            ry={ry}
            fill="var(--leaf)"
            opacity={0.9}
          />
        )}
      </g>
    );
  });
}

/** What of a core does not move with the hours: soil, marks, plants. */
function Core({
  core,
  y,
  shown,
  depthMm,
  pitch,
  first,
  step,
  crownPx,
}: {
  core: CoreGeometry;
  y: (mm: number) => number;
  shown: number;
  depthMm: number;
  pitch: number;
  first: boolean;
  step: number;
  /** What a metre of a crown is, px. */
  crownPx: number;
}) {
  const { bed, x, width } = core;
  const { core: soil } = bed;
  const bottom = y(depthMm);
  const runs: { texture: string; from: number; to: number }[] = [];
  for (let i = 0; i < shown; i += 1) {
    const texture = soil.textures[i];
    const last = runs.at(-1);
    if (texture === undefined) break;
    if (last?.texture === texture) last.to = i + 1;
    else runs.push({ texture, from: i, to: i + 1 });
  }
  const edge = (of: (i: number) => number | undefined, to = shown): string =>
    range(Math.min(to, soil.fieldCapacityMm.length))
      .map(
        (i) =>
          `${i === 0 ? 'M' : 'L'}${x(of(i) ?? 0).toFixed(1)} ${y(i * LAYER_MM)}V${y((i + 1) * LAYER_MM)}`,
      )
      .join('');
  const share = soil.totalMm > 0 ? soil.readilyMm / soil.totalMm : 0;
  const rootLayers = Math.max(1, Math.ceil(soil.rootDepthMm / LAYER_MM));
  const refill = edge((i) => {
    const full = soil.fieldCapacityMm[i] ?? 0;
    return full - share * (full - (soil.wiltingPointMm[i] ?? 0));
  }, rootLayers);
  const rockAt = soil.fieldCapacityMm.length < shown ? y(soil.fieldCapacityMm.length * LAYER_MM) : null;
  return (
    <svg aria-hidden width={pitch} height={y(depthMm) + 4} data-bed={bed.bedId} className="block">
      <g stroke="var(--rule)" strokeWidth={0.8}>
        {range(0, depthMm + 1, step).map((mm) => (
          <line key={mm} x1={first ? -4 : 0} x2={pitch} y1={y(mm)} y2={y(mm)} />
        ))}
      </g>
      {runs.map((run) => (
        <rect
          key={run.from}
          width={width}
          y={y(run.from * LAYER_MM)}
          height={y(run.to * LAYER_MM) - y(run.from * LAYER_MM)}
          fill={`url(#${patternId(HATCH, run.texture)})`}
        />
      ))}
      {rockAt === null ? null : (
        <rect width={width} y={rockAt} height={bottom - rockAt} fill="var(--ink)" opacity={0.7} />
      )}
      <path data-part="water" fill="var(--water)" opacity={0.82} />
      <path
        stroke="var(--paper)"
        strokeWidth={0.7}
        opacity={0.6}
        d={range(1, shown)
          .map((i) => `M0 ${y(i * LAYER_MM)}H${width}`)
          .join('')}
      />
      <path
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="3 2"
        d={edge((i) => soil.fieldCapacityMm[i])}
      />
      <path
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="1 3"
        d={edge((i) => soil.wiltingPointMm[i])}
      />
      {soil.cropId ? <path fill="none" stroke="var(--ink)" strokeWidth={1.8} d={refill} /> : null}
      {soil.cropId ? (
        <g data-part="roots" fill="none" stroke="var(--root)" strokeLinecap="round">
          <path
            d={rootPaths(soil.cropId, 0, width, SKY, y(Math.min(soil.rootDepthMm, depthMm))).join('')}
            strokeWidth={0.9}
            opacity={0.75}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      ) : null}
      <rect width={width} y={SKY} height={bottom - SKY} fill="none" stroke="var(--ink)" />
      <path data-part="root-line" stroke="var(--ink)" strokeWidth={1.6} d={`M-3 0H${width + 6}`} />
      <path data-part="front" fill="var(--water)" stroke="var(--paper)" d={`M${width + 1} 0l9 -5v10z`} />
      {soil.mulchMm > 0 ? (
        <MulchCap x0={0} x1={width} y={SKY} height={Math.max(4, y(soil.mulchMm) - y(0))} />
      ) : null}
      {bed.tree ? (
        <Crown tree={bed.tree} width={width} most={pitch} y={SKY} px={crownPx} />
      ) : soil.cropId ? (
        <Shoots
          x0={0}
          x1={width}
          y={SKY}
          height={(SKY - 6) * (0.3 + 0.65 * soil.growth)}
          cropId={soil.cropId}
          group={soil.group}
        />
      ) : null}
      <line x1={0} x2={pitch} y1={SKY} y2={SKY} stroke="var(--ink)" strokeWidth={1.6} />
    </svg>
  );
}
