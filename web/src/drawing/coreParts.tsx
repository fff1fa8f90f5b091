import { steps } from './steps.ts';
import { plantForm, type PlantForm } from './plantForms.ts';
import { soilLook } from './soilLook.ts';

/** Hatches of textures, to be filled with; `prefix` keeps the ids of one drawing apart from another's. */
export function SoilPatterns({ prefix, textures }: { prefix: string; textures: readonly string[] }) {
  return textures.map((texture) => {
    const look = soilLook(texture);
    return (
      <pattern
        key={texture}
        id={patternId(prefix, texture)}
        width={12}
        height={12}
        patternUnits="userSpaceOnUse"
      >
        <rect width={12} height={12} fill={look.fill} />
        <path
          d={look.path}
          stroke="var(--soil-mark)"
          strokeWidth={look.stroke}
          strokeLinecap="round"
          fill="none"
        />
      </pattern>
    );
  });
}

export const patternId = (prefix: string, texture: string): string =>
  `${prefix}-${texture.replaceAll(' ', '-')}`;

interface Span {
  x0: number;
  x1: number;
  y: number;
  height: number;
}

/** Mulch as a cap of strands, as thick as it lies. */
export function MulchCap({ x0, x1, y, height }: Span) {
  const strands = steps(x0, x1, 5).map(
    (x, i) => `M${x} ${y - ((i * 7) % 10) * 0.1 * height - 1}l7 ${i % 2 ? -2 : 1.5}`,
  );
  return (
    <g>
      <rect x={x0} y={y - height} width={x1 - x0} height={height} fill="var(--straw)" opacity={0.35} />
      <path d={strands.join('')} stroke="var(--straw)" strokeWidth={1.6} />
    </g>
  );
}

const leafPair = (x: number, at: number, long: number): string =>
  `M${x} ${at}q${long * 0.5} ${-long * 0.7} ${long} 0q${-long * 0.5} ${long * 0.4} ${-long} 0M${x} ${at + 2}q${-long * 0.5} ${-long * 0.7} ${-long} 0q${long * 0.5} ${long * 0.4} ${long} 0`;

/** One plant of each form, standing at x on the ground y, h high: what is filled, and what is only a line. */
const FORMS: Readonly<
  Record<PlantForm, (x: number, y: number, h: number) => { filled?: string; line?: string; wood?: string }>
> = {
  stem: (x, y, h) => ({
    line: `M${x} ${y}v${-h}`,
    filled: steps(1, 4)
      .map((k) => leafPair(x, y - (h * k) / 3.2, Math.min(9, h * 0.3)))
      .join(''),
  }),
  tuft: (x, y, h) => ({
    line: steps(-3, 4)
      .map((k) => `M${x} ${y}q${k} ${-h * 0.3} ${k * 2.6} ${-h * (0.62 - Math.abs(k) * 0.06)}`)
      .join(''),
  }),
  head: (x, y, h) => {
    const s = Math.min(h, 22);
    return {
      filled: `M${x} ${y}q${-s * 0.5} ${-s * 0.1} ${-s * 0.34} ${-s * 0.42}q${s * 0.34} ${-s * 0.3} ${s * 0.68} 0q${s * 0.16} ${s * 0.32} ${-s * 0.34} ${s * 0.42}`,
    };
  },
  blade: (x, y, h) => ({
    line: `M${x} ${y}v${-h}M${x} ${y - h * 0.25}q8 ${-h * 0.2} 12 ${-h * 0.02}M${x} ${y - h * 0.4}q-8 ${-h * 0.2} -12 ${-h * 0.02}M${x} ${y - h * 0.6}q7 ${-h * 0.18} 11 0M${x} ${y - h * 0.72}q-7 ${-h * 0.16} -11 0`,
  }),
  vine: (x, y, h) => ({
    line: `M${x} ${y}q-4 ${-h * 0.5} -12 ${-h * 0.3}M${x} ${y}q4 ${-h * 0.5} 13 ${-h * 0.28}`,
    filled: [-11, -5, 5, 12]
      .map((dx) => `M${x + dx} ${y - h * 0.3}m-4 0a4.4 3.4 0 1 0 8.8 0a4.4 3.4 0 1 0 -8.8 0`)
      .join(''),
  }),
  bush: (x, y, h) => ({
    wood: `M${x} ${y}v${-h * 0.3}M${x} ${y}l-5 ${-h * 0.4}M${x} ${y}l5 ${-h * 0.4}`,
    filled: `M${x - 12} ${y - h * 0.4}a8 ${h * 0.28} 0 0 1 8 ${-h * 0.28}a8 ${h * 0.26} 0 0 1 9 0a8 ${h * 0.28} 0 0 1 7 ${h * 0.3}a9 ${h * 0.2} 0 0 1 -24 0`,
  }),
  tree: (x, y, h) => ({
    wood: `M${x} ${y}v${-h * 0.5}`,
    filled: `M${x} ${y - h * 0.4}c-17 0 -19 ${-h * 0.34} -9 ${-h * 0.46}c2 ${-h * 0.14} 16 ${-h * 0.14} 18 0c10 ${h * 0.12} 8 ${h * 0.46} -9 ${h * 0.46}`,
  }),
  succulent: (x, y, h) => ({
    filled: `M${x - 5} ${y}v${-h * 0.5}a5 5 0 0 1 10 0v${h * 0.5}zM${x + 5} ${y - h * 0.2}h4v${-h * 0.2}a2 2 0 0 1 4 0v${h * 0.28}h-8z`,
  }),
};

const PLACES: Readonly<Record<PlantForm, readonly number[]>> = {
  stem: [0.22, 0.5, 0.78],
  tuft: [0.22, 0.5, 0.78],
  head: [0.2, 0.5, 0.8],
  blade: [0.22, 0.5, 0.78],
  vine: [0.3, 0.72],
  bush: [0.3, 0.7],
  tree: [0.5],
  succulent: [0.35, 0.65],
};

/** The plants on a core, in the form of their kind and as high as they have grown. */
export function Shoots({
  x0,
  x1,
  y,
  height,
  cropId,
  group,
}: Span & { cropId: string; group: string | null }) {
  const form = plantForm(cropId, group);
  return PLACES[form].map((share) => {
    const { filled, line, wood } = FORMS[form](x0 + share * (x1 - x0), y, height);
    return (
      <g key={share}>
        {wood ? <path d={wood} fill="none" stroke="var(--root)" strokeWidth={2} /> : null}
        {line ? <path d={line} fill="none" stroke="var(--leaf)" strokeWidth={1.6} /> : null}
        {filled ? <path d={filled} fill="var(--leaf)" /> : null}
      </g>
    );
  });
}
