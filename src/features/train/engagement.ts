import type { Train } from '@/core/train';

/**
 * What was chosen to be engaged. It stays as it was chosen when an edit takes a coupler away: undone, the coupler is
 * engaged again.
 */
export interface EngagementChoice {
  readonly engaged: readonly string[];
  /** Which position was meant, where several engage the same. */
  readonly positionId: string | null;
}

/** What is engaged of what was chosen, and the position that makes, or null for a choice of one's own. */
export interface Engagement {
  readonly engaged: readonly string[];
  readonly positionId: string | null;
}

const found = new WeakMap<EngagementChoice, { readonly train: Train; readonly engagement: Engagement }>();

/** The choice in a train: derived, so that no coupler and no position is named that is not there. */
export function engagementIn({
  train,
  choice,
}: {
  readonly train: Train;
  readonly choice: EngagementChoice;
}): Engagement {
  const known = found.get(choice);
  if (known?.train === train) return known.engagement;
  const present = choice.engaged.filter((id) => train.couplers.some((coupler) => coupler.id === id));
  const engaged = present.length === choice.engaged.length ? choice.engaged : present;
  const same = (other: readonly string[]) =>
    other.length === engaged.length && other.every((id) => engaged.includes(id));
  const equal = train.positions.filter((position) => same(position.engaged));
  const positionId = (equal.find(({ id }) => id === choice.positionId) ?? equal[0])?.id ?? null;
  const before = known?.engagement;
  const engagement =
    before &&
    before.positionId === positionId &&
    before.engaged.length === engaged.length &&
    before.engaged.every((id, i) => id === engaged[i])
      ? before
      : { engaged, positionId };
  found.set(choice, { train, engagement });
  return engagement;
}
