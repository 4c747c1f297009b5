import type { Train } from '@/core/train';

const HUES = 10;

/** A member's colour, the same in every view: its own if it was given one, else the next of the palette. */
export function memberColor(train: Train, id: string): string {
  const at = train.members.findIndex((member) => member.id === id);
  return train.members[at]?.color ?? `var(--member-${Math.max(0, at) % HUES})`;
}
