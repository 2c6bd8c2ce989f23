const units = [
  ['year', 31_557_600],
  ['month', 2_629_800],
  ['day', 86_400],
  ['hour', 3600],
  ['minute', 60],
] as const;
const words = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** How long ago an ISO time was, in its largest whole unit: “3 days ago”, “now”. */
export function ageOf(time: string, now = Date.now()): string {
  const seconds = Math.max(0, (now - Date.parse(time)) / 1000);
  for (const [unit, size] of units) if (seconds >= size) return words.format(-Math.floor(seconds / size), unit);
  return words.format(0, 'second');
}
