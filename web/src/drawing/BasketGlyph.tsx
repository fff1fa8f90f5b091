import type { PotView } from '@kibble/contract';
import { useId } from 'react';
import { patternId, Shoots, SoilPatterns } from './coreParts.tsx';
import { hatchOf, type PotBox } from './PotGlyph.tsx';

/** Gap between a basket and the board it is drawn over, px. */
const HANGS_PX = 7;

/** A basket cut open, hung from its hook: its mix, the water it can still give, the line under which it is due. */
export function BasketGlyph({ pot, x, y, pxPerM, shootPx }: { pot: PotView; shootPx: number } & PotBox) {
  const id = useId().replaceAll(':', '');
  const foot = y - HANGS_PX;
  const h = Math.max(18, pot.shape.heightM * pxPerM);
  const half = Math.max(18, pot.shape.topM * pxPerM) / 2;
  const rim = foot - h;
  const hook = rim - shootPx + HANGS_PX;
  const bowl = `M${x - half} ${rim}C${x - half} ${foot} ${x - 0.4 * half} ${foot} ${x} ${foot}S${x + half} ${foot} ${x + half} ${rim}`;
  const depth = 0.92 * h;
  const surface = foot - depth;
  const share = pot.holdsMl > 0 ? Math.min(1, pot.heldMl / pot.holdsMl) : 0;
  const line = pot.holdsMl > 0 ? pot.lineMl / pot.holdsMl : 0;
  const [first] = pot.plantings;
  return (
    <g>
      <defs>
        <SoilPatterns prefix={id} textures={[hatchOf(pot.facts.mix)]} />
        <clipPath id={`${id}-in`}>
          <path d={`${bowl}z`} />
        </clipPath>
      </defs>
      <path
        d={`M${x - half} ${rim}L${x} ${hook}L${x + half} ${rim}M${x} ${hook}v-4a3 3 0 1 1 3 3`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1}
      />
      <g clipPath={`url(#${id}-in)`}>
        <rect
          x={x - half}
          y={surface}
          width={2 * half}
          height={depth}
          fill={`url(#${patternId(id, hatchOf(pot.facts.mix))})`}
        />
        <rect
          data-part="water"
          data-share={share.toFixed(3)}
          x={x - half}
          y={foot - share * depth}
          width={2 * half}
          height={share * depth}
          fill="var(--water)"
          opacity={0.72}
        />
        {line > 0 ? (
          <path d={`M${x - half} ${foot - line * depth}h${2 * half}`} stroke="var(--ink)" strokeWidth={1.6} />
        ) : null}
      </g>
      <path d={bowl} fill="none" stroke="var(--ink)" strokeWidth={2} strokeDasharray="3 2" />
      <path d={`M${x - half - 3} ${rim}h${2 * half + 6}`} stroke="var(--ink)" strokeWidth={2} />
      {first ? (
        <Shoots
          x0={x - 0.8 * half}
          x1={x + 0.8 * half}
          y={surface}
          height={0.6 * shootPx}
          cropId={first.cropId}
          group={first.group}
        />
      ) : null}
    </g>
  );
}
