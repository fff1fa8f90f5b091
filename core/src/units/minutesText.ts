/**
 * Minutes as a person says them: 44 min, 2 h 05. From two hours on they are said in hours.
 * @param minutes 0 and more; under half a minute is one
 */
export function minutesText(minutes: number): string {
  const whole = Math.max(1, Math.round(minutes));
  if (whole < 120) return `${whole} min`;
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}
