import type { RibbonDay } from '@kibble/contract';
import { scaleLinear } from 'd3';
import { useUnits } from '../app/units.ts';
import { shortDay } from '../app/words.ts';

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
}: {
  days: RibbonDay[];
  today: string;
  onOpen: (date: string) => void;
}) {
  const units = useUnits();
  const y = scaleLinear([0, TOP_MM], [0, BAR_HEIGHT]).clamp(true);
  const todayIndex = days.findIndex((d) => d.date === today);
  return (
    <section
      aria-label="Weather, past week to a fortnight ahead"
      className="overflow-hidden border-b border-rule px-4 md:px-8"
    >
      <ol className="flex">
        {days.map((day, i) => {
          const isToday = day.date === today;
          const guess = day.source !== 'record' && !isToday;
          const madeUp = day.source === 'own record' || day.source === 'ordinary day';
          const far = i < todayIndex - 1 || i > todayIndex + PHONE_DAYS - 2;
          return (
            <li
              key={day.date}
              className={`min-w-0 flex-1 pt-1 text-center ${isToday ? 'border-2 border-b-0 border-ink bg-sheet' : 'border-2 border-b-0 border-transparent'} ${far ? 'hidden md:block' : ''} ${madeUp ? 'opacity-60' : ''}`}
              title={`${shortDay(day.date)}: ${units.text('temperature', day.tMinC)} to ${units.text('temperature', day.tMaxC)}, use ${units.text('depth', day.et0Mm)}, rain ${units.text('depth', day.rainMm)}${guess ? ` (${Math.round(day.rainChance * 100)} %)` : ''}${madeUp ? '; nobody measured or forecast this day, it is a usual one for the season' : ''}`}
            >
              <button
                type="button"
                className="opens block w-full text-center"
                aria-haspopup="dialog"
                aria-label={`${shortDay(day.date)}: highest ${units.text('temperature', day.tMaxC)}, use ${units.text('depth', day.et0Mm)}, rain ${units.text('depth', day.rainMm)}`}
                onClick={() => onOpen(day.date)}
              >
                <div className={`text-xs ${isToday ? 'font-bold' : 'text-quiet'}`}>
                  {isToday ? 'Today' : shortDay(day.date)}
                </div>
                <div className={`text-sm ${day.tMaxC >= HOT_C ? 'font-bold text-brick' : ''}`}>
                  {units.number('temperature', day.tMaxC)}°
                </div>
                <svg
                  aria-hidden
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
                        {units.number('depth', day.rainMm)}
                        {guess ? '?' : ''}
                      </text>
                    </>
                  ) : null}
                </svg>
              </button>
            </li>
          );
        })}
      </ol>
      <p className="hidden pb-1 text-xs text-quiet md:block">
        Highest {units.of('temperature').unit}. Brown: what sun and wind take, {units.of('depth').unit} a day.
        Blue: rain, {units.of('depth').unit}; paler with a question mark while it is only forecast. Faded days
        are usual ones for the season.
      </p>
    </section>
  );
}
