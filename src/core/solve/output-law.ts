import { memberForm } from '../kinematics';
import { abs, compare, div, isZero, neg, sign, solveDense, ZERO, type Rational, entryAt } from '../rational';
import type { Solved } from './position';
import { itemAt, required } from '../required';

/** What binds several outputs: Σ factor · ω_output = driver · ω_driver. */
export interface OutputLaw {
  readonly terms: readonly { readonly member: string; readonly factor: Rational }[];
  readonly driver: Rational;
}

/** The laws that bind the receivers to each other and to the driver, where they are not determined one by one. */
export function outputLaws({ network, state, flow }: Solved): readonly OutputLaw[] {
  const open = flow.receivers.filter((member) => state.speeds.of(member) === null);
  const forms = [
    ...open.map((member) => memberForm(state.motion, member)),
    memberForm(state.motion, flow.driver).map(neg),
  ];
  const equations = (forms[0] ?? []).map((_, coordinate) => forms.map((form) => entryAt(form, coordinate)));
  const { directions } = required(
    solveDense(
      equations,
      equations.map(() => ZERO),
    ),
  );
  return directions
    .filter((direction) => direction.slice(0, -1).some((value) => !isZero(value)))
    .map((direction) => {
      const factors = direction.slice(0, -1);
      const least = factors
        .filter((value) => !isZero(value))
        .map(abs)
        .reduce((a, b) => (compare(a, b) <= 0 ? a : b));
      const scale = sign(required(factors.find((value) => !isZero(value)))) < 0 ? neg(least) : least;
      return {
        terms: open.flatMap((member, k) =>
          isZero(entryAt(factors, k))
            ? []
            : [{ member: itemAt(network.memberIds, member), factor: div(entryAt(factors, k), scale) }],
        ),
        driver: div(itemAt(direction, -1), scale),
      };
    });
}
