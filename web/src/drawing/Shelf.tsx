import type { PotView } from '@kibble/contract';
import { clsx } from 'clsx';
import { Link, useParams } from 'react-router';
import { potState } from '../words/potWords.ts';
import { useUnits } from '../words/units.ts';
import { shootPxOf, VesselGlyph } from './VesselGlyph.tsx';

/** Height of the tallest pot, and of what grows on top, px. */
const POT_PX = 92;
/** Plants on a shelf are drawn smaller than on a pot’s own page, share. */
const SHOOT_SHARE = 0.6;
const LEAST_SLOT = 96;
const TALLEST_M = 0.3;
/** What the scale’s bar is long. */
const BAR_M = { metric: 0.2, us: 0.2032 };

const asksRescue = ({ tasks }: PotView): boolean => tasks.some(({ code }) => code === 'rescue');

/** Pots on a board, all on one scale, each with the water it can still give. */
export function Shelf({ pots, today, label }: { pots: readonly PotView[]; today: string; label: string }) {
  const units = useUnits();
  const { gardenId } = useParams();
  const bar = BAR_M[units.system];
  const pxPerM = POT_PX / Math.max(TALLEST_M, ...pots.map(({ shape }) => shape.heightM));
  const height =
    Math.ceil(Math.max(...pots.map((pot) => pot.shape.heightM * pxPerM + shootPxOf(pot, SHOOT_SHARE)))) + 12;
  return (
    <div>
      <ul aria-label={label} className="flex flex-wrap gap-y-3" data-testid="shelf">
        {pots.map((pot) => {
          const width = Math.max(LEAST_SLOT, Math.ceil(pot.shape.topM * pxPerM) + 14);
          const state = potState(pot, today, units);
          const asks = pot.give !== null;
          return (
            <li key={pot.id} style={{ width }} className="shrink-0">
              <Link to={`/garden/${gardenId}/pots/${pot.id}`} className="block h-full hover:bg-sheet">
                <svg aria-hidden width={width} height={height} className="block border-b-2 border-ink">
                  <VesselGlyph pot={pot} x={width / 2} y={height - 6} pxPerM={pxPerM} share={SHOOT_SHARE} />
                </svg>
                <span className="block px-1 pt-1 leading-tight">
                  <span className="block font-serif text-[0.95rem] font-semibold">{pot.name}</span>
                  <span
                    className={clsx(
                      'block text-sm',
                      asks ? 'font-bold' : 'text-quiet',
                      asksRescue(pot) && 'font-bold text-brick',
                    )}
                  >
                    {asksRescue(pot) && !asks ? 'shrunk: rescue' : state}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
      <p aria-hidden className="mt-1 flex items-center text-xs text-quiet">
        <svg width={bar * pxPerM + 2} height={10} className="mr-1.5">
          <path d={`M1 1v8M1 5h${bar * pxPerM}M${bar * pxPerM + 1} 1v8`} stroke="var(--quiet)" fill="none" />
        </svg>
        {units.text('span', bar)}
      </p>
    </div>
  );
}

/** The marks of the drawing. */
export function ShelfKey() {
  return (
    <p className="mt-2 flex flex-wrap gap-x-5 text-sm text-quiet">
      <span>
        <svg aria-hidden width={12} height={12} className="inline-block align-[-1px]">
          <rect width={12} height={12} fill="var(--water)" opacity={0.72} />
        </svg>{' '}
        water it can still give
      </span>
      <span>
        <svg aria-hidden width={16} height={12} className="inline-block align-[-1px]">
          <path d="M0 6h16" stroke="var(--ink)" strokeWidth={1.6} />
        </svg>{' '}
        watering line: due when the blue falls under it
      </span>
      <span>All pots of a shelf stand on one scale; brown walls are unglazed clay, broken ones fabric.</span>
    </p>
  );
}
