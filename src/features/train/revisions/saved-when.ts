const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** When a state was saved, as people say it: near by the distance, far by the date. */
export function savedWhen(savedAt: string, now: Date): string {
  const then = new Date(savedAt);
  if (Number.isNaN(then.getTime())) return 'at a time that does not read';
  const ago = now.getTime() - then.getTime();
  if (ago < MINUTE) return 'less than a minute ago';
  if (ago < 60 * MINUTE) return `${Math.floor(ago / MINUTE)} min ago`;
  const time = then.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  if (ago < DAY && then.getDate() === now.getDate()) return `today, ${time}`;
  return `${then.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })}, ${time}`;
}
