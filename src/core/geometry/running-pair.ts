import { involute, rackAcross, type Rack } from '../shapes';
import { inverseInvolute } from './involute';

/** A wheel as far as it decides where its pair runs. */
export interface PairWheel {
  readonly teeth: number;
  readonly internal: boolean;
  /** In modules. */
  readonly shift: number;
}

/** Two wheels that run together on parallel axes; at most the second has its teeth inside. */
export interface PairSpec {
  readonly rack: Rack;
  /** Across the tooth. */
  readonly moduleMm: number;
  readonly helixDegrees: number;
  readonly wheels: readonly [PairWheel, PairWheel];
  /** Where it is given; else it follows from the shifts. */
  readonly centreMm: number | null;
}

/** Where and how a pair runs, across the axis; angles in radians. */
export interface RunningPair {
  readonly referenceCentreMm: number;
  readonly centreMm: number;
  readonly pressureAngle: number;
  readonly workingAngle: number;
  /** What the centre asks for: x₁ + x₂, of a ring x₂ − x₁; 0 where no centre and no shift is given. */
  readonly shiftSum: number;
  readonly workingRadiiMm: readonly [number, number];
  readonly basePitchMm: number;
}

/**
 * a = m (z₂ ± z₁) / (2 cos β); cos α_wt = a cos α_t / a_w; Σx = (z₂ ± z₁) (inv α_wt − inv α_t) / (2 tan α), minus for a
 * ring (ISO 21771; the shift of a ring counts as in Shapes, where it makes the spaces wider).
 * @returns null where the pair cannot run: a ring that is not larger than its gear, or a centre within the base circles
 */
export function runningPair({ rack, moduleMm, helixDegrees, wheels, centreMm }: PairSpec): RunningPair | null {
  const [one, two] = wheels;
  const teeth = two.internal ? two.teeth - one.teeth : two.teeth + one.teeth;
  if (teeth <= 0) return null;
  const across = rackAcross(rack, moduleMm, helixDegrees);
  const alpha = across.pressureAngle;
  const referenceCentreMm = (across.moduleMm * teeth) / 2;
  const slope = (2 * Math.tan(rack.pressureAngle)) / teeth;
  const given = two.internal ? two.shift - one.shift : one.shift + two.shift;
  // What rounding leaves of a centre that is the reference centre asks for no shift.
  const isReference = centreMm !== null && Math.abs(centreMm / referenceCentreMm - 1) < 1e-12;
  const workingAngle =
    centreMm === null
      ? given === 0
        ? alpha
        : inverseInvolute(involute(alpha) + slope * given)
      : isReference
        ? alpha
        : angleAt((referenceCentreMm * Math.cos(alpha)) / centreMm);
  if (workingAngle === null) return null;
  const followed =
    workingAngle === alpha ? referenceCentreMm : (referenceCentreMm * Math.cos(alpha)) / Math.cos(workingAngle);
  const centre = centreMm ?? followed;
  const working = (part: PairWheel) => (centre * part.teeth) / teeth;
  return {
    referenceCentreMm,
    centreMm: centre,
    pressureAngle: alpha,
    workingAngle,
    shiftSum: centreMm === null ? given : (involute(workingAngle) - involute(alpha)) / slope,
    workingRadiiMm: [working(one), working(two)],
    basePitchMm: Math.PI * across.moduleMm * Math.cos(alpha),
  };
}

const angleAt = (cosine: number): number | null => (cosine > 0 && cosine < 1 ? Math.acos(cosine) : null);
