import { toothOutline } from '@/core/end-view';
import { required } from '@/core/required';

/** Outlines as SVG path data, in modules, round the wheel's own centre: for a canvas and for a picture file alike. */

const kept = new Map<string, string>();
const KEPT = 400;

/** Made once for each key: the same text is drawn at every frame. */
function once(key: string, make: () => string): string {
  const found = kept.get(key);
  if (found !== undefined) return found;
  if (kept.size >= KEPT) kept.delete(required(kept.keys().next().value));
  const fresh = make();
  kept.set(key, fresh);
  return fresh;
}

/** Half a thousandth of a module is finer than any screen. */
const short = (value: number): string => String(Math.round(value * 1000) / 1000);

export const circlePath = (radius: number, x = 0): string =>
  once(
    `circle ${radius} ${x}`,
    () =>
      `M${short(x + radius)} 0A${short(radius)} ${short(radius)} 0 1 1 ${short(x - radius)} ` +
      `0A${short(radius)} ${short(radius)} 0 1 1 ${short(x + radius)} 0Z`,
  );

export const line = (x1: number, y1: number, x2: number, y2: number): string =>
  `M${short(x1)} ${short(y1)}L${short(x2)} ${short(y2)}`;

export const box = (halfWidth: number, halfHeight: number): string =>
  once(
    `box ${halfWidth} ${halfHeight}`,
    () =>
      `M${short(-halfWidth)} ` +
      `${short(-halfHeight)}h${short(2 * halfWidth)}v${short(2 * halfHeight)}h${short(-2 * halfWidth)}Z`,
  );

/** A ring's outer edge, from its pitch radius. */
const outerEdge = (teeth: number): string => circlePath(teeth / 2 + 3.6);

/** A gear's outline; a ring with its outer edge. */
export const teethOutline = (teeth: number, ring: boolean, flankPoints: number, shift: number): string =>
  once(
    `teeth ${teeth} ${ring} ${flankPoints} ${shift}`,
    () =>
      `${ring ? outerEdge(teeth) : ''}M${toothOutline(teeth, ring, flankPoints, shift)
        .map(({ x, y }) => `${short(x)} ${short(y)}`)
        .join('L')}Z`,
  );

/** A ring whose teeth are too fine to be seen. */
export const plainRing = (teeth: number): string =>
  once(`ring ${teeth}`, () => outerEdge(teeth) + circlePath(teeth / 2));
