import { dayAndTimeText, timeText } from '@/ui/when';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** When a revision was saved, as people say it: near by the distance, far by the date. */
export function savedWhen(savedAt: string, now: Date): string {
  const then = new Date(savedAt);
  if (Number.isNaN(then.getTime())) return 'at a time that does not read';
  const ago = now.getTime() - then.getTime();
  if (ago < MINUTE) return 'less than a minute ago';
  if (ago < 60 * MINUTE) return `${Math.floor(ago / MINUTE)} min ago`;
  if (ago < DAY && then.getDate() === now.getDate()) return `today, ${timeText(then)}`;
  return dayAndTimeText(savedAt);
}
