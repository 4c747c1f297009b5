import { labelBox, overlap, type Box, type Point, type SideView } from './geometry';

/** Half the width and height of a mark. */
const HALF = 11;

/**
 * Where marks of parts stand on a side view: near their part, clear of names, counts, couplers and one another.
 * @param parts ids of couplers, gears and members, one for each mark
 * @returns a place for each, null where the part is not drawn
 */
export function markPlaces(view: SideView, parts: readonly string[]): readonly (Point | null)[] {
  const taken: Box[] = [
    ...view.labels.map(labelBox),
    ...view.couplers.map(({ x, y }) => ({ left: x - 10, right: x + 10, top: y - 10, bottom: y + 10 })),
  ];
  return parts.map((part) => {
    const near = nearOf(view, part);
    const free = near.find((at) => isInside(view, at) && !taken.some((box) => overlap(box, around(at))));
    const at = free ?? near[0] ?? null;
    if (at) taken.push(around(at));
    return at;
  });
}

const around = ({ x, y }: Point): Box => ({ left: x - HALF, right: x + HALF, top: y - HALF, bottom: y + HALF });

const isInside = ({ width, height }: SideView, { x, y }: Point): boolean =>
  x >= HALF && x <= width - HALF && y >= HALF && y <= height - HALF;

/** Places for a part's mark, the best first. */
function nearOf(view: SideView, part: string): readonly Point[] {
  const coupler = view.couplers.find((shape) => shape.coupler === part);
  if (coupler) return ringsAbout(coupler, 22);
  const gear = view.gears.find((shape) => shape.gear === part);
  if (gear) {
    const { left, right, top, bottom } = gear.box;
    return [
      { x: gear.x, y: top - 12 },
      { x: gear.x, y: bottom + 12 },
      { x: right + 12, y: top + 8 },
      { x: left - 12, y: top + 8 },
      ...ringsAbout({ x: gear.x, y: top }, 26),
    ];
  }
  const segments = view.lines.find(({ member }) => member === part)?.segments ?? [];
  const [longest] = [...segments].sort(
    (a, b) => Math.hypot(b.x2 - b.x1, b.y2 - b.y1) - Math.hypot(a.x2 - a.x1, a.y2 - a.y1),
  );
  if (!longest) return [];
  return [0.5, 0.25, 0.75, 0.1, 0.9].flatMap((share) => {
    const [x, y] = [longest.x1 + share * (longest.x2 - longest.x1), longest.y1 + share * (longest.y2 - longest.y1)];
    return ringsAbout({ x, y }, 13);
  });
}

/** Places about a point, above it first, further away each round. */
const ringsAbout = ({ x, y }: Point, radius: number): Point[] =>
  [radius, radius + 14, radius + 28].flatMap((far) =>
    [-90, -45, -135, 90, 45, 135, 0, 180].map((degrees) => {
      const angle = (degrees * Math.PI) / 180;
      return { x: x + far * Math.cos(angle), y: y + far * Math.sin(angle) };
    }),
  );
