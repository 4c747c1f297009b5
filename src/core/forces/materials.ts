import type { Material, Train } from '../train';

/** How stiff a material is: modulus of elasticity, N/mm², and what it spreads by across a pull. */
export interface Stiffness {
  readonly elasticity: number;
  readonly poisson: number;
}

/**
 * Metals as ISO 6336-2 lists them; plastics and wood as handbooks of engineering give them at 20 °C, dry, along the
 * grain; printed parts as measured along their layers. Anyone can give his own.
 */
const USUAL: Readonly<Record<Material, Stiffness>> = {
  steel: { elasticity: 206_000, poisson: 0.3 },
  'cast iron': { elasticity: 118_000, poisson: 0.3 },
  bronze: { elasticity: 113_000, poisson: 0.3 },
  aluminium: { elasticity: 70_000, poisson: 0.33 },
  nylon: { elasticity: 2_800, poisson: 0.4 },
  acetal: { elasticity: 2_900, poisson: 0.35 },
  printed: { elasticity: 2_300, poisson: 0.36 },
  wood: { elasticity: 12_000, poisson: 0.35 },
};

/** kg/m³, as the same handbooks give them; of printed parts as if they were filled. */
const DENSITY: Readonly<Record<Material, number>> = {
  steel: 7_850,
  'cast iron': 7_200,
  bronze: 8_800,
  aluminium: 2_700,
  nylon: 1_140,
  acetal: 1_410,
  printed: 1_240,
  wood: 700,
};

export const densityOf = (material: Material): number => DENSITY[material];

/** A material's stiffness, as the train gives it or as it usually is. */
export const stiffnessOf = ({ elasticity }: Train, material: Material): Stiffness => ({
  ...USUAL[material],
  elasticity: elasticity?.[material] ?? USUAL[material].elasticity,
});

/**
 * Pressure where two round bodies lie on each other along a line, N/mm²: σ = √(F / b · κ / (π ((1 − ν₁²) / E₁ + (1 −
 * ν₂²) / E₂))), κ the sum of their curvatures, of a hollow one less (Hertz).
 * @param loadPerMm N for each mm of the line
 * @param curvature per mm
 */
export function linePressure(loadPerMm: number, curvature: number, one: Stiffness, two: Stiffness): number {
  const give = (1 - one.poisson ** 2) / one.elasticity + (1 - two.poisson ** 2) / two.elasticity;
  return Math.sqrt((Math.max(0, loadPerMm) * curvature) / (Math.PI * give));
}
