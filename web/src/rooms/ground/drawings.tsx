import { range } from 'd3';
import { useId, type ReactNode } from 'react';
import { soilLook } from '../../drawing/soilLook.ts';

/** Our own small drawings for the tests. Colours as everywhere: blue is water, browns are soil, the rest ink. */
const INK = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 1.6,
  strokeLinejoin: 'round',
  strokeLinecap: 'round',
} as const;

function Picture({
  width = 120,
  height = 84,
  children,
}: {
  width?: number;
  height?: number;
  children: ReactNode;
}) {
  return (
    <svg aria-hidden width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
      {children}
    </svg>
  );
}

/** A tile of a texture's hatch, to fill shapes with. */
function Hatch({ id, texture }: { id: string; texture: string }) {
  const look = soilLook(texture);
  return (
    <pattern id={id} width={12} height={12} patternUnits="userSpaceOnUse">
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
}

export const Ball = () => (
  <Picture>
    <path {...INK} d="M14 62q8 16 46 16t46-16" />
    <circle cx={60} cy={44} r={24} fill="var(--soil-loam)" stroke="var(--ink)" strokeWidth={1.6} />
    <path {...INK} strokeWidth={1} d="M46 40q8-8 18-6M52 54q10 4 20-2" />
  </Picture>
);
export const Crumbs = () => (
  <Picture>
    <path {...INK} d="M14 62q8 16 46 16t46-16" />
    {range(46).map((i) => (
      <circle
        key={i}
        cx={26 + ((i * 37) % 68)}
        cy={64 - ((i * 23) % 30) * (1 - Math.abs(((i * 37) % 68) - 34) / 46)}
        r={1.6 + (i % 3) * 0.7}
        fill="var(--soil-mark)"
      />
    ))}
  </Picture>
);
/** Soil pressed out between thumb and finger; the ruler under it is 50 mm long. */
export const Ribbon = ({ mm }: { mm: number }) => (
  <Picture>
    <path {...INK} d="M4 30q16-4 22 6M4 54q16 4 22-8" />
    <path
      d={`M18 36h${10 + mm * 1.4}q4 4 0 11h${-(10 + mm * 1.4)}z`}
      fill="var(--soil-clay)"
      stroke="var(--ink)"
      strokeWidth={1.3}
    />
    {mm === 0
      ? range(7).map((i) => (
          <circle key={i} cx={40 + i * 6} cy={60 + (i % 3) * 4} r={2} fill="var(--soil-mark)" />
        ))
      : null}
    <path {...INK} strokeWidth={1} d="M26 72h70M26 68v8M61 70v4M96 68v8" />
    <text x={61} y={83} fontSize={9} textAnchor="middle" fill="var(--quiet)">
      25
    </text>
    <text x={96} y={66} fontSize={9} textAnchor="middle" fill="var(--quiet)">
      50 mm
    </text>
  </Picture>
);
export const Rub = ({ texture }: { texture: 'sand' | 'silt' | 'loam' }) => {
  const id = useId();
  return (
    <Picture>
      <defs>
        <Hatch id={id} texture={texture} />
      </defs>
      <path {...INK} d="M8 52q4-20 24-18l48 2q26 2 30 18-4 18-34 18H34Q10 72 8 52z" />
      <ellipse cx={62} cy={53} rx={24} ry={11} fill={`url(#${id})`} stroke="var(--ink)" strokeWidth={1} />
      {texture === 'sand'
        ? range(18).map((i) => (
            <circle
              key={i}
              cx={44 + ((i * 13) % 38)}
              cy={46 + ((i * 7) % 14)}
              r={1.5}
              fill="var(--soil-mark)"
            />
          ))
        : null}
      {texture === 'silt' ? <path {...INK} strokeWidth={0.8} d="M46 50q16-6 32 0M48 56q14 5 28 0" /> : null}
    </Picture>
  );
};

/** A jar with its three layers to their shares. */
export function Jar({ sandMm, siltMm, clayMm }: { sandMm: number; siltMm: number; clayMm: number }) {
  const id = useId();
  const total = sandMm + siltMm + clayMm;
  const full = 110;
  const share = (v: number): number => (total > 0 && Number.isFinite(v) ? (v / total) * full : 0);
  const heights = [share(sandMm), share(siltMm), share(clayMm)];
  const names = ['sand', 'silt', 'clay'] as const;
  let y = 178;
  return (
    <Picture width={150} height={190}>
      <defs>
        {names.map((name) => (
          <Hatch key={name} id={`${id}-${name}`} texture={name} />
        ))}
      </defs>
      <rect x={20} y={34} width={70} height={146} fill="var(--water)" opacity={0.18} />
      {names.map((name, i) => {
        const h = heights[i] ?? 0;
        y -= h;
        return h > 0 ? (
          <g key={name}>
            <rect
              x={20}
              y={y}
              width={70}
              height={h}
              fill={`url(#${id}-${name})`}
              stroke="var(--ink)"
              strokeWidth={0.8}
            />
            <text x={98} y={y + h / 2 + 4} fontSize={13} fill="var(--ink)">
              {name}
            </text>
          </g>
        ) : null;
      })}
      <path {...INK} d="M28 14h54M28 8h54v12q8 4 8 12v140q0 8-8 8H28q-8 0-8-8V32q0-8 8-12z" />
    </Picture>
  );
}

/** A hole with its water, fallen by a share. */
export function HoleDrawing({ fallen }: { fallen: number }) {
  const id = useId();
  const top = 40 + 80 * Math.min(1, Math.max(0, fallen));
  return (
    <Picture width={170} height={150}>
      <defs>
        <Hatch id={id} texture="loam" />
      </defs>
      <path d="M0 30h50v96h70V30h50v120H0z" fill={`url(#${id})`} />
      <rect x={50} y={top} width={70} height={Math.max(0, 126 - top)} fill="var(--water)" opacity={0.8} />
      <path {...INK} d="M0 30h50v96h70V30h50" />
      <path {...INK} strokeWidth={1} d="M132 40v80M128 40h8M128 120h8" />
      {fallen > 0.01 ? (
        <path {...INK} stroke="var(--water)" d={`M85 ${44}v${Math.max(6, top - 52)}l-5-6m5 6l5-6`} />
      ) : null}
    </Picture>
  );
}

export function BucketDrawing() {
  return (
    <Picture width={170} height={130}>
      <path {...INK} d="M10 26h44q14 0 14 14v8h-12v-6q0-4-4-4H10zM30 26V12h-8M30 12h8" />
      <path d="M62 50v34" stroke="var(--water)" strokeWidth={6} strokeLinecap="round" />
      <path d="M37 84h62l-5 34H42z" fill="var(--water)" opacity={0.75} />
      <path {...INK} d="M32 62h72l-9 60H41z" />
      <circle {...INK} cx={138} cy={92} r={20} />
      <path {...INK} d="M138 92V78M138 92l9 5M138 68v-5M133 63h10" />
    </Picture>
  );
}

export function CanDrawing({ share }: { share: number }) {
  return (
    <Picture width={150} height={120}>
      <rect
        x={46}
        y={104 - 76 * Math.min(1, share)}
        width={54}
        height={76 * Math.min(1, share)}
        fill="var(--water)"
        opacity={0.8}
      />
      <path {...INK} d="M46 22v82h54V22" />
      <path {...INK} strokeWidth={1} d="M112 104V24M108 104h8M108 84h5M108 64h8M108 44h5M108 24h8" />
      <path
        stroke="var(--water)"
        strokeWidth={1.6}
        d="M20 6l-4 12M40 4l-4 12M62 8l-4 10M84 4l-4 12M104 8l-3 9"
      />
    </Picture>
  );
}

/** Where dyed water went in a cut of soil. */
export function PathDrawing({ path }: { path: 'evenly down' | 'sideways' | 'down one channel' }) {
  const id = useId();
  const wet = {
    'evenly down': 'M14 14h92v44q-46 12-92 0z',
    sideways: 'M8 14h104v16q-10 10-30 6-14 8-30 4-24 4-44-8z',
    'down one channel': 'M14 14h92v8q-30 4-36 8l-4 44q-5 4-9 0l-3-44q-16-6-40-8z',
  }[path];
  return (
    <Picture>
      <defs>
        <Hatch id={id} texture="loam" />
      </defs>
      <rect x={6} y={14} width={108} height={68} fill={`url(#${id})`} stroke="var(--ink)" />
      <path d={wet} fill="var(--water)" opacity={0.75} />
      <path {...INK} d="M2 14h116" />
    </Picture>
  );
}

export function ProbeDrawing() {
  const id = useId();
  return (
    <Picture width={170} height={140}>
      <defs>
        <Hatch id={id} texture="loam" />
      </defs>
      <rect x={0} y={36} width={170} height={104} fill={`url(#${id})`} />
      <rect x={0} y={36} width={170} height={56} fill="var(--water)" opacity={0.6} />
      <path {...INK} d="M0 36h170" />
      <path d="M70 4h12v22H70z" fill="var(--ink)" />
      <path {...INK} strokeWidth={3} d="M76 26v66" />
      <path {...INK} strokeWidth={1} d="M98 36v56M94 36h8M94 92h8" />
      <text x={106} y={68} fontSize={12} fill="var(--paper)" fontWeight={700}>
        goes in
      </text>
      <text x={92} y={112} fontSize={12} fill="var(--ink)">
        dry: it stops
      </text>
    </Picture>
  );
}

export function SlopeDrawing({ pct }: { pct: number }) {
  const rise = Math.min(80, Math.max(0, pct) * 0.9);
  return (
    <Picture width={170} height={110}>
      <path
        d={`M10 100h150V${100 - rise - 2}z`}
        fill="var(--soil-loam)"
        stroke="var(--ink)"
        strokeWidth={1.4}
      />
      <path {...INK} strokeWidth={1} strokeDasharray="4 3" d={`M10 ${98 - rise}h150`} />
    </Picture>
  );
}

/** Two horizons with the stones in them, to scale over 1 m. */
export function HorizonDrawing({
  topMm,
  top,
  below,
  rockMm,
  stonesPct,
}: {
  topMm: number;
  top: string;
  below: string;
  rockMm?: number;
  stonesPct?: number;
}) {
  const id = useId();
  const y = (mm: number): number => 10 + Math.min(1000, mm) * 0.16;
  return (
    <Picture width={170} height={180}>
      <defs>
        <Hatch id={`${id}-a`} texture={top} />
        <Hatch id={`${id}-b`} texture={below} />
      </defs>
      <rect x={20} y={10} width={80} height={y(topMm) - 10} fill={`url(#${id}-a)`} />
      <rect x={20} y={y(topMm)} width={80} height={170 - y(topMm)} fill={`url(#${id}-b)`} />
      {range(Math.round((stonesPct ?? 0) / 3)).map((i) => (
        <ellipse
          key={i}
          cx={28 + ((i * 29) % 66)}
          cy={22 + ((i * 47) % 142)}
          rx={4}
          ry={3}
          fill="var(--quiet)"
        />
      ))}
      {rockMm !== undefined && rockMm < 1000 ? (
        <rect x={20} y={y(rockMm)} width={80} height={170 - y(rockMm)} fill="var(--ink)" opacity={0.75} />
      ) : null}
      <rect {...INK} x={20} y={10} width={80} height={160} />
      <path {...INK} strokeWidth={1.2} d={`M14 ${y(topMm)}h92`} />
      <text x={108} y={y(topMm) / 2 + 9} fontSize={12} fill="var(--ink)">
        {top}
      </text>
      <text x={108} y={Math.min(166, y(topMm) + 20)} fontSize={12} fill="var(--ink)">
        {below}
      </text>
    </Picture>
  );
}

/** Cans on their grid, each with the water in it; where it is dry stands the word. */
export function CanMap({ cells }: { cells: { share: number; verdict: 'dry' | 'even' | 'wet' }[][] }) {
  const size = 46;
  const columns = Math.max(...cells.map((row) => row.length));
  return (
    <Picture width={columns * size + 8} height={cells.length * size + 8}>
      <rect {...INK} x={2} y={2} width={columns * size + 4} height={cells.length * size + 4} />
      {cells.map((row, r) =>
        row.map((can, c) => (
          <g
            key={`${r}-${c}`}
            transform={`translate(${4 + (c + 0.5) * size} ${4 + (r + 0.5) * size})`}
            data-verdict={can.verdict}
          >
            <circle {...INK} r={16} strokeWidth={1} fill="var(--sheet)" />
            <circle r={Math.min(18, 13 * Math.sqrt(can.share))} fill="var(--water)" opacity={0.75} />
            {can.verdict === 'even' ? null : (
              <text
                y={4}
                fontSize={11}
                fontWeight={700}
                textAnchor="middle"
                stroke="var(--paper)"
                strokeWidth={3.5}
                paintOrder="stroke"
                fill={can.verdict === 'dry' ? 'var(--brick)' : 'var(--ink)'}
              >
                {can.verdict}
              </text>
            )}
          </g>
        )),
      )}
    </Picture>
  );
}

/** Drip lines on a bed, to scale: planted emitters filled, skipped ones open. A long bed is cut off with its length written. */
export function DripDrawing({
  lengthM,
  widthM,
  linesM,
  spacingM,
  plantEvery,
  wetWidthM,
  lengthText,
}: {
  lengthM: number;
  widthM: number;
  linesM: readonly number[];
  spacingM: number;
  plantEvery: number;
  wetWidthM: number;
  lengthText: string;
}) {
  const width = 460;
  // So many metres fit that an emitter can still be told from the next.
  const shownM = Math.min(lengthM, Math.max(widthM * 2, 3));
  const scale = Math.min((width - 20) / shownM, 150 / widthM);
  const w = shownM * scale;
  const h = widthM * scale;
  const cut = shownM < lengthM - 1e-9;
  const count = Math.floor(shownM / spacingM + 1e-9);
  const joined = spacingM <= wetWidthM;
  return (
    <svg
      role="img"
      aria-label={`${linesM.length} drip lines on the bed, to scale`}
      viewBox={`0 0 ${width} ${h + 34}`}
      className="w-full max-w-xl"
    >
      <rect x={8} y={4} width={w} height={h} fill="var(--soil-loam)" opacity={0.55} />
      <g opacity={0.45} fill="var(--water)">
        {linesM.map((at) =>
          joined ? (
            <rect
              key={at}
              x={8}
              width={w}
              y={4 + Math.max(0, (at - wetWidthM / 2) * scale)}
              height={Math.min(h, (at + wetWidthM / 2) * scale) - Math.max(0, (at - wetWidthM / 2) * scale)}
            />
          ) : (
            range(count).map((i) => (
              <circle
                key={`${at}-${i}`}
                cx={8 + (i + 0.5) * spacingM * scale}
                cy={4 + at * scale}
                r={(wetWidthM / 2) * scale}
              />
            ))
          ),
        )}
      </g>
      {linesM.map((at) => (
        <g key={at} data-line-m={at}>
          <path stroke="var(--ink)" strokeWidth={2} d={`M8 ${4 + at * scale}h${w}`} />
          {range(count).map((i) => (
            <circle
              key={i}
              cx={8 + (i + 0.5) * spacingM * scale}
              cy={4 + at * scale}
              r={3.6}
              fill={i % plantEvery === 0 ? 'var(--leaf)' : 'var(--paper)'}
              stroke="var(--ink)"
            />
          ))}
        </g>
      ))}
      <path
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.6}
        d={cut ? `M${8 + w} 4H8v${h}h${w}` : `M8 4h${w}v${h}H8z`}
      />
      {cut ? (
        <path
          fill="none"
          stroke="var(--ink)"
          d={`M${8 + w} 4l-5 ${h * 0.25} 9 ${h * 0.25} -8 ${h * 0.25} 4 ${h * 0.25}`}
        />
      ) : null}
      <text x={8} y={h + 26} fontSize={14} fill="var(--quiet)">
        {cut ? `the first part of ${lengthText}` : lengthText}
      </text>
    </svg>
  );
}
