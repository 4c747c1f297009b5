import { BufferAttribute, BufferGeometry } from 'three';
import type { Surface } from '@/core/body';
import { itemAt } from '@/core/required';

/** A surface as the graphics card takes it; its places are its own, so that they can be moved. */
export function geometryOf({ positions, normals, corners }: Surface): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions.slice(), 3));
  geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  geometry.setIndex(new BufferAttribute(corners, 1));
  return geometry;
}

/** Moves every place along the axis, from where it was made. */
export function moveAlong(geometry: BufferGeometry, positions: Float32Array, shift: (z: number) => number): void {
  const places = geometry.getAttribute('position') as BufferAttribute;
  for (let k = 2; k < positions.length; k += 3) places.array[k] = itemAt(positions, k) + shift(itemAt(positions, k));
  places.needsUpdate = true;
}
