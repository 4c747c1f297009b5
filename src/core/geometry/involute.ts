import { involute } from '../shapes';

/** The angle whose involute function is this, by Newton's method; null below 0, where there is none. */
export function inverseInvolute(value: number): number | null {
  if (!(value >= 0)) return null;
  // inv α = α³/3 for small angles; the start lies above the root, from where Newton's steps only fall.
  let angle = Math.min(Math.cbrt(3 * value), Math.PI / 2 - 1e-6);
  if (angle === 0) return 0;
  for (let i = 0; i < 60; i++) {
    const step = (involute(angle) - value) / Math.tan(angle) ** 2;
    angle -= step;
    if (Math.abs(step) < 1e-15) break;
  }
  return angle;
}
