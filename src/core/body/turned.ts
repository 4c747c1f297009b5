import { itemAt } from '../required';
import type { SurfaceBuilder } from './surface';

/** A place of a half section: along the axis and out from it, mm. */
export interface SectionPoint {
  readonly z: number;
  readonly r: number;
}

/** A closed line in the half plane; seen with z to the right and r upward the material lies on its left. */
export type Section = readonly SectionPoint[];

/**
 * A section turned about its axis, as a closed surface of so many flat sides. Its volume is that of Pappus, 2π times
 * the section's area times its centroid's radius, less what the flat sides cut off: N/2π sin(2π/N) of it.
 */
export function addTurned(surface: SurfaceBuilder, section: Section, sides: number): void {
  const directions = Array.from({ length: sides }, (_, i) => {
    const angle = (2 * Math.PI * i) / sides;
    return [Math.cos(angle), Math.sin(angle)] as const;
  });
  section.forEach((from, i) => {
    const to = itemAt(section, (i + 1) % section.length);
    const [dz, dr] = [to.z - from.z, to.r - from.r];
    const length = Math.hypot(dz, dr);
    if (length === 0 || (from.r === 0 && to.r === 0)) return;
    // The material is on the left, so outward is to the right.
    const [outZ, outR] = [dr / length, -dz / length];
    const ring = ({ z, r }: SectionPoint) =>
      directions.map(([c, s]) => surface.vertex(r * c, r * s, z, outR * c, outR * s, outZ));
    const [low, high] = [ring(from), ring(to)];
    for (let k = 0; k < sides; k++) {
      const next = (k + 1) % sides;
      const [a, b, c, d] = [itemAt(low, k), itemAt(low, next), itemAt(high, next), itemAt(high, k)];
      if (from.r > 0) surface.triangle(a, d, b);
      if (to.r > 0) surface.triangle(b, d, c);
    }
  });
}

/** A plain ring of rectangular section, or a disc where it has no hole. */
export const ringSection = (z0: number, z1: number, r0: number, r1: number): Section => [
  { z: z0, r: r0 },
  { z: z1, r: r0 },
  { z: z1, r: r1 },
  { z: z0, r: r1 },
];
