/** Ruled lines of a scale, each with its figure at the left. */
export function ScaleLines({
  ticks,
  left,
  right,
}: {
  ticks: readonly { at: number; label: string }[];
  left: number;
  right: number;
}) {
  return ticks.map(({ at, label }) => (
    <g key={label}>
      <line x1={left} x2={right} y1={at} y2={at} stroke="var(--rule)" />
      <text x={left - 6} y={at + 4} textAnchor="end" fontSize={12} fill="var(--quiet)">
        {label}
      </text>
    </g>
  ));
}
