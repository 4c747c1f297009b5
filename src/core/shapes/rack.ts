import type { Train } from '../train';

/** The basic rack that cuts all teeth of a train: its angle in radians across the tooth, its lengths in modules. */
export interface Rack {
  readonly pressureAngle: number;
  readonly addendum: number;
  readonly dedendum: number;
  /** Of the round between flank and root. */
  readonly rootRadius: number;
}

/** 20°, an addendum of one module, a dedendum of 1.25 and a root rounded with 0.38 (ISO 53, profile A). */
export const STANDARD_RACK: Rack = {
  pressureAngle: (20 * Math.PI) / 180,
  addendum: 1,
  dedendum: 1.25,
  rootRadius: 0.38,
};

/** The basic rack of a train, the standard one where it says nothing else. */
export function rackOf({ pressureAngle, addendum, dedendum, rootRadius }: Train): Rack {
  const own = [pressureAngle, addendum, dedendum, rootRadius];
  if (own.every((one) => one === undefined)) return STANDARD_RACK;
  return {
    pressureAngle: pressureAngle === undefined ? STANDARD_RACK.pressureAngle : (pressureAngle * Math.PI) / 180,
    addendum: addendum ?? STANDARD_RACK.addendum,
    dedendum: dedendum ?? STANDARD_RACK.dedendum,
    rootRadius: rootRadius ?? STANDARD_RACK.rootRadius,
  };
}

/** What a rack is across the axis of a wheel with a helix, in mm, its angle in radians. */
export interface RackAcross {
  readonly moduleMm: number;
  readonly pressureAngle: number;
  readonly addendumMm: number;
  readonly dedendumMm: number;
  readonly rootRadiusMm: number;
  /** How deep its straight flank reaches below its pitch line: to where the rounding begins. */
  readonly straightMm: number;
}

/**
 * m_t = m / cos β, tan α_t = tan α / cos β; heights are the same in every section. The rounding is taken as a circle
 * across the axis too, where it is a part of an ellipse: at 20° of helix that is 6 % of its radius.
 */
export function rackAcross(rack: Rack, moduleMm: number, helixDegrees: number): RackAcross {
  const cosine = Math.cos((helixDegrees * Math.PI) / 180);
  const pressureAngle = Math.atan(Math.tan(rack.pressureAngle) / cosine);
  const rootRadiusMm = rack.rootRadius * moduleMm;
  const dedendumMm = rack.dedendum * moduleMm;
  return {
    moduleMm: moduleMm / cosine,
    pressureAngle,
    addendumMm: rack.addendum * moduleMm,
    dedendumMm,
    rootRadiusMm,
    straightMm: dedendumMm - rootRadiusMm * (1 - Math.sin(pressureAngle)),
  };
}
