import { steps } from '../../drawing/steps.ts';
import type { CoreView } from '@kibble/contract';
import { useId } from 'react';
import { useUnits } from '../../words/units.ts';
import { MulchCap, Shoots, SoilPatterns } from '../../drawing/coreParts.tsx';
import { later } from '../../ui/later.tsx';

/** How roots wind is told by more of a program than all else here: they come a moment after the ground and its water. */
const Roots = later(async () => (await import('../../drawing/Roots.tsx')).Roots, { needed: false });

/** Height of a line of writing beside the core. */
const LABEL_PX = 14;

const LAYER_MM = 50;
/** Room above the ground for the plant and its mulch, as a share of the height. */
const SKY_SHARE = 0.16;

interface Props {
  core: CoreView;
  width: number;
  height: number;
  /** Depth the drawing goes to, mm. */
  depthMm: number;
  /** Depth scale and names of the marks. */
  labelled?: boolean;
  title: string;
}

/** A bed cut open: water per 50 mm layer, texture, roots to their depth, mulch on top, the last damp front. */
export function SoilCore({ core, width, height, depthMm, labelled = false, title }: Props) {
  const id = useId();
  const units = useUnits();
  const left = labelled ? 52 : 0;
  const right = labelled ? 92 : 0;
  const sky = height * SKY_SHARE;
  const x0 = left;
  const x1 = width - right;
  // The round's first picture draws this: a scale's ticks, colours and formats would be fetched for nothing.
  const y = (mm: number): number => sky + ((height - 1 - sky) * mm) / depthMm;
  const fullest = Math.max(24, ...core.saturationMm);
  const x = (mm: number): number => x0 + ((x1 - x0) * mm) / fullest;
  const shown = Math.min(core.layersMm.length, Math.ceil(depthMm / LAYER_MM));
  const textures = [...new Set(core.textures.slice(0, shown))];
  const root = Math.min(core.rootDepthMm, depthMm);
  const mulchPx = core.mulchMm > 0 ? Math.max(3, y(core.mulchMm) - y(0)) : 0;
  const edge = (values: number[]): string =>
    steps(0, shown)
      .map(
        (i) =>
          `${i === 0 ? 'M' : 'L'}${x(values[i] ?? 0)} ${y(i * LAYER_MM)}V${Math.min(height - 1, y((i + 1) * LAYER_MM))}`,
      )
      .join('');
  const gone = core.readilyMm > 0 ? Math.round((100 * core.depletionMm) / core.readilyMm) : 0;

  return (
    <svg
      role="img"
      aria-label={`${title}: ${units.text('depth', core.depletionMm)} gone of ${units.text('depth', core.readilyMm)} within easy reach (${gone} %), roots ${units.text('depth', core.rootDepthMm)} deep`}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      data-testid="soil-core"
    >
      <defs>
        <SoilPatterns prefix={id} textures={textures} />
      </defs>
      {steps(0, shown).map((i) => {
        const top = y(i * LAYER_MM);
        const bottom = Math.min(height - 1, y((i + 1) * LAYER_MM));
        const water = core.layersMm[i] ?? 0;
        return (
          <g key={i}>
            <rect
              x={x0}
              y={top}
              width={x1 - x0}
              height={bottom - top}
              fill={`url(#${id}-${(core.textures[i] ?? 'loam').replaceAll(' ', '-')})`}
            />
            <rect
              x={x0}
              y={top + 0.5}
              width={x(water) - x0}
              height={Math.max(0, bottom - top - 1)}
              fill="var(--water)"
              opacity={0.82}
              data-layer={i}
              data-water-mm={water}
            />
          </g>
        );
      })}
      <path
        d={edge(core.fieldCapacityMm)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1}
        strokeDasharray="3 2"
      />
      {labelled ? (
        <path
          d={edge(core.wiltingPointMm)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1}
          strokeDasharray="1 3"
        />
      ) : null}
      {core.cropId ? <Roots cropId={core.cropId} x0={x0} x1={x1} top={y(0)} bottom={y(root)} /> : null}
      <rect x={x0} y={y(0)} width={x1 - x0} height={height - 1 - y(0)} fill="none" stroke="var(--ink)" />
      <line x1={x0 - 4} x2={x1 + 4} y1={y(root)} y2={y(root)} stroke="var(--ink)" strokeWidth={1.2} />
      {core.lastFrontMm !== null && core.lastFrontMm <= depthMm ? (
        <path
          d={`M${x0} ${y(core.lastFrontMm)}l-8 -5v10z`}
          transform={`translate(${labelled ? 0 : 8} 0)`}
          fill="var(--water)"
          stroke="var(--paper)"
        />
      ) : null}
      {mulchPx > 0 ? <MulchCap x0={x0} x1={x1} y={y(0)} height={mulchPx} /> : null}
      {core.cropId ? (
        <Shoots
          x0={x0}
          x1={x1}
          y={y(0)}
          height={sky * (0.35 + 0.6 * core.growth)}
          cropId={core.cropId}
          group={core.group}
        />
      ) : null}
      {labelled ? <Labels core={core} y={y} x0={x0} x1={x1} depthMm={depthMm} /> : null}
    </svg>
  );
}

function Labels({
  core,
  y,
  x0,
  x1,
  depthMm,
}: {
  core: CoreView;
  y: (v: number) => number;
  x0: number;
  x1: number;
  depthMm: number;
}) {
  const units = useUnits();
  const step = units.system === 'us' ? 152.4 : 200;
  const rootsAt = y(Math.min(core.rootDepthMm, depthMm));
  // What the edges mean stands in the sky, so that nothing in the ground is ever written over it. Of the two names in the
  // ground whichever lies deeper is written below.
  const frontAt = Math.max(y(core.lastFrontMm ?? 0) + 4, y(0) + LABEL_PX - 4);
  const near = Math.abs(frontAt - (rootsAt + 4)) < LABEL_PX;
  const waterAt = !near ? frontAt : rootsAt + 4 + (frontAt >= rootsAt + 4 ? LABEL_PX : -LABEL_PX);
  return (
    <g fontSize={12} fill="var(--ink)">
      {steps(0, depthMm - step / 4, step).map((mm) => (
        <g key={mm}>
          <line x1={x0 - 5} x2={x0} y1={y(mm)} y2={y(mm)} stroke="var(--ink)" />
          <text x={x0 - 9} y={y(mm) + 4} textAnchor="end" fill="var(--quiet)">
            {mm === 0 ? `0 ${units.of('depth').unit}` : units.number('depth', mm)}
          </text>
        </g>
      ))}
      <text x={x1 + 8} y={rootsAt + 4}>
        roots
      </text>
      <text x={x1 + 8} y={y(0) - 34} fill="var(--quiet)">
        - - full
      </text>
      <text x={x1 + 8} y={y(0) - 20} fill="var(--quiet)">
        ··· no more
      </text>
      <text x={x1 + 8} y={y(0) - 6} fill="var(--quiet)">
        to give
      </text>
      {core.lastFrontMm !== null && core.lastFrontMm <= depthMm ? (
        <text x={x1 + 8} y={waterAt} fill="var(--water)">
          last water
        </text>
      ) : null}
    </g>
  );
}
