import { checkTree, dryZoneM, trunkRadiusM, type Ring, type TreeFacts, type TreePlan } from '@kibble/core';
import { range, scaleLinear } from 'd3';
import { useId, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useUnits } from '../../words/units.ts';

const SIZE = 520;
const MIDDLE = SIZE / 2;
/** A key moves an edge by this, m. */
const STEP_M = 0.1;
/** Room about what is drawn. */
const AROUND = 1.14;
/** Of a hedge a piece is drawn, wide enough to see it run on. */
const HEDGE_AROUND = 2.4;

export type Edge = 'inner' | 'outer' | 'canopy';

/** What a tree becomes when one of its edges is dragged to a distance from the trunk, m. */
export function draggedTo(tree: TreeFacts, edge: Edge, m: number): TreeFacts {
  const to = Math.max(0, Math.round(m * 20) / 20);
  if (edge === 'canopy') return { ...tree, canopyM: Math.max(0.2, 2 * to) };
  return { ...tree, ring: { ...tree.ring, [edge === 'inner' ? 'innerM' : 'outerM']: to } };
}

/** Why a tree as it was dragged cannot be; null when it can. */
export function faultOf(tree: TreeFacts, trunkDry: boolean): string | null {
  try {
    checkTree(tree, trunkDry);
    return null;
  } catch (error) {
    return error instanceof RangeError ? error.message : 'This cannot be.';
  }
}

