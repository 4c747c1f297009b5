import type { AxisPlace } from './axis-places';

/** How many turns every member has made; members not known turn not at all. */
export type TurnsOf = (member: string) => number;

/** One gear (or one of the equal planets' gears) as seen along its axis. */
export interface EndViewGear {
  readonly gear: string;
  readonly member: string;
  readonly teeth: number;
  /**
   * toothed: from outside · ring: teeth inside · smooth: a pulley · worm: seen from its side · bevel planet: seen
   * edge-on.
   */
  readonly shape: 'toothed' | 'ring' | 'smooth' | 'worm' | 'bevel planet';
  /** As it is seen: of a helical wheel across its axis. */
  readonly module: number;
  /** Profile shift, in modules as they are seen. */
  readonly shift: number;
  readonly radius: number;
  /** Which of the equal planets, from 0. */
  readonly copy: number;
  /**
   * The centre, or what it is carried round: the carrier, at a radius and at the angle it has before anything turns.
   */
  readonly centre: AxisPlace;
  readonly orbit: { readonly carrier: string; readonly radius: number; readonly angle: number } | null;
}

/** Where a wheel is and how far it is turned, in radians clockwise. */
export interface Pose {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

const TURN = 2 * Math.PI;

/** Where a wheel's centre is after its carrier has turned. */
export function centreOf({ centre, orbit }: EndViewGear, turns: TurnsOf): AxisPlace {
  if (!orbit) return centre;
  const angle = orbit.angle + TURN * turns(orbit.carrier);
  return { x: centre.x + orbit.radius * Math.cos(angle), y: centre.y + orbit.radius * Math.sin(angle) };
}

/**
 * A wheel's place and turn. A bevel planet and a worm lie in the picture: they keep the direction of their carrier or
 * their place.
 */
export function poseOf(wheel: EndViewGear, turns: TurnsOf, phase: number): Pose {
  const { x, y } = centreOf(wheel, turns);
  if (wheel.shape === 'bevel planet')
    return { x, y, angle: wheel.orbit ? wheel.orbit.angle + TURN * turns(wheel.orbit.carrier) : 0 };
  if (wheel.shape === 'worm') return { x, y, angle: phase };
  return { x, y, angle: phase + TURN * turns(wheel.member) };
}

/** How far a worm's thread or a bevel planet's teeth have come past, in tooth pitches. */
export function pitchesPast(wheel: EndViewGear, turns: TurnsOf): number {
  return wheel.teeth * (turns(wheel.member) - (wheel.orbit ? turns(wheel.orbit.carrier) : 0));
}
