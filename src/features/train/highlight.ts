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

export const isSameHighlight = (a: Highlight | null, b: Highlight | null): boolean =>
  a === b || (a !== null && b !== null && LISTS.every((list) => isSameList(a[list], b[list])));

const LISTS = ['members', 'gears', 'couplers'] as const;

const isSameList = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id, i) => id === b[i]);
