import { hasPart, type Train } from '@/core/train';

/** What is pointed at, so that drawing, table and sentences light up together. */
export interface Highlight {
  readonly members: readonly string[];
  readonly gears: readonly string[];
  readonly couplers: readonly string[];
}

export const highlightOf = (parts: Partial<Highlight>): Highlight => ({
  members: [],
  gears: [],
  couplers: [],
  ...parts,
});

/** Is any of it there? A part may go while it is pointed at, and then nobody points at anything. */
export const pointsAt = (train: Train, { members, gears, couplers }: Highlight): boolean =>
  members.some((id) => hasPart(train, { kind: 'member', id })) ||
  gears.some((id) => hasPart(train, { kind: 'gear', id })) ||
  couplers.some((id) => hasPart(train, { kind: 'coupler', id }));
