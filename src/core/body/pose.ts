import { itemAt } from '../required';
import type { TurnsOf } from '../end-view';
import type { AxisFrame } from './axis-frames';
import type { BodyNode } from './body-node';

/** How a node stands: sixteen numbers, column by column, that bring its own places into the world. */
export type Pose = readonly number[];

const TURN = 2 * Math.PI;

/** A turn about Z, or a way along the axes of a frame. */
interface Step {
  readonly turn: number;
  readonly by: readonly [number, number, number];
}

/**
 * How a node stands when its members have made so many turns.
 * @param closed how far a coupler is closed, from 0 (it lets go) to 1 (it holds)
 */
export function poseOf(node: BodyNode, axis: AxisFrame, turns: TurnsOf, closed: (coupler: string) => number): Pose {
  const spin = TURN * axis.spin;
  const { carried, letsGo, phase } = node;
  const off = letsGo === null ? 0 : 1 - closed(letsGo.coupler);
  const own = phase + spin * turns(node.member);
  if (carried === null) {
    const moved = { turn: own, by: [0, 0, off * (letsGo?.by.along ?? 0)] as const };
    return placed(axis, [moved], 1 + off * (letsGo?.by.wider ?? 0), false);
  }
  const round = carried.angle + spin * turns(carried.carrier);
  if (carried.outward === null)
    return placed(
      axis,
      [
        { turn: round, by: [carried.radius, 0, carried.along] },
        { turn: own - round, by: [0, 0, 0] },
      ],
      1,
      false,
    );
  const about = carried.outward * TURN * (turns(node.member) - turns(carried.carrier));
  return placed(
    axis,
    [
      { turn: round, by: [carried.radius, 0, carried.along] },
      { turn: about, by: [0, 0, 0] },
    ],
    1,
    true,
  );
}

/** Each step turns about Z, and then goes on from there; a bevel planet's second one is about the line outward. */
function placed({ origin, directions }: AxisFrame, steps: readonly Step[], wide: number, outward: boolean): Pose {
  let [X, Y, Z] = directions as readonly [readonly number[], readonly number[], readonly number[]];
  let at: readonly number[] = origin;
  steps.forEach(({ turn, by }, i) => {
    if (outward && i === 1) [X, Y, Z] = [Z.map((value) => -value), Y, X];
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    const [x, y] = [X, Y];
    X = x.map((value, k) => c * value + s * itemAt(y, k));
    Y = y.map((value, k) => c * value - s * itemAt(x, k));
    at = at.map((value, k) => value + by[0] * itemAt(X, k) + by[1] * itemAt(Y, k) + by[2] * itemAt(Z, k));
  });
  return [...X.map((value) => value * wide), 0, ...Y.map((value) => value * wide), 0, ...Z, 0, ...at, 1];
}
