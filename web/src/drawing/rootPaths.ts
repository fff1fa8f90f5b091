import { line, range, curveBasis, randomLcg } from 'd3';

/** Shape of a root system: how far it spreads for its depth, and whether one root leads. Common practice. */
interface Habit {
  spread: number;
  taproot: boolean;
  strands: number;
}
const TAP: Habit = { spread: 0.22, taproot: true, strands: 12 };
const FIBROUS: Habit = { spread: 0.5, taproot: false, strands: 18 };
const WIDE: Habit = { spread: 0.42, taproot: true, strands: 16 };
const HABITS: Readonly<Record<string, Habit>> = {
  carrot: TAP,
  beetroot: TAP,
  radish: TAP,
  tomato: WIDE,
  'sweet-pepper': WIDE,
  aubergine: WIDE,
  melon: WIDE,
  courgette: WIDE,
  cucumber: WIDE,
};

const hash = (text: string): number =>
  [...text].reduce((sum, c) => (sum * 31 + c.charCodeAt(0)) % 9973, 7) / 9973;

/** Roots from the surface to their real depth: forty in a hundred end in the first quarter, as the engine spreads them. */
export function rootPaths(seed: string, x0: number, x1: number, top: number, bottom: number): string[] {
  const random = randomLcg(hash(seed));
  const habit = HABITS[seed] ?? FIBROUS;
  const width = x1 - x0;
  const depth = bottom - top;
  const middle = x0 + width / 2;
  const draw = line().curve(curveBasis);
  const strands = range(habit.strands).map((i) => {
    const reach = 0.25 + 0.75 * ((i + 1) / habit.strands) ** 1.4;
    const side = i % 2 === 0 ? 1 : -1;
    const out = side * habit.spread * width * (0.25 + 0.75 * random()) * (1.15 - 0.5 * reach);
    const start: [number, number] = [middle + out * 0.1, top];
    const points = range(1, 5).map((k): [number, number] => {
      const t = k / 4;
      const wobble = (random() - 0.5) * width * 0.06;
      const x = middle + out * Math.sqrt(t) + wobble;
      return [Math.min(x1 - 1, Math.max(x0 + 1, x)), top + depth * reach * t];
    });
    return draw([start, ...points]) ?? '';
  });
  const lead = `M${middle} ${top}L${middle} ${bottom}`;
  return habit.taproot ? [lead, ...strands] : strands;
}
