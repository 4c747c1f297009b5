import type { Box, GearShape, Point } from './geometry';
import type { GearBody } from './half-plane';
import type { PlacedAxes } from './place-axes';
import { lookUp } from '../required';

export const BAR_HALF_WIDTH = 9;

/**
 * A gear's body in the half plane as a shape. `passed` says whether another member runs on the centre line through a
 * column.
 */
export function gearShape(
  body: GearBody,
  axis: number,
  { px, scale }: PlacedAxes,
  radii: ReadonlyMap<string, number>,
  passed: (x: number) => boolean,
): GearShape {
  const { gear, shape, x } = body;
  const base = { gear: gear.id, member: gear.member };
  const at = px({ x, row: body.at }, axis);
  switch (shape) {
    case 'bar': {
      const [first, last] = [px({ x, row: 0 }, axis), px({ x: body.end, row: 0 }, axis)];
      const centre = { x: (first.x + last.x) / 2, y: first.y };
      const radius = lookUp(radii, gear.id) * scale.radius;
      const bore = passed(x) || body.from > 1 ? Math.min(scale.row, radius * 0.6) : 0;
      const halfWidth = (last.x - first.x) / 2 + (gear.type === 'worm' ? 2 * BAR_HALF_WIDTH : BAR_HALF_WIDTH);
      return {
        ...base,
        shape: gear.type === 'internal' ? 'cup' : 'bar',
        ...centre,
        radius,
        halfWidth,
        bore,
        box: boxAround(centre, halfWidth, radius),
      };
    }
    case 'planet': {
      const radius = (body.to - body.at + 1) * scale.row - 2;
      return {
        ...base,
        shape,
        ...at,
        radius,
        halfWidth: BAR_HALF_WIDTH,
        bore: 0,
        box: boxAround(at, BAR_HALF_WIDTH, radius),
      };
    }
    case 'side': {
      const low = px({ x, row: body.from - 1 }, axis);
      const radius = (low.y - at.y) / 2;
      const middle = { x: at.x, y: at.y + radius };
      return { ...base, shape, ...middle, radius, halfWidth: 5, bore: 0, box: boxAround(middle, 8, radius) };
    }
    case 'top':
      return {
        ...base,
        shape,
        ...at,
        radius: 5,
        halfWidth: 1.5 * scale.column - 6,
        bore: 0,
        box: boxAround(at, 1.5 * scale.column - 6, 8),
      };
    case 'sun':
    case 'ring':
      return {
        ...base,
        shape,
        ...at,
        radius: 0,
        halfWidth: BAR_HALF_WIDTH + 1,
        bore: 0,
        box: boxAround({ x: at.x, y: at.y + (shape === 'sun' ? 3 : -3) }, BAR_HALF_WIDTH + 2, 6),
      };
  }
}

const boxAround = ({ x, y }: Point, halfWidth: number, halfHeight: number): Box => ({
  left: x - halfWidth,
  right: x + halfWidth,
  top: y - halfHeight,
  bottom: y + halfHeight,
});
