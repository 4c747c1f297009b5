import { addDays, differenceInCalendarDays, parseISO, startOfDay } from 'date-fns';
import { SKILLS, type Skill } from '@/core/practice';
import type { PracticeAnswer } from '@/wire';
import { itemAt } from '@/core/required';

/** Days until a skill comes back, box by box (Leitner): right moves it up a box, wrong back to the first. */
export const BOX_DAYS = [1, 3, 7, 14] as const;

/** How someone stands with one skill. */
export interface Standing {
  readonly skill: Skill;
  readonly asked: number;
  readonly right: number;
  /** 0 before it was ever asked, then 1 to 4. */
  readonly box: number;
  /** How sure: the box, or none as long as the last answer was wrong. */
  readonly sure: number;
  /** The beginning of the day on which it comes back; null before it was ever asked. */
  readonly due: Date | null;
  /** Slips that were made, the most frequent first. */
  readonly slips: readonly { readonly slip: string; readonly times: number }[];
}

/** How someone stands with every skill, out of all answers in their order. Days are the calendar's, where they are. */
export function standingsOf(answers: readonly PracticeAnswer[]): readonly Standing[] {
  return (Object.keys(SKILLS) as Skill[]).map((skill) => {
    const own = answers.filter((answer) => answer.skill === skill);
    let [box, due]: [number, Date | null] = [0, null];
    for (const { at, right } of own) {
      const when = startOfDay(parseISO(at));
      // More of it on a day on which it is not due proves no more; what is wrong counts on any day.
      if (right && due !== null && when < due) continue;
      box = right ? Math.min(box + 1, BOX_DAYS.length) : 1;
      due = addDays(when, itemAt(BOX_DAYS, box - 1));
    }
    const times = new Map<string, number>();
    for (const { slip } of own) if (slip !== null) times.set(slip, (times.get(slip) ?? 0) + 1);
    const slips = [...times].map(([slip, count]) => ({ slip, times: count })).sort((a, b) => b.times - a.times);
    return {
      skill,
      asked: own.length,
      right: own.filter((one) => one.right).length,
      box,
      sure: own.at(-1)?.right ? box : 0,
      due,
      slips,
    };
  });
}

export const isDue = ({ due }: Standing, now: Date): boolean => due !== null && due <= now;

/** When a skill comes back, in words. */
export function dueWords({ due }: Standing, now: Date): string {
  if (due === null) return 'not asked yet';
  const days = differenceInCalendarDays(due, now);
  if (days < 0) return `due since ${-days} ${days === -1 ? 'day' : 'days'}`;
  return days === 0 ? 'due today' : days === 1 ? 'due tomorrow' : `due in ${days} days`;
}

/**
 * Skills as a drill should take them: what is due first, the longest due before the others, then what was never asked,
 * then what comes back soonest.
 */
export function drillOrder(answers: readonly PracticeAnswer[], skills: readonly Skill[], now: Date): readonly Skill[] {
  const rank = (one: Standing) => (isDue(one, now) ? 0 : one.due === null ? 1 : 2);
  return [...standingsOf(answers)]
    .filter(({ skill }) => skills.includes(skill))
    .sort((a, b) => rank(a) - rank(b) || (a.due?.getTime() ?? 0) - (b.due?.getTime() ?? 0))
    .map(({ skill }) => skill);
}
