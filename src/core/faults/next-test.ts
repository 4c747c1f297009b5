import type { Train } from '../train';
import { outcomeKey, type Outcome } from './outcome';
import type { Suspect, Suspected } from './suspects';

/** What to try next, and what each outcome would mean. */
export interface NextTest {
  /** The position whose elements these are; null for an engagement of one's own. */
  readonly position: string | null;
  readonly engaged: readonly string[];
  readonly outcomes: readonly { readonly outcome: Outcome; readonly suspects: readonly Suspect[] }[];
  /** Suspects that are left on average, were all as likely. */
  readonly left: number;
}

/** Engagements that are looked at; of more couplers only those near the positions are. */
const MOST_TESTS = 1024;

/**
 * The engagement whose outcomes split the suspects best: the least expected number left, Σ nᵢ²/n. Positions come before
 * engagements of one's own that split as well, and small ones before large ones. Null where nothing that a hand can do
 * tells them apart.
 */
export function nextTestFor(train: Train, { suspects, sightings }: Suspected): NextTest | null {
  const open = suspects.filter(({ agrees, of }) => agrees === of);
  if (open.length < 2) return null;
  const key = (engaged: readonly string[]) => [...engaged].sort().join('\n');
  const done = new Set(sightings.map(({ engaged }) => key(engaged)));
  let best: NextTest | null = null;
  for (const { position, engaged } of testsOf(train)) {
    if (done.has(key(engaged))) continue;
    const groups = new Map<string, { outcome: Outcome; suspects: Suspect[] }>();
    for (const suspect of open) {
      const outcome = suspect.behaviour(engaged);
      const group = groups.get(outcomeKey(outcome)) ?? { outcome, suspects: [] };
      group.suspects.push(suspect);
      groups.set(outcomeKey(outcome), group);
    }
    if (groups.size < 2) continue;
    const outcomes = [...groups.values()].sort((a, b) => b.suspects.length - a.suspects.length);
    const left = outcomes.reduce((sum, { suspects: own }) => sum + own.length ** 2, 0) / open.length;
    if (best === null || left < best.left - 1e-9) best = { position, engaged, outcomes, left };
  }
  return best;
}

interface Test {
  readonly position: string | null;
  readonly engaged: readonly string[];
}

/** Positions first, then sets of what a hand can engage, the small ones first. */
function testsOf(train: Train): readonly Test[] {
  const positions = train.positions.map(({ id, engaged }): Test => ({ position: id, engaged }));
  const able = train.couplers
    .filter((one) => one.type !== 'one-way' || one.control === 'selectable')
    .map(({ id }) => id);
  const sets: (readonly string[])[] =
    2 ** able.length <= MOST_TESTS
      ? subsets(able)
      : train.positions
          .flatMap(({ engaged }) =>
            able.map((id) => (engaged.includes(id) ? engaged.filter((one) => one !== id) : [...engaged, id])),
          )
          .slice(0, MOST_TESTS);
  const own = [...sets].sort((a, b) => a.length - b.length).map((engaged): Test => ({ position: null, engaged }));
  return [...positions, ...own];
}

const subsets = (of: readonly string[]): (readonly string[])[] =>
  of.reduce<(readonly string[])[]>((made, id) => [...made, ...made.map((one) => [...one, id])], [[]]);
