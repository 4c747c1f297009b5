import { neighbouringShifts, type Shift, type Verdict } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { couplerName, listed } from '@/core/words';
import { DOCUMENTS, Recent } from '@/features/train/recent';
import { STATUS_WORDS } from '@/features/train/words';

const found = new Recent<Train, ReadonlyMap<string, Shift>>(DOCUMENTS);

/** The shift from each row to the next one that it can be followed by, by the row it starts from; none where too much would move at once. */
export function shiftsFor(train: Train): ReadonlyMap<string, Shift> {
  const known = found.get(train);
  if (known) return known;
  const fresh = new Map(shiftsOrNone(train).map((shift) => [shift.from.id, shift]));
  found.set(train, fresh);
  return fresh;
}

function shiftsOrNone(train: Train): readonly Shift[] {
  try {
    return neighbouringShifts(train);
  } catch (error) {
    if (error instanceof RangeError) return [];
    throw error;
  }
}

export const VERDICT_WORDS: Record<Verdict, string> = {
  blocked: 'blocked',
  'by-itself': 'by itself',
  single: 'one for one',
  double: 'several at once',
};

const VERDICT_SAYS: Record<Verdict, string> = {
  blocked: 'Whichever moves first, the train locks on the way.',
  'by-itself': 'One element moves, and a one-way clutch takes over or lets go by itself.',
  single: 'One goes off and one comes on.',
  double: 'Several have to move together: hard to time.',
};

/** What a shift is, in sentences: what goes off and on, the verdict, and what the train does in between. */
export function shiftSays(train: Train, { to, off, on, between, verdict }: Shift): string {
  const names = (ids: readonly string[]) => listed(ids.map((id) => couplerName(train, id)));
  const moves = [off.length > 0 && `${names(off)} off`, on.length > 0 && `${names(on)} on`].filter(Boolean).join(', ');
  const sets = between.map(
    ({ engaged, solved: { status } }) => `${names(engaged) || 'nothing'}: ${STATUS_WORDS[status]}`,
  );
  return [
    `To ${to.name}: ${moves || 'nothing moves'}.`,
    VERDICT_SAYS[verdict],
    ...(sets.length > 0
      ? [`In between, ${sets.slice(0, 6).join('; ')}${sets.length > 6 ? ` and ${sets.length - 6} more` : ''}.`]
      : []),
  ].join(' ');
}
