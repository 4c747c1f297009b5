import { choose } from './choose';
import { CENTRAL, type SchemeQuestion } from './question';

/** Which members are shafts of their own, without a gear. */
export type Bare = 'none' | 'one' | 'both';

/** What kind of schemes is walked through: how many blocks, whether one is fixed, and how many shafts stand bare. */
export interface Layout {
  readonly engaged: number;
  readonly blocks: number;
  readonly fixed: boolean;
  readonly bare: Bare;
}

const BARE_COUNT: Record<Bare, number> = { none: 0, one: 1, both: 2 };
/** More members than this are not walked through: their elements do not fit into two words. */
export const MOST_MEMBERS = 10;

/**
 * With M members and n sets the open train has M − n freedoms, so e = M − n − 1 elements are engaged in a position; M =
 * blocks − the fixed one + bare shafts.
 */
export function layoutsFor(question: SchemeQuestion): readonly Layout[] {
  const n = question.sets.length;
  return engagedCounts(question).flatMap((engaged) =>
    (['none', 'one', 'both'] as const)
      .filter((bare) => mayBeBare(question, bare))
      .flatMap((bare) =>
        [false, true].flatMap((fixed): Layout[] => {
          const blocks = n + 1 + engaged + (fixed ? 1 : 0) - BARE_COUNT[bare];
          // Three members of one set are never joined with each other.
          return blocks >= 3 && blocks <= 3 * n ? [{ engaged, blocks, fixed, bare }] : [];
        }),
      ),
  );
}

export const membersOf = (sets: number, { engaged }: Layout): number => sets + 1 + engaged;

/** How many elements may be engaged at once: so many that enough positions can be made of those allowed. */
export function engagedCounts({ sets, engaged, atMost, forward, reverse }: SchemeQuestion): readonly number[] {
  const positions = forward.length + (reverse === 'none' ? 0 : 1);
  const most = Math.min(2 * sets.length + 1, MOST_MEMBERS - sets.length - 1);
  const all = Array.from({ length: most + 1 }, (_, e) => e);
  return all.filter((e) => (engaged === null || e === engaged) && choose(atMost, e) >= positions);
}

function mayBeBare({ input, output }: SchemeQuestion, bare: Bare): boolean {
  const asked = [input, output].filter((one) => one === 'shaft').length;
  const fixed = [input, output].filter((one) => one !== null && one !== 'shaft').length;
  return BARE_COUNT[bare] >= asked && BARE_COUNT[bare] <= 2 - fixed;
}

/** Is a member what the input or output has to be? @param joined its central members */
export function isAsked(asked: string | null, joined: readonly number[], ids: readonly string[]): boolean {
  if (asked === null) return true;
  if (asked === 'shaft') return joined.length === 0;
  return joined.some((central) => {
    const role = CENTRAL[central % 3];
    return asked === role || asked === `${ids[Math.floor(central / 3)]}.${role}`;
  });
}
