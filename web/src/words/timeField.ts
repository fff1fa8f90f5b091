/** Minutes after midnight of what a time field holds, or undefined when it is empty. */
export function minuteOf(text: string): number | undefined {
  const [, h, m] = /^(\d{2}):(\d{2})/.exec(text) ?? [];
  return h === undefined ? undefined : Number(h) * 60 + Number(m);
}
