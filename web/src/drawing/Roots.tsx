import { rootPaths } from './rootPaths.ts';

/** A crop's roots, from the surface to their real depth. */
export function Roots({
  cropId,
  x0,
  x1,
  top,
  bottom,
}: {
  cropId: string;
  x0: number;
  x1: number;
  top: number;
  bottom: number;
}) {
  return (
    <g fill="none" stroke="var(--root)" strokeLinecap="round">
      {rootPaths(cropId, x0, x1, top, bottom).map((d, i) => (
        <path key={d} d={d} strokeWidth={i === 0 ? 1.8 : 0.9} opacity={0.8} />
      ))}
    </g>
  );
}
