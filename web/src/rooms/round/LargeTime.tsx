/** From so many minutes on they are told in hours. */
const IN_HOURS = 120;

/** Minutes written large with their unit small: 31 min, 2 h 50. */
export function LargeTime({ minutes, className }: { minutes: number; className: string }) {
  const whole = Math.round(minutes);
  const unit = 'text-[length:max(0.45em,0.75rem)] font-normal';
  return whole < IN_HOURS ? (
    <span className={`font-bold whitespace-nowrap ${className}`}>
      {whole}
      <span className={unit}>&nbsp;min</span>
    </span>
  ) : (
    <span className={`font-bold whitespace-nowrap ${className}`}>
      {Math.floor(whole / 60)}
      <span className={unit}>&nbsp;h&nbsp;</span>
      {String(whole % 60).padStart(2, '0')}
    </span>
  );
}
