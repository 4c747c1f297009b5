import {
  FRAME_INDEX,
  imposeTies,
  networkOf,
  speedsPerTurn,
  type Joint,
  type MemberIndex,
  type FreeMotion,
  type Network,
  type Speeds,
} from '../kinematics';
import { div, fraction, isZero, sub, toNumber, ZERO, type Rational } from '../rational';
import type { Train } from '../train';
import { gearSets } from '../working';
import { itemAt, lookUp, required } from '../required';

/** An upright scale of a set: a member's speed is read on it. */
export interface SpeedScale {
  readonly member: string;
  /** Its place on the level line. */
  readonly at: Rational;
}

/**
 * The speed lines of a planetary set. Seen from its carrier every central member turns at a fixed multiple k of one
 * common spin: ω_m = ω_c + k_m p. Set upright at x = k_m, with the carrier at 0, the speeds of all members lie on one
 * straight line of slope p, whatever the set does. For a simple set k_s = −z_p/z_s and k_r = z_p/z_r, so that sun to
 * carrier is to carrier to ring as R : S.
 */
export interface SpeedLines {
  readonly carrier: string;
  /** From left to right, the carrier among them; the longest distance between two is 1. */
  readonly scales: readonly SpeedScale[];
}

/** The sets of a train that have speed lines: those in which something rolls, with at least two central members. */
export function speedLinesOf(train: Train): readonly SpeedLines[] {
  const network = networkOf(train);
  const planets = new Set(train.members.flatMap(({ carrier }, i) => (carrier === undefined ? [] : [i])));
  return gearSets(network.meshes, planets).flatMap(({ arm, factors, block }) => {
    const central = [...factors].filter(([member]) => !planets.has(member));
    if (block || central.length < 2) return [];
    const places = [[arm, ZERO] as const, ...central];
    const sorted = places.sort(([, a], [, b]) => toNumber(a) - toNumber(b));
    const [least, most] = [itemAt(sorted, 0)[1], itemAt(sorted, -1)[1]];
    const width = sub(most, least);
    const name = (member: MemberIndex) => (member === FRAME_INDEX ? 'frame' : itemAt(network.memberIds, member));
    return [
      {
        carrier: name(arm),
        scales: sorted.map(([member, at]) => ({ member: name(member), at: div(sub(at, least), width) })),
      },
    ];
  });
}

/** A member whose speed is set by hand. */
export interface SpeedPin {
  readonly member: string;
  readonly speed: Rational;
}

/**
 * The speeds of a motion in which some members turn as they are told. A member that stands is held; of those that turn
 * the first is the driver and each other one turns at its multiple of that speed. Null where they contradict each other
 * or what is engaged.
 */
export function speedsWith(network: Network, motion: FreeMotion, pins: readonly SpeedPin[]): Speeds | null {
  const at = (pin: SpeedPin) => lookUp(network.memberIndex, pin.member);
  const [driver, ...others] = pins.filter(({ speed }) => !isZero(speed));
  const held = pins.filter(({ speed }) => isZero(speed));
  const ties = [
    ...held.map((pin): Joint => ({ kind: 'joins', a: FRAME_INDEX, b: at(pin) })),
    ...others.map((pin): Joint => ({
      kind: 'joins',
      a: at(required(driver)),
      b: at(pin),
      times: div(pin.speed, required(driver).speed),
    })),
  ];
  const left = imposeTies(motion, ties);
  if (!driver) return pins.length > 0 ? standing(left, at(itemAt(pins, 0))) : null;
  const speeds = speedsPerTurn(left, at(driver), driver.speed);
  return speeds.turns ? speeds : null;
}

/** All that is told stands: what hangs on it stands too, the rest is open. */
const standing = (motion: FreeMotion, member: MemberIndex): Speeds => speedsPerTurn(motion, member, ZERO);

/**
 * A point of a line was dragged: its member turns as it is told, and of what was told before as much stays as it leaves
 * free, the oldest first; so the input keeps its speed where it can, and what is held stays held. Null where that
 * member cannot turn so at all.
 */
export function dragged(
  network: Network,
  motion: FreeMotion,
  pins: readonly SpeedPin[],
  moved: SpeedPin,
): readonly SpeedPin[] | null {
  if (!speedsWith(network, motion, [moved])) return null;
  let kept: readonly SpeedPin[] = [moved];
  for (const pin of pins) {
    if (pin.member === moved.member) continue;
    const settled = required(speedsWith(network, motion, kept)).of(lookUp(network.memberIndex, pin.member));
    if (settled === null) kept = [pin, ...kept].sort((a, b) => order(a) - order(b));
  }
  return kept;

  function order(pin: SpeedPin): number {
    return pin === moved ? pins.length : pins.indexOf(pin);
  }
}

/** A speed read off a drawing, to a thousandth. */
export const roundedSpeed = (value: number): Rational => div(fraction(Math.round(value * 1000)), fraction(1000));
