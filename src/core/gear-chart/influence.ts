import { type NetworkMesh } from '../kinematics';
import { add, isZero, mul, neg, ONE, ZERO, type Rational } from '../rational';
import { type Solved } from '../solve';
import { idealTorques, rollingSpeed, type BalancedLoad } from '../statics';
import { partsById, typeTeeth, type Train } from '../train';
import { chartOf, type Chart } from './chart';
import { modelOf } from '../model';
import { required } from '../required';

/** The influence of each gear's tooth count on a ratio, by gear; null where parallel ways leave it open. */
export type Influence = ReadonlyMap<string, Rational | null>;

/** The influence of every tooth count on every position that drives, by position. */
export function influenceOf(train: Train): ReadonlyMap<string, Influence> {
  return new Map(
    [...modelOf(train).positions()].flatMap(([id, solved]) =>
      solved.status === 'drive' ? [[id, influenceOn(solved)] as const] : [],
    ),
  );
}

/**
 * Elasticities e = ∂ ln|ratio| / ∂ ln z of a position that drives, exact: one per cent more teeth on a gear makes the
 * ratio e per cent larger.
 *
 * The torques are the adjoint of the motion. Take the ideal balance with the output of the ratio as the only load: T_in
 * dω_in + T_out dω_out + Σ λ r·dω = 0 for any change of speeds, where λ is a mesh's multiplier and r its row. A row
 * keeps r·ω = 0, so a change dz of its first gear's count means r·dω = −dz (ω_a − ω_c). With dω_in = 0 and T_out ω_out
 * = −T_in ω_in what is left is d ln(ratio) = λ z_a (ω_a − ω_c) dz/z per unit of power put in: the rolling power that
 * the gear takes out of the mesh. A gear that drives has −1 in a plain chain, one that is driven 1, an idler both, and
 * the sum over all gears is 0.
 */
export function influenceOn({ network, state, flow }: Solved): Influence {
  const influence = new Map<string, Rational | null>(network.train.gears.map(({ id }) => [id, ZERO]));
  const output = required(
    flow.receivers.find((member) => {
      const speed = state.speeds.of(member);
      return speed !== null && !isZero(speed);
    }),
  );
  const load: BalancedLoad = {
    slides: state.meshes.filter(({ slidBy }) => slidBy !== null),
    joints: state.joints.map(({ tie }) => tie),
    acting: [[flow.driver, ONE]],
    receivers: [output],
  };
  const balanced = idealTorques(state.motion.open, load);
  if (balanced.outcome !== 'balanced') return new Map([...influence].map(([gear]) => [gear, null]));
  for (const mesh of state.meshes) {
    const taken = takenByFirst(mesh, balanced.torques.meshes.get(mesh) ?? null);
    const [first, second] = mesh.mesh.gears;
    for (const [gear, part] of [
      [first, taken],
      [second, taken && neg(taken)],
    ] as const) {
      const before = influence.get(gear) ?? null;
      influence.set(gear, before && part && add(before, part));
    }
  }
  return influence;

  function takenByFirst(mesh: NetworkMesh, lambda: Rational | null): Rational | null {
    if (lambda && isZero(lambda)) return ZERO;
    const speed = rollingSpeed(state.speeds, mesh);
    if (speed && isZero(speed)) return ZERO;
    return lambda && speed && mul(mul(lambda, mesh.za), speed);
  }
}

/**
 * The chart with so many teeth more on one gear, or fewer; null where no such train is possible.
 * @param keepSets the sets that fit go on to fit: the ring follows, or the planet
 */
export function oneToothMore(train: Train, gear: string, by = 1, keepSets = false): Chart | null {
  const teeth = (partsById(train).find.gear(gear)?.teeth ?? 0) + by;
  const edit = typeTeeth(train, gear, teeth, keepSets);
  return edit.ok ? chartOf(edit.train) : null;
}
