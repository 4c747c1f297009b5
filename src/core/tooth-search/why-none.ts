import { compare, div, fraction, mul, ONE, toNumber, type Rational } from '../rational';
import { figure } from '../units';
import { searchManyStages } from './many-stages';
import type { ChainQuestion } from './chains';
import { capitalised } from '../capitalised';

type Asked = Omit<ChainQuestion, 'stages'>;

/** What the wheels reach: the smallest and the largest ratio of so many stages, whatever else is asked. */
export function reachOf(stages: readonly number[], { wheels, perStage }: Pick<Asked, 'wheels' | 'perStage'>) {
  const most = Math.max(...stages);
  const largest = Array.from({ length: most }, (_, i) => {
    const own = perStage?.[i] ?? wheels;
    return fraction(Math.max(...own), Math.min(...own));
  }).reduce<Rational>((product, one) => mul(product, one), ONE);
  return { from: div(ONE, largest), to: largest };
}

/** Says so where the target lies beyond what the wheels reach, with what would reach it; null where it does not. */
export function whyOutOfReach(stages: readonly number[], asked: Asked): string | null {
  const { from, to } = reachOf(stages, asked);
  const { target, wheels } = asked;
  if (compare(target, from) >= 0 && compare(target, to) <= 0) return null;
  const most = Math.max(...stages);
  const size = Math.max(toNumber(target), 1 / toNumber(target));
  const [least, largest] = [Math.min(...wheels), Math.max(...wheels)];
  const wheel = Math.ceil(least * size ** (1 / most) - 1e-9);
  const enough = Math.ceil(Math.log(size) / Math.log(largest / least) - 1e-9);
  const more = Number.isFinite(enough) ? `take ${enough} stages, or ` : '';
  return (
    `${most === 1 ? 'One stage' : `${most} stages`} of these wheels ${most === 1 ? 'reaches' : 'reach'} ` +
    `from ${figure(toNumber(from))} to ${figure(toNumber(to))}, and ${figure(toNumber(target))} lies ` +
    `beyond: ${more}a wheel of ${wheel} on a pinion of ${least}.`
  );
}

/** A condition that can be given up. */
interface Condition {
  readonly name: string;
  readonly given: (asked: Asked) => boolean;
  readonly without: (asked: Asked) => Asked;
}

const CONDITIONS: readonly Condition[] = [
  {
    name: 'the same pair in every stage',
    given: ({ same }) => same,
    without: (asked) => ({ ...asked, same: false }),
  },
  {
    name: 'all stages between the same two shafts',
    given: ({ equalCentres }) => equalCentres,
    without: (asked) => ({ ...asked, equalCentres: false }),
  },
  {
    name: 'no common factor in any pair',
    given: ({ coprime }) => coprime === 'required',
    without: (asked) => ({ ...asked, coprime: 'any' }),
  },
  {
    name: 'the largest error',
    given: ({ maxError }) => maxError !== null,
    without: (asked) => ({ ...asked, maxError: null }),
  },
];

/**
 * Which conditions leave nothing: one by itself, else two that exclude each other, else all together; in a sentence
 * that says what to do.
 */
export function conflictOf(stages: readonly number[], asked: Asked): string {
  const given = CONDITIONS.filter((one) => one.given(asked));
  const only = (kept: readonly Condition[]) =>
    given.filter((one) => !kept.includes(one)).reduce((without, one) => one.without(without), asked);
  const nothing = (kept: readonly Condition[]) =>
    searchManyStages(stages, { ...only(kept), limit: 1 }).results.length === 0;
  const alone = given.find((one) => nothing([one]));
  if (alone)
    return (
      'These wheels allow no chain with ' +
      `${alone.name}${alone.name === 'the largest error' ? ` of ${asked.maxError}` : ''}: give ` +
      'that up, or widen the limits.'
    );
  for (const [i, a] of given.entries())
    for (const b of given.slice(i + 1))
      if (nothing([a, b]))
        return (
          `“${capitalised(a.name)}” and “${b.name}” exclude each other with these ` +
          'wheels: give up one of them, or widen the limits.'
        );
  return (
    `Nothing meets ${given.map(({ name }) => name).join(', ')} together: ` + 'give up one of them, or widen the limits.'
  );
}
