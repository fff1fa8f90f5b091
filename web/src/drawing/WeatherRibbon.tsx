import type { RibbonDay } from '@kibble/contract';
import { useEffect, useRef } from 'react';
import { scrub } from '../state/scrub.ts';
import { useUnits } from '../words/units.ts';
import { shortDay } from '../words/words.ts';

/** Hot enough to be written in brick, °C: the heat-wave threshold. */
const HOT_C = 32;
const BAR_HEIGHT = 30;
/** Bars stop here, mm: more rain than this is read off its number. */
const TOP_MM = 12;
/** Columns further ahead than this are left off a phone. */
const PHONE_DAYS = 7;

/** The weather every room shares: a week behind, a fortnight ahead, today framed. */
export function WeatherRibbon({
  days,
  today,
  onOpen,
  scrubbing,
  folded = false,
}: {
  days: RibbonDay[];
  today: string;
  onOpen: (date: string) => void;
  /** Drawing along the days moves the section through time. */
  scrubbing: boolean;
  /** One line, where the weather is not the subject. */
  folded?: boolean;
}) {
  const units = useUnits();
  const y = (mm: number): number => (BAR_HEIGHT * Math.min(TOP_MM, Math.max(0, mm))) / TOP_MM;
  const list = useRef<HTMLOListElement>(null);
  const draw = (clientX: number): void => {
    const box = list.current?.getBoundingClientRect();
    if (!box) return;
    // The middle of a column is that day's evening.
    const t = ((clientX - box.left) / box.width) * days.length - 0.5;
    scrub.set(Math.min(days.length - 1, Math.max(0, t)));
  };
  const todayIndex = days.findIndex((d) => d.date === today);
  return (
    <section
      aria-label="Weather, past week to a fortnight ahead"
      className="overflow-hidden border-b border-rule px-4 md:px-8"
    >
      <ol
        className={`relative flex ${scrubbing ? 'cursor-ew-resize touch-pan-y select-none' : ''}`}
        ref={list}
        onPointerDown={(e) => {
          if (!scrubbing) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          draw(e.clientX);
        }}
        onPointerMove={(e) => {
          if (scrubbing && e.buttons > 0) draw(e.clientX);
        }}
        onPointerUp={() => {
          const at = scrub.get();
          if (scrubbing && at !== null) scrub.set(Math.round(at));
        }}
      >
        {scrubbing ? <ScrubMark count={days.length} /> : null}
        {days.map((day, i) => {
          const isToday = day.date === today;
          const guess = day.source !== 'record' && !isToday;
          const madeUp = day.source === 'own record' || day.source === 'ordinary day';
          const told = guess && day.rainChance < 1;
          const rain = `${madeUp ? '≈' : ''}${units.number('depth', day.rainMm)}${told ? '?' : ''}`;
          const far = i < todayIndex - 1 || i > todayIndex + PHONE_DAYS - 2;
          return (
            <li
              key={day.date}
              className={`min-w-0 flex-1 pt-1 text-center ${isToday ? 'border-2 border-b-0 border-ink bg-sheet' : 'border-2 border-b-0 border-transparent'} ${far ? 'hidden md:block' : ''}`}
            >
              <button
                type="button"
                className="opens block w-full text-center"
                aria-haspopup="dialog"
                onClick={() => {
                  if (!scrubbing) onOpen(day.date);
                }}
              >
                <div className={`text-xs ${isToday ? 'font-bold' : 'text-quiet'}`}>
                  {isToday ? 'Today' : shortDay(day.date)}
                </div>
                <div className={`text-sm ${day.tMaxC >= HOT_C ? 'font-bold text-brick' : ''}`}>
                  {madeUp ? '≈' : ''}
                  {units.number('temperature', day.tMaxC)}°
                </div>
                <span className="sr-only">
                  highest, lowest {units.text('temperature', day.tMinC)}; sun and wind take{' '}
                  {units.text('depth', day.et0Mm)}, rain {units.text('depth', day.rainMm)}
                  {told ? `, a chance of ${Math.round(day.rainChance * 100)} %` : ''}
                  {madeUp ? '; a usual day: nobody measured or forecast it' : ''}
                  {day.source === 'said' ? '; as you said' : ''}
                </span>
                {folded ? (
                  <span aria-hidden className="block h-4 text-xs leading-none text-water">
                    {day.rainMm > 0.05 ? rain : ''}
                  </span>
                ) : null}
                {told && day.rainMm > 0.05 ? (
                  <span aria-hidden className="block text-xs leading-tight text-quiet">
                    {Math.round(day.rainChance * 100)} %
                  </span>
                ) : null}
                <svg
                  aria-hidden
                  className={folded ? 'hidden' : ''}
                  width="100%"
                  height={BAR_HEIGHT + 14}
                  viewBox={`0 0 40 ${BAR_HEIGHT + 14}`}
                  preserveAspectRatio="xMidYMax meet"
                >
                  <rect
                    x={10}
                    width={8}
                    y={BAR_HEIGHT + 14 - y(day.et0Mm)}
                    height={y(day.et0Mm)}
                    fill="var(--soil-mark)"
                    opacity={0.55}
                  />
                  {day.rainMm > 0.05 ? (
                    <>
                      <rect
                        x={20}
                        width={8}
                        y={BAR_HEIGHT + 14 - y(day.rainMm)}
                        height={y(day.rainMm)}
                        fill={guess ? 'var(--rain)' : 'var(--water)'}
                      />
                      <text
                        x={24}
                        y={BAR_HEIGHT + 11 - y(day.rainMm)}
                        textAnchor="middle"
                        fontSize={10}
                        fill="var(--water)"
                      >
                        {rain}
                      </text>
                    </>
                  ) : null}
                </svg>
              </button>
            </li>
          );
        })}
      </ol>
      <p className={`hidden pb-1 text-xs text-quiet ${folded ? '' : 'md:block'}`}>
        Highest {units.of('temperature').unit}. Brown: what sun and wind take, {units.of('depth').unit} a day.
        Blue: rain, {units.of('depth').unit}; paler with a question mark while it is only forecast. ≈ a usual
        day for the season: nobody measured or forecast it.
      </p>
    </section>
  );
}

/** The moment the section stands at, moved without drawing the ribbon anew. */
function ScrubMark({ count }: { count: number }) {
  const mark = useRef<HTMLLIElement>(null);
  useEffect(() => {
    const move = (): void => {
      const at = scrub.get();
      if (!mark.current) return;
      mark.current.style.display = at === null ? 'none' : 'block';
      mark.current.style.left = `${(((at ?? 0) + 0.5) / count) * 100}%`;
    };
    move();
    return scrub.subscribe(move);
  }, [count]);
  return (
    <li
      ref={mark}
      aria-hidden
      className="pointer-events-none absolute inset-y-0 z-10 w-0.5 bg-ink"
      style={{ display: 'none' }}
    />
  );
}
