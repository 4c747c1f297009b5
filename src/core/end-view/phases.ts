import { centreOf, type TurnsOf, type EndViewGear } from './wheels';
import { itemAt, required } from '../required';

const TURN = 2 * Math.PI;
const part = (value: number): number => value - Math.floor(value);

/** Two wheels of a station whose teeth are in each other. */
export interface WheelMesh {
  readonly a: number;
  readonly b: number;
  readonly mesh: string;
}

/**
 * The angle of every wheel's first tooth before its member turns, so that teeth stand in gaps now. At the place where
 * two pitch circles touch, let p be how many pitches the nearest tooth of each is past it: outside pairs need p_a + p_b
 * = ½, a wheel in a ring p_b = p_a + ½. Pairs in `meshes` are taken from the first wheel on; where they close a ring
 * the last one may not fit, as in the metal.
 */
export function toothPhases(
  wheels: readonly EndViewGear[],
  meshes: readonly WheelMesh[],
  turns: TurnsOf,
): readonly number[] {
  const phases: (number | null)[] = wheels.map(() => null);
  for (let start = 0; start < wheels.length; start++) {
    if (phases[start] !== null) continue;
    phases[start] = 0;
    const reached = [start];
    for (const from of reached) {
      for (const { a, b } of meshes) {
        const to = a === from ? b : b === from ? a : -1;
        if (to < 0 || phases[to] !== null) continue;
        phases[to] = phaseAgainst(itemAt(wheels, from), required(itemAt(phases, from)), itemAt(wheels, to), turns);
        reached.push(to);
      }
    }
  }
  return phases as number[];
}

/** The angle of a wheel's first tooth, before its member turns, with which its teeth stand in another's gaps now. */
export function phaseAgainst(from: EndViewGear, phase: number, to: EndViewGear, turns: TurnsOf): number {
  const [p, q] = [centreOf(from, turns), centreOf(to, turns)];
  const outward = Math.atan2(q.y - p.y, q.x - p.x);
  if (to.shape === 'worm') return outward + Math.PI / 2;
  if (from.shape === 'worm' || from.shape === 'bevel planet' || to.shape === 'bevel planet') return 0;
  // Seen from a ring, the wheel inside touches it on the side where that wheel stands; seen from the wheel, away from
  // the ring's centre.
  const [contactFrom, contactTo] =
    from.shape === 'ring'
      ? [outward, outward]
      : to.shape === 'ring'
        ? [outward + Math.PI, outward + Math.PI]
        : [outward, outward + Math.PI];
  const past = part(((contactFrom - phase - TURN * turns(from.member)) * from.teeth) / TURN);
  const wanted = from.shape === 'ring' || to.shape === 'ring' ? past + 0.5 : 0.5 - past;
  return contactTo - (wanted * TURN) / to.teeth - TURN * turns(to.member);
}
