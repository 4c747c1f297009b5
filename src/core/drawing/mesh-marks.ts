import { lookUp } from '../required';
import { isChained, partsById, type Train } from '../train';
import type { CouplerShape, GearShape, MeshTie } from './geometry';

/** Pixels from a gear's face to a sliding mesh's symbol. */
const SLIDE_GAP = 13;
/** Pixels from a gear's face to the line that says it meshes with one it cannot touch. */
const TIE_GAP = 5;
/** Pixels by which rounding may part two gears that touch. */
const TOUCHING = 4;

/** Sliding meshes: a symbol at the right of the place where both gears meet, or on the line that ties them. */
export function slidesOf(
  train: Train,
  shapes: ReadonlyMap<string, GearShape>,
  ties: readonly MeshTie[],
): CouplerShape[] {
  return train.couplers.flatMap((coupler): CouplerShape[] => {
    if (coupler.type !== 'sliding-mesh') return [];
    const mesh = partsById(train).find.mesh(coupler.mesh);
    const [a, b] = mesh?.gears.map((id) => shapes.get(id)) ?? [];
    if (!a || !b) return [];
    const tie = ties.find(({ mesh: tied }) => tied === coupler.mesh);
    if (tie)
      return [
        {
          coupler: coupler.id,
          kind: 'slide',
          x: tie.x - SLIDE_GAP - 2,
          y: Math.round((tie.y1 + tie.y2) / 2),
          turn: 90,
          frame: null,
        },
      ];
    const y = a.shape === 'bar' && b.shape === 'bar' ? a.y + Math.sign(b.y - a.y) * a.radius : (a.y + b.y) / 2;
    return [
      {
        coupler: coupler.id,
        kind: 'slide',
        x: narrower(a, b).x + narrower(a, b).halfWidth + SLIDE_GAP,
        y: Math.round(y),
        turn: 90,
        frame: null,
      },
    ];
  });
}

/** The meshes whose gears cannot touch: chains, and shafts that stand in a triangle. */
export function tiesOf(train: Train, shapes: ReadonlyMap<string, GearShape>): MeshTie[] {
  const parts = partsById(train);
  return train.meshes.flatMap((mesh): MeshTie[] => {
    const [a, b] = mesh.gears.map((id) => lookUp(shapes, id));
    if (a?.shape !== 'bar' || b?.shape !== 'bar') return [];
    const [upper, lower] = a.y < b.y ? [a, b] : [b, a];
    const between = { y1: upper.y + upper.radius, y2: lower.y - lower.radius };
    if (isChained(parts.gear(a.gear))) return [{ mesh: mesh.id, kind: 'chain', x: narrower(a, b).x, ...between }];
    const apart = Math.abs(between.y2 - between.y1) > TOUCHING;
    return apart
      ? [{ mesh: mesh.id, kind: 'folded', x: narrower(a, b).x - narrower(a, b).halfWidth - TIE_GAP, ...between }]
      : [];
  });
}

/** Of two meshing gears the one that says where they meet: a long one reaches further. */
const narrower = (a: GearShape, b: GearShape): GearShape => (a.halfWidth <= b.halfWidth ? a : b);