/** A tree, shrub or hedge from above, to scale: trunk, dry ground, branch edge, ring, stops in walking order. */
export function PlanView({
  tree,
  plan,
  other,
  at = null,
  onEdge,
}: {
  tree: TreeFacts;
  plan: TreePlan;
  /** The ring of another year, or the one to move to, with its name. */
  other: { ring: Ring; words: string } | null;
  /** The spot that runs now. */
  at?: number | null;
  onEdge?: (edge: Edge, m: number) => void;
}) {
  const units = useUnits();
  const id = useId();
  const [dragging, setDragging] = useState<Edge | null>(null);
  const hedge = tree.sort === 'hedge';
  const { innerM, outerM } = tree.ring;
  const edgeM = tree.canopyM / 2;
  const reachM = Math.max(outerM, edgeM, other?.ring.outerM ?? 0) * (hedge ? HEDGE_AROUND : AROUND);
  const px = scaleLinear([0, reachM], [0, MIDDLE - 6]);
  const dry = plan.dryM > 0 ? Math.min(dryZoneM(tree), innerM) : 0;
  const trunk = Math.max(4, px(trunkRadiusM(tree)));
  const grass = tree.beneath === 'lawn' || tree.beneath === 'lawn, unwatered';
  const mulched = tree.mulchedM ?? (tree.beneath === 'mulch' ? plan.mulch.outerM : 0);
  const scaleM = reachM > 8 ? 4 : reachM > 3 ? 2 : reachM > 1.4 ? 1 : 0.5;
  const half = Math.min((tree.lengthM ?? 1) / 2, 1.3 * reachM);

  const distanceOf = (e: PointerEvent<SVGSVGElement>): number => {
    const box = e.currentTarget.getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * SIZE - MIDDLE;
    const y = ((e.clientY - box.top) / box.height) * SIZE - MIDDLE;
    return px.invert(hedge ? Math.abs(y) : Math.hypot(x, y));
  };
  const move = (e: PointerEvent<SVGSVGElement>): void => {
    if (dragging) onEdge?.(dragging, distanceOf(e));
  };
  const keys = (edge: Edge, m: number) => (e: KeyboardEvent) => {
    const by = { ArrowRight: STEP_M, ArrowUp: STEP_M, ArrowLeft: -STEP_M, ArrowDown: -STEP_M }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    onEdge?.(edge, m + by);
  };
  const band = (from: number, to: number): string =>
    hedge
      ? [1, -1]
          .map((side) => {
            const x = px(half);
            return `M${MIDDLE - x} ${MIDDLE + side * px(from)}H${MIDDLE + x}V${MIDDLE + side * px(to)}H${MIDDLE - x}z`;
          })
          .join('')
      : circle(px(to)) + circle(px(from));
  const handles: { edge: Edge; m: number; name: string; angle: number }[] = [
    ...(innerM > 0.02
      ? [{ edge: 'inner' as const, m: innerM, name: 'Inner edge of the ring', angle: 20 }]
      : []),
    { edge: 'outer', m: outerM, name: 'Outer edge of the ring', angle: -20 },
    { edge: 'canopy', m: edgeM, name: 'Edge of the branches', angle: 160 },
  ];
  const place = (m: number, angle: number): [number, number] =>
    hedge
      ? [MIDDLE + (angle > 90 ? -0.35 : angle > 0 ? 0.2 : 0.35) * px(half), MIDDLE - px(m)]
      : [
          MIDDLE + px(m) * Math.cos((angle * Math.PI) / 180),
          MIDDLE - px(m) * Math.sin((angle * Math.PI) / 180),
        ];
  const wall = tree.near !== 'nothing' && tree.nearM !== undefined ? px(tree.nearM) : null;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      className="block w-full touch-pan-y select-none"
      role="group"
      aria-label={`Plan to scale: branches ${units.text('length', tree.canopyM)} across, watered from ${units.text('length', innerM)} to ${units.text('length', outerM)} from the trunk`}
      data-testid="tree-plan"
      onPointerMove={move}
      onPointerUp={() => setDragging(null)}
      onPointerLeave={() => setDragging(null)}
    >
      <defs>
        <pattern id={`${id}-grass`} width={34} height={34} patternUnits="userSpaceOnUse">
          <path
            d="M5 10l3 -6M8 10l1 -5M22 27l3 -6M25 27l1 -5"
            stroke={tree.beneath === 'lawn' ? 'var(--leaf)' : 'var(--straw)'}
            strokeWidth={1.2}
          />
        </pattern>
        <pattern id={`${id}-mulch`} width={16} height={12} patternUnits="userSpaceOnUse">
          <path d="M1 3l6 -1M9 8l6 1M3 10l4 1" stroke="var(--straw)" strokeWidth={1.6} />
        </pattern>
        <pattern id={`${id}-wall`} width={8} height={8} patternUnits="userSpaceOnUse">
          <path d="M0 8L8 0" stroke="var(--ink)" strokeWidth={1} />
        </pattern>
      </defs>
      <rect width={SIZE} height={SIZE} fill="var(--soil-loam)" opacity={0.22} />
      {grass ? <rect width={SIZE} height={SIZE} fill={`url(#${id}-grass)`} /> : null}
      {mulched > 0 ? (
        <path
          d={hedge ? band(0, mulched) : circle(px(mulched)) + circle(px(Math.min(0.1, mulched / 4)))}
          fillRule="evenodd"
          fill={`url(#${id}-mulch)`}
        />
      ) : null}
      <path d={band(innerM, outerM)} fillRule="evenodd" fill="var(--water)" opacity={0.22} data-part="ring" />
      <path
        d={hedge ? '' : circle(px(innerM)) + circle(px(outerM))}
        fill="none"
        stroke="var(--water)"
        strokeWidth={1.4}
      />
      <Wetted tree={tree} plan={plan} px={px} band={band} half={half} />
      {dry > 0 ? (
        <g>
          <path
            d={hedge ? '' : circle(px(dry))}
            fill="var(--paper)"
            fillOpacity={0.8}
            stroke="var(--ink)"
            strokeDasharray="2 4"
          />
          {px(dry) > 48 ? (
            <text x={MIDDLE} y={MIDDLE - trunk - 8} fontSize={14} textAnchor="middle" fill="var(--quiet)">
              keep dry
            </text>
          ) : null}
        </g>
      ) : null}
      {hedge ? (
        <rect
          x={MIDDLE - px(half)}
          y={MIDDLE - px(edgeM)}
          width={2 * px(half)}
          height={2 * px(edgeM)}
          rx={6}
          fill="var(--leaf)"
          fillOpacity={0.25}
          stroke="var(--leaf)"
          strokeWidth={2}
          strokeDasharray="9 6"
        />
      ) : (
        <path
          d={circle(px(edgeM))}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={2.4}
          strokeDasharray="9 6"
          data-part="canopy"
        />
      )}
      {other ? (
        <path
          d={
            hedge
              ? band(other.ring.innerM, other.ring.outerM)
              : circle(px(other.ring.innerM)) + circle(px(other.ring.outerM))
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.6}
          strokeDasharray="1 5"
          strokeLinecap="round"
          data-part="other-ring"
        />
      ) : null}
      {hedge ? (
        range(0.5, (2 * half) / 0.6).map((i) => (
          <circle key={i} cx={MIDDLE - px(half) + px(0.6 * i)} cy={MIDDLE} r={3} fill="var(--root)" />
        ))
      ) : (
        <circle cx={MIDDLE} cy={MIDDLE} r={trunk} fill="var(--root)" />
      )}
      {wall !== null && wall < MIDDLE ? (
        <g>
          <rect x={MIDDLE + wall} width={SIZE} height={SIZE} fill="var(--paper)" opacity={0.85} />
          <rect x={MIDDLE + wall} width={14} height={SIZE} fill={`url(#${id}-wall)`} />
          <text
            x={MIDDLE + wall - 6}
            y={MIDDLE}
            fontSize={14}
            fill="var(--quiet)"
            transform={`rotate(-90 ${MIDDLE + wall - 6} ${MIDDLE})`}
            textAnchor="middle"
          >
            {tree.near}
          </text>
        </g>
      ) : null}
      <Spots tree={tree} plan={plan} px={px} at={at} half={half} />
      <g fontSize={14} fill="var(--ink)">
        <path d={`M14 ${SIZE - 16}h${px(scaleM)}`} stroke="var(--ink)" strokeWidth={2} />
        <text x={14} y={SIZE - 22}>
          {units.text('length', scaleM)}
        </text>
        <text x={12} y={22} fill="var(--leaf)" fontWeight={600}>
          - - edge of the branches
        </text>
        {other ? (
          <text x={12} y={42}>
            ··· {other.words}
          </text>
        ) : null}
      </g>
      {onEdge
        ? handles.map(({ edge, m, name, angle }) => {
            const [x, y] = place(m, angle);
            return (
              <g
                key={edge}
                role="slider"
                tabIndex={0}
                aria-label={name}
                aria-valuemin={0}
                aria-valuemax={Math.round(10 * reachM) / 10}
                aria-valuenow={Math.round(100 * m) / 100}
                aria-valuetext={units.text('length', m)}
                className="no-print cursor-grab touch-none"
                data-handle={edge}
                onKeyDown={keys(edge, m)}
                onPointerDown={(e) => {
                  setDragging(edge);
                  e.currentTarget.ownerSVGElement?.setPointerCapture(e.pointerId);
                }}
              >
                <circle cx={x} cy={y} r={22} fill="transparent" />
                <circle
                  cx={x}
                  cy={y}
                  r={9}
                  fill="var(--paper)"
                  stroke={edge === 'canopy' ? 'var(--leaf)' : 'var(--water)'}
                  strokeWidth={3}
                />
                <path
                  d={`M${x - 3} ${y}h6`}
                  stroke={edge === 'canopy' ? 'var(--leaf)' : 'var(--water)'}
                  strokeWidth={2}
                  transform={hedge ? `rotate(90 ${x} ${y})` : `rotate(${-angle} ${x} ${y})`}
                />
              </g>
            );
          })
        : null}
    </svg>
  );
}

