import { toothForm, type ToothSpec } from './tooth-form';

/** How the teeth of a wheel turn on their way along it. */
export interface Helix {
  /** Radians at so many mm from where it begins. */
  readonly twist: (along: number) => number;
  /** Where it has corners, mm, both ends included. */
  readonly heights: readonly number[];
}

/**
 * Straight, in a helix, or half the way one hand and back the other. A chord of the helix stays as near to it as the
 * outline's chords to theirs.
 */
export function helixOf(
  spec: ToothSpec & { readonly herringbone?: boolean | undefined },
  widthMm: number,
  toleranceMm: number,
): Helix {
  const { pitchRadius, tipRadius, rootRadius } = toothForm(spec);
  // A ring has the hand of the gear that it meets.
  const perMm = Math.tan(((spec.helixDegrees ?? 0) * Math.PI) / 180) / pitchRadius;
  const half = widthMm / 2;
  const step = 2 * Math.acos(Math.max(0.5, 1 - toleranceMm / Math.max(tipRadius, rootRadius)));
  const layers = Math.max(1, Math.ceil(Math.abs(perMm * (spec.herringbone ? half : widthMm)) / step));
  const count = spec.herringbone ? 2 * layers : layers;
  return {
    twist: (along) => perMm * (spec.herringbone ? half - Math.abs(along - half) : along),
    heights: Array.from({ length: count + 1 }, (_, i) => (widthMm * i) / count),
  };
}
