import { involute, rackAcross, STANDARD_RACK, type ToothSpec } from '../shapes';

/** A measure over several teeth, between two parallel faces that touch their flanks. */
export interface SpanMeasure {
  readonly teeth: number;
  readonly mm: number;
}

/**
 * W = m cos α (π (k − ½) + z inv α_t) + 2 x m sin α, less half the backlash along the normal; over so many teeth that
 * the faces touch near the middle of the flanks: k = z / π (tan α_x / cos² β_b − 2 x tan α / z − inv α_t) + ½, cos α_x
 * = z cos α_t / (z + 2 x cos β) (ISO 21771). Of external gears.
 */
export function spanOf(spec: ToothSpec): SpanMeasure | null {
  const { teeth: z, moduleMm: m, shift: x = 0, helixDegrees = 0, backlashMm = 0, rack = STANDARD_RACK } = spec;
  if (spec.internal || z < 6) return null;
  const beta = (helixDegrees * Math.PI) / 180;
  const alpha = rack.pressureAngle;
  const across = rackAcross(rack, m, helixDegrees).pressureAngle;
  const baseCosine = Math.sqrt(1 - (Math.sin(beta) * Math.cos(alpha)) ** 2);
  const touching = Math.acos(Math.min(1, (z * Math.cos(across)) / (z + 2 * x * Math.cos(beta))));
  const over = Math.tan(touching) / baseCosine ** 2 - (2 * x * Math.tan(alpha)) / z - involute(across);
  const k = Math.max(2, Math.round((z * over) / Math.PI + 0.5));
  const mm =
    m * Math.cos(alpha) * (Math.PI * (k - 0.5) + z * involute(across)) +
    2 * x * m * Math.sin(alpha) -
    (backlashMm / 2) * Math.cos(across) * baseCosine;
  return { teeth: k, mm: Number(mm.toFixed(6)) };
}
