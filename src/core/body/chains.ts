import { itemAt } from '../required';
import { polar, reversed, type Loop } from '../shapes';
import { structureOf } from '../structure';
import { FRAME, isChained, partsById, type Train } from '../train';
import type { AxisFrame, MiddleOf } from './axis-frames';
import type { Detail } from './detail';
import type { NodeBook } from './node-book';
import { addPrism } from './prism';
import type { WheelSizes } from './wheel-sizes';

interface ChainWork {
  readonly axes: readonly AxisFrame[];
  readonly sizes: WheelSizes;
  readonly middleOf: MiddleOf;
  readonly detail: Detail;
}

/** Chains and belts, as loops round both their wheels. They go round, but look the same wherever they are. */
export function addChains(book: NodeBook, train: Train, { axes, sizes, middleOf, detail }: ChainWork): void {
  const { axisOf } = structureOf(train);
  for (const mesh of train.meshes) {
    const [a, b] = partsById(train).pair(mesh);
    const [one, two] = [axisOf.get(a.member), axisOf.get(b.member)];
    if (!isChained(a) || one === undefined || two === undefined || one === two) continue;
    const [from, to] = [itemAt(axes, one).origin, itemAt(axes, two).origin];
    const away = { x: to[0] - from[0], y: to[1] - from[1] };
    const half = 0.5 * sizes.module;
    const loop = (out: number) =>
      roundBoth([sizes.of(a.id).pitch + out, sizes.of(b.id).pitch + out], away, detail.sides);
    const width = 0.35 * Math.min(sizes.of(a.id).face, sizes.of(b.id).face);
    const middle = middleOf(a.id);
    const surface = book.node({ member: FRAME, axis: one, carried: null, phase: 0, copy: 0, letsGo: null });
    surface.part({ kind: 'gear', id: a.id }, () =>
      addPrism(surface, {
        outer: loop(half),
        hole: reversed(loop(-half * 0.2)),
        heights: [middle - width, middle + width],
        twist: () => 0,
      }),
    );
  }
}

/** A line laid tight round two circles, the first at the origin, counter-clockwise. */
function roundBoth(
  [r, s]: readonly [number, number],
  away: { readonly x: number; readonly y: number },
  sides: number,
): Loop {
  const apart = Math.hypot(away.x, away.y);
  const towards = Math.atan2(away.y, away.x);
  // Where both tangents leave the circles.
  const lean = Math.acos(Math.min(1, Math.max(-1, (r - s) / apart)));
  const arc = (radius: number, x: number, y: number, from: number, to: number): Loop =>
    Array.from({ length: sides / 2 + 1 }, (_, i) => {
      const at = polar(radius, from + ((to - from) * i) / (sides / 2));
      return { x: x + at.x, y: y + at.y };
    });
  return [
    ...arc(r, 0, 0, towards + lean, towards + 2 * Math.PI - lean),
    ...arc(s, away.x, away.y, towards - lean, towards + lean),
  ];
}
