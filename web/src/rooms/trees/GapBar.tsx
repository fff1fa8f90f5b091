import type { TreeNow } from '@kibble/contract';
import { GAP_DAYS } from '@kibble/core';
import { gapWords } from '../../words/treeWords.ts';

const LABEL_PX = 78;

/** How far a clock has run: ticks at 7, 14 and the limit, red past it. */
export function GapBar({
  tree,
  width = 250,
  named = true,
}: {
  tree: TreeNow;
  width?: number;
  named?: boolean;
}) {
  const { soak } = tree;
  if (!soak) return null;
  const most = Math.max(soak.gapDays, soak.counted) * 1.05;
  const x = (days: number): number => (width * days) / most;
  const late = soak.counted > soak.gapDays;
  const ticks = [...new Set<number>([GAP_DAYS.fine, GAP_DAYS.better, soak.gapDays])].filter(
    (d) => d <= soak.gapDays,
  );
  // The last one’s words need room to their left.
  const isNamed = (d: number): boolean => named && (d === soak.gapDays || x(soak.gapDays) - x(d) > LABEL_PX);
  const top = named ? 16 : 2;
  return (
    <svg
      role="img"
      aria-label={gapWords(tree)}
      width={width}
      height={top + 18}
      viewBox={`0 0 ${width} ${top + 18}`}
      className="block max-w-full"
      data-testid="gap"
    >
      <rect y={top + 3} width={x(soak.gapDays)} height={9} fill="var(--rule)" />
      <rect
        y={top + 3}
        width={x(Math.min(soak.counted, most))}
        height={9}
        fill={late ? 'var(--brick)' : 'var(--ink)'}
      />
      {ticks.map((days) => (
        <g key={days}>
          <line x1={x(days)} x2={x(days)} y1={top} y2={top + 15} stroke="var(--ink)" />
          {isNamed(days) ? (
            <text
              x={x(days)}
              y={12}
              fontSize={13}
              textAnchor={days === soak.gapDays ? 'end' : 'middle'}
              fill="var(--ink)"
            >
              {days === soak.gapDays ? `${days} at most` : days}
            </text>
          ) : null}
        </g>
      ))}
    </svg>
  );
}
