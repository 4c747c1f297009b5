import { lockedEnds, type Shift, type ShiftVerdict } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { couplerName, listed } from '@/core/words';
import { STATUS_WORDS } from '@/features/train/words';

const VERDICT_WORDS: Record<ShiftVerdict, string> = {
  blocked: 'blocked',
  'by-itself': 'by itself',
  single: 'one swap',
  double: 'several at once',
};

/** The verdict in a word or two: "by itself", "one swap", "one moves". */
export function verdictWords({ verdict, off, on }: Pick<Shift, 'verdict' | 'off' | 'on'>): string {
  const moving = off.length + on.length;
  if (verdict !== 'single' || moving === 2) return VERDICT_WORDS[verdict];
  return moving === 1 ? 'one moves' : 'nothing moves';
}

const VERDICT_SAYS: Record<ShiftVerdict, string> = {
  blocked: 'Whichever moves first, the train locks on the way.',
  'by-itself': 'One coupler changes; a one-way clutch takes over or overruns.',
  single: 'At most one goes off and one comes on.',
  double: 'Several have to move together: hard to time.',
};

/** The verdict in a sentence: where an end locks, which. */
export function verdictSays(shift: Shift): string {
  const locked = lockedEnds(shift).map(({ id, name }) => name || id);
  if (locked.length === 0) return VERDICT_SAYS[shift.verdict];
  return `${listed(locked)} ${locked.length > 1 ? 'lock' : 'locks'} the train, so there is nothing to shift.`;
}

/** What a shift is, in sentences: what goes off and on, the verdict, and what the train does in between. */
export function shiftSays(train: Train, shift: Shift): string {
  const { to, off, on, between } = shift;
  const names = (ids: readonly string[]) => listed(ids.map((id) => couplerName(train, id)));
  const sets = between.map(
    ({ engaged, solved: { status } }) => `${names(engaged) || 'nothing'}: ${STATUS_WORDS[status]}`,
  );
  return [
    `To ${to.name}: ${movesSay(train, { off, on })}.`,
    verdictSays(shift),
    ...(sets.length > 0
      ? [`In between, ${sets.slice(0, 6).join('; ')}${sets.length > 6 ? ` and ${sets.length - 6} more` : ''}.`]
      : []),
  ].join(' ');
}

/** "A off, C on"; "nothing moves". */
export function movesSay(train: Train, { off, on }: Pick<Shift, 'off' | 'on'>): string {
  const names = (ids: readonly string[]) => listed(ids.map((id) => couplerName(train, id)));
  const moves = [off.length > 0 && `${names(off)} off`, on.length > 0 && `${names(on)} on`].filter(Boolean);
  return moves.join(', ') || 'nothing moves';
}