const circle = (r: number): string =>
  r <= 0 ? '' : `M${MIDDLE - r} ${MIDDLE}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;

interface Drawn {
  tree: TreeFacts;
  plan: TreePlan;
  px: (m: number) => number;
  half: number;
}

/** Where a spot lies on the drawing: round the trunk from the top, or along a hedge. */
function spotAt(
  { tree, px, half }: Omit<Drawn, 'plan'>,
  spot: TreePlan['laid']['spots'][number],
): [number, number] {
  if (tree.sort === 'hedge') {
    const x = MIDDLE - px(half) + px((spot.alongM ?? 0) * (MIDDLE / (MIDDLE - 6)));
    return [x, MIDDLE + (spot.angleDeg < 180 ? -1 : 1) * px(spot.radiusM)];
  }
  const a = (spot.angleDeg * Math.PI) / 180;
  return [MIDDLE + px(spot.radiusM) * Math.sin(a), MIDDLE - px(spot.radiusM) * Math.cos(a)];
}

/** What of the ring really gets wet: rounds about spots, strips along lines, or all of it. */
function Wetted({ tree, plan, px, band, half }: Drawn & { band: (from: number, to: number) => string }) {
  const { laid } = plan;
  const middle = (tree.ring.innerM + tree.ring.outerM) / 2;
  if (laid.by === 'soaker ring')
    return (
      <path
        d={band(middle - (laid.pieces * laid.wetAcrossM) / 2, middle + (laid.pieces * laid.wetAcrossM) / 2)}
        fillRule="evenodd"
        fill="var(--water)"
        opacity={0.45}
      />
    );
  // One spot of a small ring fills it.
  if (laid.spots.length === 0 || (laid.spots.length === 1 && tree.ring.innerM > 0))
    return (
      <path
        d={band(tree.ring.innerM, tree.ring.outerM)}
        fillRule="evenodd"
        fill="var(--water)"
        opacity={0.3}
      />
    );
  return laid.spots.map((spot) => {
    const [x, y] = spotAt({ tree, px, half }, spot);
    return (
      <circle
        key={spot.number}
        cx={x}
        cy={y}
        r={px(laid.wetAcrossM / 2)}
        fill="var(--water)"
        opacity={0.35}
      />
    );
  });
}

/** Stops with their numbers, and the line that lies there. */
function Spots({ tree, plan, px, at, half }: Drawn & { at: number | null }) {
  const { laid } = plan;
  const middleM = (tree.ring.innerM + tree.ring.outerM) / 2;
  const middle = px(middleM);
  if (laid.by === 'soaker ring' || laid.by === 'tube spiral' || laid.by === 'emitters') {
    const turns =
      laid.by === 'tube spiral'
        ? Math.max(1, Math.round((tree.ring.outerM - tree.ring.innerM) / 0.45))
        : laid.by === 'soaker ring'
          ? laid.pieces
          : 1;
    return (
      <g fill="none" stroke="var(--ink)" strokeWidth={2}>
        {range(turns).map((i) => {
          const r =
            turns === 1
              ? middle
              : px(
                  laid.by === 'soaker ring'
                    ? middleM + (i - (turns - 1) / 2) * laid.wetAcrossM
                    : tree.ring.innerM + ((i + 0.5) * (tree.ring.outerM - tree.ring.innerM)) / turns,
                );
          return tree.sort === 'hedge' ? (
            <path
              key={i}
              d={`M${MIDDLE - px(half)} ${MIDDLE - r}h${2 * px(half)}M${MIDDLE - px(half)} ${MIDDLE + r}h${2 * px(half)}`}
            />
          ) : (
            <path key={i} d={circle(r)} />
          );
        })}
        {laid.by === 'emitters'
          ? laid.spots.map((spot) => {
              const [x, y] = spotAt({ tree, px, half }, spot);
              return <circle key={spot.number} cx={x} cy={y} r={3.5} fill="var(--ink)" />;
            })
          : null}
      </g>
    );
  }
  return laid.spots.map((spot) => {
    const [x, y] = spotAt({ tree, px, half }, spot);
    const here = at === spot.number;
    return (
      <g key={spot.number} data-spot={spot.number}>
        <circle
          cx={x}
          cy={y}
          r={14}
          fill={here ? 'var(--ink)' : 'var(--paper)'}
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
        <text
          x={x}
          y={y + 5}
          fontSize={15}
          fontWeight={700}
          textAnchor="middle"
          fill={here ? 'var(--paper)' : 'var(--ink)'}
        >
          {spot.number}
        </text>
      </g>
    );
  });
}
