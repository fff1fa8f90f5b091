import type { CoreView } from '@kibble/contract';
import { trunkRadiusM, type TreeFacts, type TreePlan } from '@kibble/core';
import { max, range, scaleLinear } from 'd3';
import { useId } from 'react';
import { useUnits } from '../../words/units.ts';
import { patternId, SoilPatterns } from '../../drawing/coreParts.tsx';

const W = 250;
const H = 470;
const LEFT = 40;
const GROUND = 170;
const LAYER_MM = 50;

/** A tree cut through from its trunk outward: roots, the ring with its own layers of water, how deep a soak goes. */
export function RingSection({ tree, plan, core }: { tree: TreeFacts; plan: TreePlan; core: CoreView }) {
  const units = useUnits();
  const id = useId();
  const { innerM, outerM } = tree.ring;
  const edge = tree.canopyM / 2;
  const far = Math.max(outerM, edge) * 1.2;
  const depth = Math.min(1200, Math.max(600, Math.ceil((core.rootDepthMm * 1.3) / 100) * 100));
  const x = scaleLinear([0, far], [LEFT, W - 2]);
  const y = scaleLinear([0, depth], [GROUND, H - 4]);
  const shown = Math.min(core.layersMm.length, Math.ceil(depth / LAYER_MM));
  const fullest = Math.max(20, max(core.saturationMm) ?? 20);
  const wide = Math.max(10, x(outerM) - x(innerM));
  const textures = [...new Set(core.textures.slice(0, shown))];
  const trunkPx = Math.max(3, x(trunkRadiusM(tree)) - LEFT);
  const crownTop = 14;
  const rootY = y(Math.min(core.rootDepthMm, depth));
  const reach = Math.min(far, plan.rootsM);
  const step = units.system === 'us' ? 152.4 : depth > 700 ? 200 : 150;
  // A soak reaches as deep as is wanted, widest at the surface.
  const bulb = y(Math.min(depth, tree.depthMm));
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="block w-full max-w-64"
      role="img"
      aria-label={`Cut through from the trunk: roots ${units.text('depth', core.rootDepthMm)} deep and out to ${units.text('length', plan.rootsM)}; a soak is to reach ${units.text('depth', tree.depthMm)}`}
      data-testid="tree-section"
    >
      <defs>
        <SoilPatterns prefix={id} textures={textures} />
        <clipPath id={`${id}-in`}>
          <rect x={LEFT} y={0} width={W - LEFT} height={H} />
        </clipPath>
      </defs>
      <g clipPath={`url(#${id}-in)`}>
        <path
          d={`M${LEFT} ${crownTop}C${x(edge * 0.75)} ${crownTop} ${x(edge)} ${GROUND * 0.42} ${x(edge)} ${GROUND * 0.58}C${x(edge * 0.9)} ${GROUND * 0.74} ${x(edge * 0.35)} ${GROUND * 0.7} ${LEFT} ${GROUND * 0.68}z`}
          fill="var(--leaf)"
          opacity={0.75}
        />
        <path
          d={`M${LEFT} ${GROUND * 0.6}L${x(edge * 0.6)} ${GROUND * 0.42}M${LEFT} ${GROUND * 0.5}L${x(edge * 0.35)} ${GROUND * 0.25}`}
          stroke="var(--root)"
          strokeWidth={3}
        />
        <path d={`M${LEFT} ${GROUND}V${GROUND * 0.36}`} stroke="var(--root)" strokeWidth={2 * trunkPx} />
        {range(shown).map((i) => (
          <rect
            key={i}
            x={LEFT}
            y={y(i * LAYER_MM)}
            width={W - LEFT}
            height={Math.max(0, Math.min(H - 4, y((i + 1) * LAYER_MM)) - y(i * LAYER_MM))}
            fill={`url(#${patternId(id, core.textures[i] ?? 'loam')})`}
          />
        ))}
        {range(shown).map((i) => (
          <rect
            key={i}
            x={x(innerM)}
            y={y(i * LAYER_MM) + 0.5}
            width={(wide * (core.layersMm[i] ?? 0)) / fullest}
            height={Math.max(0, Math.min(H - 4, y((i + 1) * LAYER_MM)) - y(i * LAYER_MM) - 1)}
            fill="var(--water)"
            opacity={0.85}
            data-layer={i}
          />
        ))}
        <g fill="none" stroke="var(--root)" strokeLinecap="round">
          {range(9).map((i) => {
            const out = (reach * (i + 1.5)) / 10.5;
            const down = y(Math.min(core.rootDepthMm, depth) * (0.35 + 0.65 * ((i * 5) % 9) * 0.11));
            return (
              <path
                key={i}
                d={`M${LEFT} ${GROUND + 2}Q${x(out * 0.45)} ${GROUND + (down - GROUND) * 0.35} ${x(out)} ${down}`}
                strokeWidth={i % 3 === 0 ? 1.8 : 1}
                opacity={0.85}
              />
            );
          })}
        </g>
        <path
          d={`M${x(innerM)} ${GROUND}C${x(innerM)} ${bulb} ${x(outerM)} ${bulb} ${x(outerM)} ${GROUND}`}
          fill="none"
          stroke="var(--water)"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
        <path d={`M${x(innerM)} ${GROUND - 6}H${x(outerM)}`} stroke="var(--water)" strokeWidth={5} />
      </g>
      <path d={`M${LEFT} ${GROUND}H${W}`} stroke="var(--ink)" strokeWidth={1.6} />
      <path d={`M${LEFT} ${bulb}H${W}`} stroke="var(--ink)" strokeWidth={1.2} />
      <path d={`M${LEFT} ${rootY}H${W}`} stroke="var(--ink)" strokeDasharray="2 4" />
      <g fontSize={13} fill="var(--ink)">
        <rect x={LEFT + 4} y={bulb + 2} width={112} height={17} fill="var(--paper)" opacity={0.9} />
        <text x={LEFT + 8} y={bulb + 15}>
          soak to {units.text('depth', tree.depthMm)}
        </text>
        <text
          x={W - 4}
          y={rootY - 5}
          textAnchor="end"
          stroke="var(--paper)"
          strokeWidth={4}
          paintOrder="stroke"
        >
          roots
        </text>
        {range(0, depth + 1, step).map((mm) => (
          <text key={mm} x={LEFT - 6} y={y(mm) + 4} textAnchor="end" fill="var(--quiet)" fontSize={12}>
            {mm === 0 ? `0 ${units.of('depth').unit}` : units.number('depth', mm)}
          </text>
        ))}
      </g>
    </svg>
  );
}
