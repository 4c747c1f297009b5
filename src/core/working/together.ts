import { add, div, isZero, mul, neg, ONE, sub, ZERO, type Rational } from '../rational';
import type { Elimination, Equation, FoundStep, WorkingStep } from './steps';
import { itemAt, lookUp } from '../required';

/** Σ factor · ω_member + constant. */
interface Sum {
  readonly terms: ReadonlyMap<string, Rational>;
  readonly constant: Rational;
}

/**
 * Several equations at once, as on paper: each in turn, with all found so far put in, gives one member in terms of the
 * rest; the last gives a speed, and going back up each line gives one more. Equations and lines that lead to no speed
 * are left out.
 * @param isDetermined has this member a speed, or is it left open by what is engaged?
 */
export function solveTogether(
  equations: readonly Equation[],
  known: ReadonlyMap<string, Rational>,
  isDetermined: (member: string) => boolean = () => true,
): Extract<WorkingStep, { kind: 'simultaneous' }> {
  const made = new Map<string, { readonly from: number; readonly sum: Sum }>();
  equations.forEach((equation, from) => {
    const left = [...made].reduce((sum, [member, { sum: its }]) => insert(sum, member, its), zeroForm(equation, known));
    // What stays open is put in terms of the rest first, so that what has a speed never hangs on it.
    const members = [...left.terms.keys()];
    const member = members.find((one) => !isDetermined(one)) ?? members[0];
    if (member === undefined) return;
    made.set(member, { from, sum: solvedFor(left, member) });
  });
  const solution = new Map<string, FoundStep>();
  for (const [member, { from, sum }] of [...made].reverse()) {
    if ([...sum.terms.keys()].some((other) => !solution.has(other))) continue;
    const by: Elimination = {
      member,
      from,
      terms: [...sum.terms].map(([other, factor]) => ({ member: other, factor })),
      constant: sum.constant,
    };
    const speed = by.terms.reduce(
      (total, { member: other, factor }) => add(total, mul(factor, lookUp(solution, other).speed)),
      by.constant,
    );
    solution.set(member, { member, speed, by });
  }
  const used = [...solution.values()].map(({ by }) => by).reverse();
  const kept = [...new Set(used.map(({ from }) => from))].sort((a, b) => a - b);
  const renumbered = (by: Elimination): Elimination => ({ ...by, from: kept.indexOf(by.from) });
  return {
    kind: 'simultaneous',
    equations: kept.map((from) => itemAt(equations, from)),
    eliminations: used.map(renumbered),
    solution: [...solution.values()].map((found) => ({ ...found, by: renumbered(found.by) })),
  };
}

/** An equation as a sum that is zero, known speeds put in. */
function zeroForm(equation: Equation, known: ReadonlyMap<string, Rational>): Sum {
  const parts: readonly (readonly [string, Rational])[] =
    equation.kind === 'join'
      ? [
          [equation.a, ONE],
          [equation.b, neg(ONE)],
        ]
      : [
          [equation.x, ONE],
          [equation.y, neg(equation.factor)],
          [equation.arm, sub(equation.factor, ONE)],
        ];
  return parts.reduce<Sum>(
    (sum, [member, factor]) => {
      const speed = known.get(member);
      return speed ? { ...sum, constant: add(sum.constant, mul(factor, speed)) } : plus(sum, member, factor);
    },
    { terms: new Map(), constant: ZERO },
  );
}

function plus({ terms, constant }: Sum, member: string, factor: Rational): Sum {
  const next = new Map(terms);
  const total = add(next.get(member) ?? ZERO, factor);
  if (isZero(total)) next.delete(member);
  else next.set(member, total);
  return { terms: next, constant };
}

/** A sum with a member replaced by what it equals. */
function insert(sum: Sum, member: string, its: Sum): Sum {
  const factor = sum.terms.get(member);
  if (!factor) return sum;
  const without: Sum = {
    terms: new Map([...sum.terms].filter(([other]) => other !== member)),
    constant: add(sum.constant, mul(factor, its.constant)),
  };
  return [...its.terms].reduce((total, [other, times]) => plus(total, other, mul(factor, times)), without);
}

/** What a member equals when the sum is zero. */
function solvedFor({ terms, constant }: Sum, member: string): Sum {
  const scale = neg(lookUp(terms, member));
  return {
    terms: new Map(
      [...terms].filter(([other]) => other !== member).map(([other, factor]) => [other, div(factor, scale)]),
    ),
    constant: div(constant, scale),
  };
}
