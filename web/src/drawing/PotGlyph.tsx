import type { PotView } from '@kibble/contract';
import { useId } from 'react';
import { MulchCap, patternId, Shoots, SoilPatterns } from './coreParts.tsx';

/** The mix by its hatch: mineral grains as sand, soil as loam, the light ones as silt. */
const HATCH: Readonly<Record<string, string>> = { gritty: 'sand', 'soil-based': 'loam' };
export const hatchOf = (mix: string): string => HATCH[mix] ?? 'silt loam';

/** How a wall is drawn: filled where it is clay, ruled where it is wood, broken where it breathes. */
const WALLS: Readonly<Record<string, { fill: string; width: number; dash?: string; rim?: boolean }>> = {
  terracotta: { fill: 'var(--soil-clay)', width: 5, rim: true },
  plastic: { fill: 'none', width: 2, rim: true },
  glazed: { fill: 'var(--sheet)', width: 5, rim: true },
  fabric: { fill: 'none', width: 2.5, dash: '2 3' },
  wood: { fill: 'var(--soil-silt)', width: 5, dash: '14 2' },
  metal: { fill: 'none', width: 3 },
};

export interface PotBox {
  /** The base's middle, and how far a metre is. */
  x: number;
  y: number;
  pxPerM: number;
}

/** A pot cut open, standing at x on the board y: its wall, its mix, and the water it can still give. */
export function PotGlyph({ pot, x, y, pxPerM, shootPx }: { pot: PotView; shootPx: number } & PotBox) {
  const id = useId().replaceAll(':', '');
  const { topM, baseM, heightM } = pot.shape;
  const base = pot.facts.trough ? topM : baseM;
  const h = Math.max(14, heightM * pxPerM);
  const top = Math.max(16, topM * pxPerM) / 2;
  const foot = (top * base) / topM;
  const wall = WALLS[pot.facts.material] ?? WALLS.plastic;
  const outline = `M${x - top} ${y - h}L${x - foot} ${y}H${x + foot}L${x + top} ${y - h}`;
  const tank = pot.facts.reservoirL ? Math.min(10, 0.25 * h) : 0;
  const surface = y - 0.92 * h;
  const depth = y - tank - surface;
  const share = pot.holdsMl > 0 ? Math.min(1, pot.heldMl / pot.holdsMl) : 0;
  const line = pot.holdsMl > 0 ? pot.lineMl / pot.holdsMl : 0;
  const halfAt = (at: number): number => foot + ((top - foot) * (y - at)) / h;
  const lineY = y - tank - line * depth;
  const [first] = pot.plantings;
  return (
    <g>
      <defs>
        <SoilPatterns prefix={id} textures={[hatchOf(pot.facts.mix)]} />
        <clipPath id={`${id}-in`}>
          <path d={`${outline}z`} />
        </clipPath>
      </defs>
      {pot.facts.saucer ? (
        <path
          d={`M${x - foot - 6} ${y - 1}l3 4h${2 * foot + 6}l3 -4`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
      ) : null}
      <g clipPath={`url(#${id}-in)`}>
        <rect
          x={x - top}
          y={surface}
          width={2 * top}
          height={y - surface}
          fill={`url(#${patternId(id, hatchOf(pot.facts.mix))})`}
        />
        <rect
          data-part="water"
          data-share={share.toFixed(3)}
          x={x - top}
          y={y - tank - share * depth}
          width={2 * top}
          height={share * depth}
          fill="var(--water)"
          opacity={0.72}
        />
        {tank > 0 ? (
          <path
            d={`M${x - top} ${y - tank}H${x + top}`}
            stroke="var(--ink)"
            strokeWidth={1}
            strokeDasharray="1 2"
          />
        ) : null}
      </g>
      {line > 0 ? (
        <path
          d={`M${x - halfAt(lineY)} ${lineY}h${2 * halfAt(lineY)}`}
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
      ) : null}
      <path
        d={outline}
        fill="none"
        stroke={wall?.fill === 'none' ? 'var(--ink)' : wall?.fill}
        strokeWidth={wall?.width}
        strokeDasharray={wall?.dash}
      />
      <path d={outline} fill="none" stroke="var(--ink)" strokeWidth={1} strokeDasharray={wall?.dash} />
      {wall?.rim ? (
        <path
          d={`M${x - top - 3} ${y - h}h6M${x + top - 3} ${y - h}h6`}
          stroke="var(--ink)"
          strokeWidth={2.4}
        />
      ) : null}
      {pot.facts.dressing === 'bark' ? (
        <MulchCap x0={x - halfAt(surface)} x1={x + halfAt(surface)} y={surface} height={4} />
      ) : pot.facts.dressing === 'bare' ? null : (
        <path
          d={`M${x - halfAt(surface) + 3} ${surface - 1.5}h${2 * halfAt(surface) - 6}`}
          stroke="var(--soil-mark)"
          strokeWidth={3}
          strokeDasharray={pot.facts.dressing === 'grit' ? '1.5 2' : '4 2'}
          strokeLinecap="round"
        />
      )}
      {first ? (
        <Shoots
          x0={x - Math.min(top, 34)}
          x1={x + Math.min(top, 34)}
          y={surface}
          height={shootPx}
          cropId={first.cropId}
          group={first.group}
        />
      ) : null}
    </g>
  );
}
